import {
  BRICK_CELLS,
  CLIMB_OPPOSED,
  bricksNearSolid,
  bricksRound,
  cellAt,
  cellOf,
  entryOf,
  FAR,
  fillRims,
  fillSolid,
  filterBalls,
  frameRound,
  joinBalls,
  largestFirst,
  measureDistances,
  paintBalls,
  RIDGE_SPACING,
  ridgeCells,
  sizeHistogram,
  staysWithin,
  thinRidge,
  type Balls,
  type Bricks,
  type Dexels,
} from '../solid';
import type { Bounds } from '../mesh';
import type { Resolution } from './grids';
import type { FieldGrid, PartSolid } from './partSolid';
import type { BallTask } from './tasks';
import type { Reading } from './want';
import { groupSpots, sparseSpots, spotOf, type Spot } from './spots';

/** Volume bins of a thickness histogram. */
export const BIN_MM = 0.05;
export const BINS = 240;
/** Kept for later limits: the thinnest and the thickest spots. */
const THIN_SPOTS_MAX = 3000;
const THICK_SPOTS_MAX = 400;
/** Only spots thicker than this can ever be a thick mass. mm. */
const THICK_FROM_MM = 2.5;
/** Walls thinner than this many mid cells are read again on the fine grid. */
const FINE_BELOW_CELLS = 8;
/** The same reach on the fine grid and a cell, squared. */
const FINE_REACH2 = (FINE_BELOW_CELLS + 1) ** 2;

export interface ThicknessReading {
  sizes: Uint16Array;
  histogramMm3: number[];
  /** Largest balls that face two sides, thinnest first. */
  thin: Spot[];
  thick: Spot[];
  thinnestMm: number | null;
  thickestMm: number;
}

/** Asks for balls at cells of a grid; they come largest first. */
function* ballsAt(
  grid: BallTask['grid'],
  entries: Uint32Array,
  thinMm: number,
  tell: (share: number) => void,
): Reading<Balls> {
  // Thin bars are looked at closely.
  const task: BallTask = { kind: 'balls', grid, entries, settleBelowMm: thinMm / 2 };
  return largestFirst((yield { kind: 'balls', task, tell }) as Balls);
}

/**
 * Local thickness of the solid: ridge balls of the mid grid, those of thin places from the fine grid, all made
 * exact on the surface, painted largest first (handbook 01, "Thickness"). Small balls in corners are left out, so that
 * an edge is as thick as the body it belongs to. `tell` hears how far it is.
 */
export function* readThickness(
  { bricks, inside, fine: dexels, bounds, resolution }: PartSolid,
  tell: (share: number) => void = () => {},
): Reading<ThicknessReading> {
  const ridge = thinRidge(bricks, inside, ridgeCells(bricks, inside, FAR), RIDGE_SPACING.wide);
  const thinMm = FINE_BELOW_CELLS * resolution.midMm;
  const between =
    (from: number, to: number) =>
    (share: number): void =>
      tell(from + (to - from) * share);
  // What is thin wherever its balls are is read on the fine grid, whatever they would tell here.
  const isSure = (entry: number): boolean => staysWithin(bricks, inside, entry, SURELY_THIN2);
  const [largest, thin] = parted(ridge.largest, isSure);
  const [narrow, thinNecks] = parted(ridge.necks, isSure);
  const mid = yield* ballsAt('mid', largest, thinMm, between(0, 0.3));
  const necks = opposedOnly(yield* ballsAt('mid', narrow, thinMm, between(0.3, 0.4)));
  const read = { bricks, inside, balls: joinBalls(mid, necks), sure: [...thin, ...thinNecks], thinMm };
  const fine = fineGrid({ dexels, bounds }, resolution, read);
  yield { kind: 'grids', grids: { fine } };
  // Bricks reach one brick beyond what is thin: distances up to a brick's edge are right.
  const fineRidge = thinRidge(
    fine.bricks,
    fine.field,
    ridgeCells(fine.bricks, fine.field, FINE_REACH2, CLIMB_OPPOSED),
  );
  const found = joinBalls(
    yield* ballsAt('fine', fineRidge.largest, thinMm, between(0.4, 0.85)),
    yield* ballsAt('fine', fineRidge.necks, thinMm, between(0.85, 1)),
  );
  const small = filterBalls(opposedOnly(found), (n, { radiusMm }) => 2 * radiusMm[n]! <= thinMm);
  const balls = joinBalls(
    filterBalls(mid, (n) => 2 * mid.radiusMm[n]! > 0.9 * thinMm),
    small,
  );
  const sizes = paintBalls(bricks, balls);
  fillRims(bricks, inside, sizes);
  return { sizes, ...spotsOf(balls, resolution), histogramMm3: histogramOf(bricks, inside, sizes) };
}

const histogramOf = (bricks: Bricks, inside: Uint16Array, sizes: Uint16Array): number[] =>
  [...sizeHistogram(bricks, inside, sizes, BIN_MM, BINS)].map((v) => Math.round(v * 1e4) / 1e4);

function spotsOf(balls: Balls, resolution: Resolution): Omit<ThicknessReading, 'sizes' | 'histogramMm3'> {
  const opposed = function* (): Generator<Spot> {
    for (let n = balls.count - 1; n >= 0; n--) if (balls.opposed[n]) yield spotOf(balls, n);
  };
  const thin = sparseSpots(opposed(), resolution.fineMm, THIN_SPOTS_MAX);
  const thick: Spot[] = [];
  for (let n = 0; n < balls.count && thick.length < THICK_SPOTS_MAX; n++) {
    if (2 * balls.radiusMm[n]! >= THICK_FROM_MM) thick.push(spotOf(balls, n));
  }
  return {
    thin,
    thick,
    thinnestMm: groupSpots(thin, resolution.fineMm, () => true)[0]?.leastMm ?? null,
    thickestMm: balls.count > 0 ? Math.round(2000 * balls.radiusMm[0]!) / 1e3 : 0,
  };
}

interface MidReading {
  bricks: Bricks;
  inside: Uint16Array;
  balls: Balls;
  /** Cells whose ball was not made: the grid tells that it is thin. */
  sure: readonly number[];
  thinMm: number;
}

/** Distances on the fine grid: only where the mid grid reads thin, or sees no solid at all. */
function fineGrid(
  { dexels, bounds }: { dexels: Dexels; bounds: Bounds },
  { fineMm }: Resolution,
  mid: MidReading,
): FieldGrid {
  const all = bricksNearSolid(dexels, frameRound(bounds, fineMm, 1), 0);
  const thin = thinBricks(all, mid);
  const bricks = bricksRound(all, (brick) => thin[brick] === 1 || isUnseen(all, brick, mid));
  const field = new Uint16Array(bricks.place.length * BRICK_CELLS);
  fillSolid(bricks, dexels, field, FAR);
  measureDistances(bricks, field, 'unknown', FINE_REACH2);
  return { bricks, field };
}

/** Those that a test does not hold for, and those that it does. */
function parted(entries: Uint32Array, test: (entry: number) => boolean): [Uint32Array, Uint32Array] {
  const holds = entries.map((entry) => Number(test(entry)));
  return [entries.filter((_, n) => holds[n] === 0), entries.filter((_, n) => holds[n] === 1)];
}

const opposedOnly = (balls: Balls): Balls => filterBalls(balls, (n) => balls.opposed[n] === 1);

const cell = new Int32Array(3);

/** Distances of cells' middles are off the true ones by this much at most. */
const OFF_CELLS = 0.9;
const SURELY_THIN2 = (FINE_BELOW_CELLS / 2 - OFF_CELLS) ** 2;

/** 1 for each fine brick that holds the middle of a thin ball, or of one that the surface did not confirm. */
function thinBricks(fine: Bricks, { bricks, balls, sure, thinMm }: MidReading): Uint8Array {
  const marked = new Uint8Array(fine.place.length);
  const { cellMm, originMm } = bricks.frame;
  const mark = (x: number, y: number, z: number): void => {
    cellAt(fine.frame, x, y, z, cell);
    const entry = entryOf(fine, cell[0]!, cell[1]!, cell[2]!);
    if (entry >= 0) marked[Math.floor(entry / BRICK_CELLS)] = 1;
  };
  for (const entry of sure) {
    cellOf(bricks, entry, cell);
    mark(originMm[0] + cellMm * cell[0]!, originMm[1] + cellMm * cell[1]!, originMm[2] + cellMm * cell[2]!);
  }
  for (let n = 0; n < balls.count; n++) {
    if (2 * balls.radiusMm[n]! > thinMm || (balls.exact[n] && !balls.opposed[n])) continue;
    mark(balls.x[n]!, balls.y[n]!, balls.z[n]!);
  }
  return marked;
}

/** Whether the mid grid has no solid in the 4 × 4 × 4 cells that a fine brick with solid covers. */
function isUnseen(fine: Bricks, brick: number, { bricks, inside }: MidReading): boolean {
  cellOf(fine, brick * BRICK_CELLS, cell);
  const ratio = fine.frame.cellMm / bricks.frame.cellMm;
  const from = [0, 1, 2].map((k) =>
    Math.round(
      (fine.frame.originMm[k]! - bricks.frame.originMm[k]!) / bricks.frame.cellMm + cell[k]! * ratio,
    ),
  ) as [number, number, number];
  for (let n = 0; n < 64; n++) {
    const e = entryOf(bricks, from[0] + (n & 3), from[1] + ((n >> 2) & 3), from[2] + (n >> 4));
    if (e >= 0 && inside[e] !== 0) return false;
  }
  return true;
}
