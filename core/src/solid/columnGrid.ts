import type { Bounds } from '../mesh';

/**
 * Parallel rays on a regular grid. Rays run along axis w; column (i, j) stands at
 * u = u0 + i·du, v = v0 + j·dv and has the number j·nu + i. (u, v, w) is an even permutation of (x, y, z).
 */
export interface ColumnGrid {
  axes: readonly [u: number, v: number, w: number];
  u0: number;
  v0: number;
  du: number;
  dv: number;
  nu: number;
  nv: number;
}

/** A box of cubic cells; cell (i, j, k) has its centre at origin + cellMm·(i, j, k). */
export interface CellFrame {
  cellMm: number;
  originMm: readonly [number, number, number];
  nx: number;
  ny: number;
  nz: number;
}

/**
 * Grid lines are set off by these shares of a cell from the part's own box: parts are drawn in round numbers and
 * with mirror planes, and a ray through an edge or a vertex would have to be decided by rule. Irrational and
 * unlike each other, so that neither round sizes nor diagonals meet them.
 */
const OFFSETS = [Math.SQRT2 - 1, Math.sqrt(3) - 1, (Math.sqrt(5) - 1) / 2] as const;

/** A frame of cells round the bounds with `margin` empty cells on every side. */
export function frameRound({ min, max }: Bounds, cellMm: number, margin: number): CellFrame {
  const count = (k: 0 | 1 | 2): number => Math.ceil((max[k] - min[k]) / cellMm + 1) + 2 * margin;
  const start = (k: 0 | 1 | 2): number => min[k] - (margin + OFFSETS[k]) * cellMm;
  return { cellMm, originMm: [start(0), start(1), start(2)], nx: count(0), ny: count(1), nz: count(2) };
}

/** The columns of a frame, along z. */
export function columnsOf({ cellMm, originMm, nx, ny }: CellFrame): ColumnGrid {
  return { axes: [0, 1, 2], u0: originMm[0], v0: originMm[1], du: cellMm, dv: cellMm, nu: nx, nv: ny };
}
