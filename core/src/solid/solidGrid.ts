import { BRICK_CELLS, fillSolid, type Bricks } from './bricks';
import type { Dexels } from './dexels';
import { FAR, measureDistances } from './distance';

/** A part on a grid with its distances: `inside` to the nearest empty cell, `outside` to the nearest solid one. */
export interface SolidGrid {
  bricks: Bricks;
  /** Squared, in cells; 0 in empty cells. */
  inside: Uint16Array;
  /** Squared, in cells; 0 in solid cells, FAR where further than the band. */
  outside: Uint16Array;
}

/** Distances in the solid and in the band of `bandCells` round it; the frame's margin must hold the band. */
export function gridBothSides(dexels: Dexels, bricks: Bricks, bandCells: number): SolidGrid {
  const inside = new Uint16Array(bricks.place.length * BRICK_CELLS);
  fillSolid(bricks, dexels, inside, FAR);
  const outside = inside.map((value) => FAR - value);
  measureDistances(bricks, inside, 'zero');
  measureDistances(bricks, outside, 'unknown', bandCells * bandCells);
  return { bricks, inside, outside };
}
