import type { CellFrame } from './columnGrid';
import { BRICK_CELLS, bricksNearSolid, fillSolid, type Bricks } from './bricks';
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

/** Distances in the solid only. */
export function gridSolid(dexels: Dexels, frame: CellFrame): { bricks: Bricks; inside: Uint16Array } {
  const bricks = bricksNearSolid(dexels, frame, 0);
  const inside = new Uint16Array(bricks.place.length * BRICK_CELLS);
  fillSolid(bricks, dexels, inside, FAR);
  measureDistances(bricks, inside, 'zero');
  return { bricks, inside };
}

/** Distances in the solid and in the band of `bandCells` round it; the frame's margin must hold the band. */
export function gridBothSides(dexels: Dexels, bricks: Bricks, bandCells: number): SolidGrid {
  const inside = new Uint16Array(bricks.place.length * BRICK_CELLS);
  fillSolid(bricks, dexels, inside, FAR);
  const outside = inside.map((value) => FAR - value);
  measureDistances(bricks, inside, 'zero');
  measureDistances(bricks, outside, 'unknown');
  const band2 = bandCells * bandCells;
  for (let e = 0; e < outside.length; e++) if (outside[e]! > band2) outside[e] = FAR;
  return { bricks, inside, outside };
}
