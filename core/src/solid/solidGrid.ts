import { BRICK_CELLS, fillSolid, type Bricks } from './bricks';
import type { Dexels } from './dexels';
import { FAR, measureDistances } from './distance';

/** Distances in the solid to the nearest empty cell: squared, in cells; 0 in empty cells. O(cells). */
export function distancesInside(dexels: Dexels, bricks: Bricks): Uint16Array {
  const field = new Uint16Array(bricks.place.length * BRICK_CELLS);
  fillSolid(bricks, dexels, field, FAR);
  measureDistances(bricks, field, 'zero');
  return field;
}

/**
 * Distances round the solid to its nearest cell, in the band of `bandCells`, which the frame's margin must hold: squared,
 * in cells; 0 in solid cells, FAR where further than the band. O(cells).
 */
export function distancesOutside(dexels: Dexels, bricks: Bricks, bandCells: number): Uint16Array {
  const field = new Uint16Array(bricks.place.length * BRICK_CELLS).fill(FAR);
  fillSolid(bricks, dexels, field, 0);
  measureDistances(bricks, field, 'unknown', bandCells * bandCells);
  return field;
}
