import type { BoundaryTest } from './boundary';
import { addAreaVector, closestOnTriangle, longestSide2, point } from './onTriangle';
import { treeOrder, WIDTH } from './treeOrder';

/** A surface point that is nearer by less than 0.05 % of the distance is not looked for. */
const NEAR_ENOUGH = 0.999;

/** Numbers a slab: normal x y z, middle, half width. */
const SLAB = 5;
/** Numbers a plane: normal x y z, how far from the origin. */
const PLANE = 4;
/** A plane in single precision is off by less than this share of the largest coordinate. */
const PLANE_SLACK = 1e-6;
/** A triangle whose height is less than this share of its longest side is a sliver. */
const SLIVER_SHARE = 1e-6;

/** Kinds of questions that are asked of neighbours again and again. */
export const LIKELY = 32;
const NONE = -1;

/** Levels of so many boxes: where the boxes under each node begin, from the first node above the leaves on. */
function childrenOf(counts: readonly number[]): Uint32Array {
  const starts: number[] = [];
  let below = 0;
  for (let level = 1; level < counts.length; level++) {
    for (let n = 0; n < counts[level]!; n++) starts.push(below + n * WIDTH);
    below += counts[level - 1]!;
  }
  return Uint32Array.from([...starts, below]);
}

/** Where a closest-point query ended: squared distance, the point, its triangle. */
export interface Closest {
  distance2: number;
  x: number;
  y: number;
  z: number;
  triangle: number;
}

/**
 * A packed bounding-box tree over triangles in tree order: leaves of eight, nodes of eight, level after level in flat
 * arrays (the layout of packed R-trees, Kamel & Faloutsos 1993).
 * Level 0 are the leaves; box n of a level covers boxes 8n … 8n + 7 of the level below.
 */
export class TriangleTree {
  /** Triangles in the order of the leaves. */
  readonly order: Uint32Array;
  /** Boxes of all levels: min x y z, max x y z. */
  readonly boxes: Float64Array;
  /** First box of each level. */
  readonly levels: readonly number[];
  /** For each leaf the slab that holds its triangles: mean normal n, middle and half width of n·vertex. */
  private readonly slabs: Float64Array;
  /** For each place of `order` the plane of its triangle; zeros for a sliver without a normal. */
  private readonly planes: Float32Array;
  private readonly planeSlackMm: number;
  /** First box under each node above the leaves, node after node; one more ends the last. */
  private readonly children: Uint32Array;
  /** Triangles that were near before, by what they were near to. */
  private readonly likely = new Int32Array(LIKELY).fill(NONE);
  private readonly anywhere: Closest = { distance2: 0, x: 0, y: 0, z: 0, triangle: 0 };
  private readonly stack = new Int32Array(512);
  private readonly near = new Float64Array(512);

  /**
   * O(n log n) in triangles. `which` are the triangles to hold, all by default; points that `isBoundary` refuses
   * are not found.
   */
  constructor(
    readonly positions: Float64Array,
    readonly triangles: Uint32Array,
    which?: Uint32Array,
    private readonly isBoundary?: BoundaryTest,
  ) {
    this.order = treeOrder(positions, triangles, which);
    const counts = [Math.ceil(this.order.length / WIDTH)];
    while (counts.at(-1)! > 1) counts.push(Math.ceil(counts.at(-1)! / WIDTH));
    const levels: number[] = [];
    let total = 0;
    for (const count of counts) {
      levels.push(total);
      total += count;
    }
    this.levels = levels;
    this.boxes = new Float64Array(6 * total);
    for (let b = 0; b < this.boxes.length; b += 6) {
      this.boxes.fill(Infinity, b, b + 3);
      this.boxes.fill(-Infinity, b + 3, b + 6);
    }
    this.children = childrenOf(counts);
    this.boxLeaves();
    this.slabs = this.slabLeaves();
    this.planes = this.planesInOrder();
    this.planeSlackMm = PLANE_SLACK * positions.reduce((most, value) => Math.max(most, Math.abs(value)), 0);
    for (let level = 1; level < levels.length; level++) this.boxNodes(levels[level - 1]!, levels[level]!);
  }

  private boxLeaves(): void {
    const { positions, triangles, order, boxes } = this;
    for (let n = 0; n < order.length; n++) {
      const box = 6 * Math.floor(n / WIDTH);
      for (let c = 0; c < 3; c++) {
        const v = 3 * triangles[3 * order[n]! + c]!;
        for (let k = 0; k < 3; k++) {
          const value = positions[v + k]!;
          if (value < boxes[box + k]!) boxes[box + k] = value;
          if (value > boxes[box + 3 + k]!) boxes[box + 3 + k] = value;
        }
      }
    }
  }

  /**
   * A leaf of a smooth surface is almost flat, so its slab bounds the distance far closer than its box does. From
   * the middle of a round section every leaf is equally far, and only the slab tells without trying each triangle.
   */
  private slabLeaves(): Float64Array {
    const { order, positions: p, triangles } = this;
    const slabs = new Float64Array(SLAB * Math.ceil(order.length / WIDTH));
    for (let leaf = 0, s = 0; s < slabs.length; leaf++, s += SLAB) {
      const end = Math.min(leaf * WIDTH + WIDTH, order.length);
      for (let n = leaf * WIDTH; n < end; n++) addAreaVector(p, triangles, order[n]!, slabs, s);
      const length = Math.hypot(slabs[s]!, slabs[s + 1]!, slabs[s + 2]!) || 1;
      for (let k = 0; k < 3; k++) slabs[s + k]! /= length;
      let [low, high] = [Infinity, -Infinity];
      for (let n = leaf * WIDTH; n < end; n++) {
        for (let c = 0; c < 3; c++) {
          const v = 3 * triangles[3 * order[n]! + c]!;
          const along = slabs[s]! * p[v]! + slabs[s + 1]! * p[v + 1]! + slabs[s + 2]! * p[v + 2]!;
          if (along < low) low = along;
          if (along > high) high = along;
        }
      }
      slabs[s + 3] = (low + high) / 2;
      slabs[s + 4] = (high - low) / 2;
    }
    return slabs;
  }

  /** Side by side as a leaf is walked: most triangles of it are dismissed before their corners are fetched. */
  private planesInOrder(): Float32Array {
    const { order, positions: p, triangles } = this;
    const planes = new Float32Array(PLANE * order.length);
    const normal = new Float64Array(3);
    for (let n = 0; n < order.length; n++) {
      normal.fill(0);
      addAreaVector(p, triangles, order[n]!, normal, 0);
      const length = Math.sqrt(normal[0]! ** 2 + normal[1]! ** 2 + normal[2]! ** 2);
      const t = 3 * order[n]!;
      const v = 3 * triangles[t]!;
      // A sliver's normal is rounding: no plane of it is trusted.
      if (length <= SLIVER_SHARE * longestSide2(p, triangles, t)) continue;
      let away = 0;
      for (let k = 0; k < 3; k++) {
        planes[PLANE * n + k] = normal[k]! / length;
        away += (normal[k]! / length) * p[v + k]!;
      }
      planes[PLANE * n + 3] = away;
    }
    return planes;
  }

  private boxNodes(below: number, level: number): void {
    const { boxes } = this;
    for (let b = below; b < level; b++) {
      const node = 6 * (level + Math.floor((b - below) / WIDTH));
      for (let k = 0; k < 3; k++) {
        if (boxes[6 * b + k]! < boxes[node + k]!) boxes[node + k] = boxes[6 * b + k]!;
        if (boxes[6 * b + 3 + k]! > boxes[node + 3 + k]!) boxes[node + 3 + k] = boxes[6 * b + 3 + k]!;
      }
    }
  }

  /** Level of a box. */
  levelOf(box: number): number {
    let level = this.levels.length - 1;
    while (this.levels[level]! > box) level--;
    return level;
  }

  /** Boxes (of the level below) or order places (of a leaf) under a box, as [first, end). */
  under(box: number, level: number): [number, number] {
    const n = box - this.levels[level]!;
    if (level === 0) return [n * WIDTH, Math.min(n * WIDTH + WIDTH, this.order.length)];
    const first = this.levels[level - 1]! + n * WIDTH;
    return [first, Math.min(first + WIDTH, this.levels[level]!)];
  }

  /**
   * Whether any of the surface is nearer than √within2: for those who need not know where. Those who ask the same of
   * neighbours say under which number of 0 … LIKELY − 1: what was near one of them is tried first.
   */
  isNearer(x: number, y: number, z: number, within2: number, alike = 0): boolean {
    const guess = this.likely[alike]!;
    if (guess !== NONE && this.isWithin(guess, x, y, z, within2 * NEAR_ENOUGH)) return true;
    const found = this.closest(x, y, z, within2, this.anywhere, true);
    if (found) this.likely[alike] = this.anywhere.triangle;
    return found;
  }

  private isWithin(triangle: number, x: number, y: number, z: number, within2: number): boolean {
    if (!(closestOnTriangle(this.positions, this.triangles, triangle, x, y, z) < within2)) return false;
    return !this.isBoundary || this.isBoundary(triangle, point[0]!, point[1]!, point[2]!);
  }

  /**
   * Nearest point of the surface, if it is nearer than √within2; `out` is left alone otherwise and false
   * comes back. Depth first, nearest child first. `any`: the first point so near will do.
   */
  closest(x: number, y: number, z: number, within2: number, out: Closest, any = false): boolean {
    const { stack, near, children, slabs, planes, planeSlackMm } = this;
    const leaves = this.levels[1] ?? 1;
    let best = within2;
    let found = false;
    let depth = 0;
    stack[0] = this.boxes.length / 6 - 1;
    near[0] = 0;
    while (depth >= 0) {
      const box = stack[depth]!;
      if (near[depth--]! >= best * NEAR_ENOUGH) continue;
      if (box >= leaves) {
        depth = this.pushChildren(children[box - leaves]!, children[box - leaves + 1]!, depth, best, x, y, z);
        continue;
      }
      const s = SLAB * box;
      const apart = Math.abs(slabs[s]! * x + slabs[s + 1]! * y + slabs[s + 2]! * z - slabs[s + 3]!) - slabs[s + 4]!;
      if (apart > 0 && apart * apart >= best * NEAR_ENOUGH) continue;
      const end = Math.min(box * WIDTH + WIDTH, this.order.length);
      for (let n = box * WIDTH; n < end; n++) {
        const q = PLANE * n;
        const off =
          Math.abs(planes[q]! * x + planes[q + 1]! * y + planes[q + 2]! * z - planes[q + 3]!) - planeSlackMm;
        if (off > 0 && off * off >= best) continue;
        const d = closestOnTriangle(this.positions, this.triangles, this.order[n]!, x, y, z);
        // Not a number for a face without extent: it has no nearest point.
        if (!(d < best)) continue;
        if (this.isBoundary && !this.isBoundary(this.order[n]!, point[0]!, point[1]!, point[2]!)) continue;
        best = d;
        found = true;
        out.distance2 = d;
        [out.x, out.y, out.z] = [point[0]!, point[1]!, point[2]!];
        out.triangle = this.order[n]!;
        if (any) return true;
      }
    }
    return found;
  }

  /** Calls `each` for every triangle in a leaf whose box comes within the radius. */
  eachNear(at: readonly number[], radiusMm: number, each: (triangle: number) => void): void {
    const { boxes, stack } = this;
    let depth = 0;
    stack[0] = boxes.length / 6 - 1;
    while (depth >= 0) {
      const box = stack[depth--]!;
      let apart2 = 0;
      for (let k = 0; k < 3; k++) {
        apart2 += Math.max(boxes[6 * box + k]! - at[k]!, 0, at[k]! - boxes[6 * box + 3 + k]!) ** 2;
      }
      if (apart2 > radiusMm * radiusMm) continue;
      const level = this.levelOf(box);
      const [first, end] = this.under(box, level);
      for (let n = first; n < end; n++) {
        if (level > 0) stack[++depth] = n;
        else each(this.order[n]!);
      }
    }
  }

  /** Children that can beat `best`, the nearest on top of the stack. */
  private pushChildren(
    first: number, end: number, depth: number, best: number, x: number, y: number, z: number,
  ): number {
    const { boxes, stack, near } = this;
    const floor = depth + 1;
    let top = depth;
    for (let b = first; b < end; b++) {
      const n = 6 * b;
      const dx = x < boxes[n]! ? boxes[n]! - x : x > boxes[n + 3]! ? x - boxes[n + 3]! : 0;
      const dy = y < boxes[n + 1]! ? boxes[n + 1]! - y : y > boxes[n + 4]! ? y - boxes[n + 4]! : 0;
      const dz = z < boxes[n + 2]! ? boxes[n + 2]! - z : z > boxes[n + 5]! ? z - boxes[n + 5]! : 0;
      const d = dx * dx + dy * dy + dz * dz;
      if (d >= best) continue;
      let at = ++top;
      for (; at > floor && near[at - 1]! < d; at--) {
        near[at] = near[at - 1]!;
        stack[at] = stack[at - 1]!;
      }
      near[at] = d;
      stack[at] = b;
    }
    return top;
  }
} // prettier-ignore
