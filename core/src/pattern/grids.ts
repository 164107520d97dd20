import type { Bounds } from '../mesh';
import { sizeOf } from '../mesh';
import type { Step } from './steps';

/** How finely a part is read. mm. */
export interface Resolution {
  /** Thin places. */
  fineMm: number;
  /** Everything else: twice the fine cell. */
  midMm: number;
  /** Ways through and into the part, looked for over its whole box. */
  coarseMm: number;
}

/** Cell for thin places (handbook 01, "Speed"). */
const FINE_MM = 0.05;
/** A part is read with at least this many fine cells across its largest side. */
const ACROSS_MIN = 100;
/** Gaps wider than this are open: nothing that the trade puts into a gap is wider. mm. */
export const GAP_MAX_MM = 3.2;
/** How far round the part gaps are looked for at most, mid cells: a tiny part's cells are tiny, its neighbourhood is not. */
export const BAND_CELLS_MAX = 24;
/** Largest numbers of cells of the mid grid's box and solid, and of the coarse grid's box. */
const MID_BOX_MAX = 40e6;
const MID_SOLID_MAX = 4e6;
const COARSE_BOX_MAX = 0.8e6;

/** Cells that the machine can hold: 0.05 mm for a ring, coarser for a large part, finer for a tiny one. */
export function chooseResolution(bounds: Bounds, volumeMm3: number): Resolution {
  const size = sizeOf(bounds);
  const box = size.reduce((product, side) => product * Math.max(side, FINE_MM), 1);
  const midMm = Math.max(
    2 * Math.min(FINE_MM, Math.max(...size) / ACROSS_MIN),
    Math.cbrt(box / MID_BOX_MAX),
    Math.cbrt(volumeMm3 / MID_SOLID_MAX),
  );
  return { fineMm: midMm / 2, midMm, coarseMm: Math.max(midMm, Math.cbrt(box / COARSE_BOX_MAX)) };
}

export type Report = (step: Step, share: number) => void;
