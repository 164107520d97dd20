import {
  cellAt,
  entryOf,
  isSolid,
  measureDepths,
  openCells,
  paintBalls,
  refineBalls,
  ridgeCells,
  thinRidge,
} from '../solid';
import { GAP_MAX_MM } from './grids';
import type { PartSolid } from './partSolid';
import { spotOf, type Spot } from './spots';

const SPOTS_MAX = 3000;

export interface GapReading {
  /** µm, 0 where open. */
  sizes: Uint16Array;
  /** Opposed gaps, narrowest first. */
  gaps: Spot[];
}

/** Local gap width outside the part up to GAP_MAX_MM, with the way out of each (handbook 01, "Thickness"). */
export function readGaps({ bricks, outside, bandCells, mid, tree }: PartSolid): GapReading {
  const { cellMm } = bricks.frame;
  const reachCells = Math.min(bandCells, GAP_MAX_MM / 2 / cellMm);
  const open = openCells(bricks, outside, reachCells);
  // Balls in the open are not wanted: they would be most of them.
  const narrow = outside.map((value, e) => (open[e] === 0 ? 0 : value));
  const cells = ridgeCells(bricks, outside, Math.floor(reachCells * reachCells)).filter(
    (e) => narrow[e] !== 0,
  );
  const balls = refineBalls(bricks, outside, thinRidge(bricks, outside, cells).largest, tree, {
    sameSide: (x, y, z) => !isSolid(mid, x, y, z),
  });
  const sizes = paintBalls(bricks, balls);
  const depths = measureDepths(bricks, outside, open);
  const gaps: Spot[] = [];
  const cell = new Int32Array(3);
  for (let n = balls.count - 1; n >= 0 && gaps.length < SPOTS_MAX; n--) {
    if (!balls.opposed[n]) continue;
    cellAt(bricks.frame, balls.x[n]!, balls.y[n]!, balls.z[n]!, cell);
    const e = entryOf(bricks, cell[0]!, cell[1]!, cell[2]!);
    const depthMm = e < 0 ? 0 : Math.round(depths[e]! * cellMm * 100) / 1000;
    gaps.push({ ...spotOf(balls, n), depthMm });
  }
  return { sizes, gaps };
}
