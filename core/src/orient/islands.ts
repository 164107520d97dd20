import { UnionFind } from '../solid';
import type { LayerStack } from './layers';

/** A component that begins in mid-air. */
export interface Island {
  layer: number;
  areaMm2: number;
  /** Middle of its longest stretch, mm. */
  at: [number, number, number];
}

/** A component that overlaps the layer before by fewer pixels than this is lost (handbook 04, "Way up"). */
const OVERLAP_PIXELS_MIN = 2;

/** Islands of layer 1 and up: 8-connected components with too little below them. O(stretches). */
export function findIslands(stack: LayerStack): Island[] {
  const found: Island[] = [];
  for (let layer = 1; layer < stack.layers; layer++) found.push(...islandsOf(stack, layer));
  return found;
}

/** Joins stretches of a layer that touch by side or corner; numbers are those of `spans`, less the first. */
function joinStretches({ rows, starts, spans }: LayerStack, layer: number): UnionFind {
  const base = layer * rows;
  const first = starts[base]!;
  const sets = new UnionFind(starts[base + rows]! - first);
  for (let r = 1; r < rows; r++) {
    let above = starts[base + r - 1]!;
    const endAbove = starts[base + r]!;
    for (let s = endAbove; s < starts[base + r + 1]!; s++) {
      while (above < endAbove && spans[2 * above + 1]! + 1 < spans[2 * s]!) above++;
      for (let n = above; n < endAbove && spans[2 * n]! <= spans[2 * s + 1]! + 1; n++)
        sets.join(n - first, s - first);
    }
  }
  return sets;
}

interface Component {
  pixels: number;
  below: number;
  longest: number;
  row: number;
  span: number;
}

function islandsOf(stack: LayerStack, layer: number): Island[] {
  const { rows, starts, spans, pixelMm, layerMm } = stack;
  const base = layer * rows;
  const first = starts[base]!;
  if (starts[base + rows] === first) return [];
  const sets = joinStretches(stack, layer);
  const components = new Map<number, Component>();
  for (let r = 0; r < rows; r++) {
    for (let s = starts[base + r]!; s < starts[base + r + 1]!; s++) {
      const root = sets.find(s - first);
      const known = components.get(root) ?? { pixels: 0, below: 0, longest: 0, row: r, span: s };
      const length = spans[2 * s + 1]! - spans[2 * s]! + 1;
      known.pixels += length;
      if (known.below < OVERLAP_PIXELS_MIN) known.below += pixelsUnder(stack, s, base - rows + r);
      if (length > known.longest) Object.assign(known, { longest: length, row: r, span: s });
      components.set(root, known);
    }
  }
  return [...components.values()]
    .filter(({ below }) => below < OVERLAP_PIXELS_MIN)
    .map(({ pixels, row, span }) => ({
      layer,
      areaMm2: pixels * pixelMm * pixelMm,
      at: [
        stack.x0Mm + (pixelMm * (spans[2 * span]! + spans[2 * span + 1]!)) / 2,
        stack.y0Mm + row * pixelMm,
        stack.z0Mm + layer * layerMm,
      ],
    }));
}

/** Pixels of a stretch that have cured resin under them. */
function pixelsUnder({ starts, spans }: LayerStack, s: number, rowBelow: number): number {
  let common = 0;
  for (let n = starts[rowBelow]!; n < starts[rowBelow + 1]!; n++) {
    if (spans[2 * n + 1]! < spans[2 * s]!) continue;
    if (spans[2 * n]! > spans[2 * s + 1]!) break;
    common += Math.min(spans[2 * s + 1]!, spans[2 * n + 1]!) - Math.max(spans[2 * s]!, spans[2 * n]!) + 1;
  }
  return common;
}
