import type { Dexels } from '../solid';

/**
 * A part cut into layers of pixels. Row r of layer n is row n·rows + r; its solid stretches are pixels
 * spans[2·s] … spans[2·s + 1] (both in) for s in starts[row] … starts[row + 1] − 1.
 */
export interface LayerStack {
  layers: number;
  rows: number;
  columns: number;
  starts: Uint32Array;
  spans: Int32Array;
  pixelMm: number;
  layerMm: number;
  /** Centre of pixel 0 of row 0, and the lower face of layer 0. */
  x0Mm: number;
  y0Mm: number;
  z0Mm: number;
}

/** Rounds the solid runs of rays along x (u = y rows, v = z layers) to pixels. O(runs). */
export function stackLayers(dexels: Dexels, x0Mm: number, columns: number, layerMm: number): LayerStack {
  const { grid } = dexels;
  const pixelMm = grid.du;
  const starts = new Uint32Array(dexels.starts.length);
  const spans = new Int32Array(dexels.ends.length);
  let used = 0;
  for (let row = 0; row + 1 < dexels.starts.length; row++) {
    for (let r = dexels.starts[row]!; r < dexels.starts[row + 1]!; r++) {
      const from = Math.max(0, Math.ceil((dexels.ends[2 * r]! - x0Mm) / pixelMm));
      const to = Math.min(columns - 1, Math.ceil((dexels.ends[2 * r + 1]! - x0Mm) / pixelMm) - 1);
      if (to < from) continue;
      // Two bodies that touch within a pixel are one stretch.
      if (used > 2 * starts[row]! && from <= spans[used - 1]! + 1)
        spans[used - 1] = Math.max(to, spans[used - 1]!);
      else {
        spans[used++] = from;
        spans[used++] = to;
      }
    }
    starts[row + 1] = used / 2;
  }
  return {
    layers: grid.nv,
    rows: grid.nu,
    columns,
    starts,
    spans: spans.slice(0, used),
    pixelMm,
    layerMm,
    x0Mm,
    y0Mm: grid.u0,
    z0Mm: grid.v0 - layerMm / 2,
  };
}

/** One layer as pixels: 1 where the light cures, row by row. */
export function layerBitmap({ rows, columns, starts, spans }: LayerStack, layer: number): Uint8Array {
  const bitmap = new Uint8Array(rows * columns);
  for (let r = 0; r < rows; r++) {
    const row = layer * rows + r;
    for (let s = starts[row]!; s < starts[row + 1]!; s++) {
      bitmap.fill(1, r * columns + spans[2 * s]!, r * columns + spans[2 * s + 1]! + 1);
    }
  }
  return bitmap;
}

/** Pixels that stretches of two rows have in common when the second is shifted by `shift`. */
export function commonPixels(stack: LayerStack, rowA: number, rowB: number, shift: number): number {
  const { starts, spans } = stack;
  let common = 0;
  let b = starts[rowB]!;
  const endB = starts[rowB + 1]!;
  for (let a = starts[rowA]!; a < starts[rowA + 1]!; a++) {
    while (b < endB && spans[2 * b + 1]! + shift < spans[2 * a]!) b++;
    for (let n = b; n < endB && spans[2 * n]! + shift <= spans[2 * a + 1]!; n++) {
      common +=
        Math.min(spans[2 * a + 1]!, spans[2 * n + 1]! + shift) -
        Math.max(spans[2 * a]!, spans[2 * n]! + shift) +
        1;
    }
  }
  return common;
}

const lengthOf = ({ starts, spans }: LayerStack, row: number): number => {
  let length = 0;
  for (let s = starts[row]!; s < starts[row + 1]!; s++) length += spans[2 * s + 1]! - spans[2 * s]! + 1;
  return length;
};

/**
 * Length of a layer's outline by counting how often lines in four directions cross it (Cauchy–Crofton):
 * within 1 % for round outlines, 5 % low for squares along the pixels. mm.
 */
export function layerPerimeter(stack: LayerStack, layer: number): number {
  const { rows, starts, pixelMm } = stack;
  let across = 0;
  let down = 0;
  let diagonal = 0;
  const base = layer * rows;
  let before = 0;
  for (let r = 0; r <= rows; r++) {
    const length = r < rows ? lengthOf(stack, base + r) : 0;
    if (r < rows) across += 2 * (starts[base + r + 1]! - starts[base + r]!);
    const both = r > 0 && r < rows && length > 0 && before > 0;
    const common = (shift: number): number => (both ? commonPixels(stack, base + r - 1, base + r, shift) : 0);
    down += length + before - 2 * common(0);
    diagonal += 2 * (length + before) - 2 * common(1) - 2 * common(-1);
    before = length;
  }
  return (Math.PI / 8) * pixelMm * (across + down + diagonal / Math.SQRT2);
}
