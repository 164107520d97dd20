import { BRICK_CELLS, cellOf, type Bricks } from './bricks';
import type { CellFrame } from './columnGrid';

/**
 * A field over every cell of a frame: values[(z·ny + y)·nx + x]. For small grids only, where walks over
 * neighbours matter more than memory.
 */
export interface DenseField {
  frame: CellFrame;
  values: Uint16Array;
}

/** Copies a field over bricks (0 where no brick stands). */
export function denseField(bricks: Bricks, field: Uint16Array): DenseField {
  const { nx, ny, nz } = bricks.frame;
  const values = new Uint16Array(nx * ny * nz);
  const first = new Int32Array(3);
  for (let brick = 0; brick < bricks.place.length; brick++) {
    cellOf(bricks, brick * BRICK_CELLS, first);
    const xEnd = Math.min(8, nx - first[0]!);
    for (let z = 0; z < 8 && first[2]! + z < nz; z++) {
      for (let y = 0; y < 8 && first[1]! + y < ny; y++) {
        const from = brick * BRICK_CELLS + z * 64 + y * 8;
        const to = ((first[2]! + z) * ny + first[1]! + y) * nx + first[0]!;
        for (let x = 0; x < xEnd; x++) values[to + x] = field[from + x]!;
      }
    }
  }
  return { frame: bricks.frame, values };
}

/** Marks the cells on the frame's six sides with 1. */
export function frameSides({ nx, ny, nz }: CellFrame): Uint8Array {
  const sides = new Uint8Array(nx * ny * nz);
  for (let z = 0, at = 0; z < nz; z++) {
    for (let y = 0; y < ny; y++) {
      const edge = z === 0 || y === 0 || z === nz - 1 || y === ny - 1;
      for (let x = 0; x < nx; x++, at++) if (edge || x === 0 || x === nx - 1) sides[at] = 1;
    }
  }
  return sides;
}
