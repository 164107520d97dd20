import { cholesky, requirePositive, solveCholesky } from '../numeric';
import { productOf, sizeAfter, sizeToPrint, type Shifts, type SizePath, type Surface } from './sizePath';

/** Shares along the axes of the print (x, y on the plate, z up); they sum to 1. */
export type AlongAxes = readonly [number, number, number];

/** A size that is wanted of the finished piece. */
export interface ScaleTarget {
  key: string;
  surface: Surface;
  /** As it is in the file, and as it is wanted. mm. */
  drawnMm: number;
  wantedMm: number;
  toleranceMm: number;
  /** Whether it must hold; the others follow. */
  holds: boolean;
  along: AlongAxes;
  path: SizePath;
}

export interface FittedTarget {
  key: string;
  /** Size to print that would finish it exactly. mm. */
  wantedPrintMm: number;
  printMm: number;
  finishedMm: number;
  /** Finished less wanted. mm. */
  missMm: number;
  /** Farthest from wanted in any direction: the miss, and how far it strays where axes are scaled apart. */
  farthestMm: number;
  within: boolean;
}

export interface ScaleChoice {
  /** Scale along the print's axes, percent. */
  percents: AlongAxes;
  targets: FittedTarget[];
  /** Largest miss of a size that must hold, in tolerances; 0 without any. */
  worst: number;
}

export interface BestScale {
  /** The percent that each size that must hold asks for, and its weight: how many tolerances it moves a percent, squared. */
  pulls: { key: string; percent: number; weight: number }[];
  /** One percent for all axes: the least sum of (miss/tolerance)², and inside the range where all hold, if there is one. */
  one: ScaleChoice;
  /** Percents between which every size that must hold does; null when no percent holds them all. */
  allHold: { lowest: number; highest: number } | null;
  /** Own percent along each axis; null when it brings little. */
  axes: ScaleChoice | null;
  /** Scale with every surface of the file moved outwards (negative: inwards), where scaling alone cannot hold all. */
  offset: { percent: number; surfaceMm: number; worst: number } | null;
}

/** X, Y and Z apart must bring the worst miss down to this share, or one percent is simpler. */
const AXES_SHARE = 0.7;
/** Pull of undetermined axes toward the steps' own scale: so weak that no determined one feels it. */
const LOOSE_SD = 0.2;

const dot = (a: AlongAxes, b: AlongAxes): number => a[0] * b[0] + a[1] * b[1] + a[2] * b[2];

/**
 * How far a size that lies over several axes strays when they are scaled apart, mm each way: a bore comes out oval, a
 * size of no told direction is met along one axis and missed along another. 0 with one percent for all.
 */
function straysMm({ along, drawnMm, path }: ScaleTarget, scales: AlongAxes, shifts: Shifts): number {
  const met = scales.filter((_, k) => along[k]! > 0);
  return (productOf(path, shifts) * drawnMm * (Math.max(...met) - Math.min(...met))) / 2;
}

function fit(targets: readonly ScaleTarget[], scales: AlongAxes, shifts: Shifts): ScaleChoice {
  const fitted = targets.map((target): FittedTarget => {
    const printMm = target.drawnMm * dot(target.along, scales);
    const finishedMm = sizeAfter(target.path, printMm, shifts);
    const missMm = finishedMm - target.wantedMm;
    const farthestMm = Math.abs(missMm) + straysMm(target, scales, shifts);
    return {
      key: target.key,
      wantedPrintMm: sizeToPrint(target.path, target.wantedMm, shifts),
      printMm,
      finishedMm,
      missMm,
      farthestMm,
      within: farthestMm <= target.toleranceMm * (1 + 1e-9),
    };
  });
  const misses = targets.flatMap((t, i) => (t.holds ? [fitted[i]!.farthestMm / t.toleranceMm] : []));
  return {
    percents: [100 * scales[0], 100 * scales[1], 100 * scales[2]],
    targets: fitted,
    worst: Math.max(0, ...misses),
  };
}

interface Row {
  target: ScaleTarget;
  /** Printed size that is wanted, and tolerances a mm of it. */
  printMm: number;
  weight: number;
}

/** Percents where every size holds: each allows its tolerance on either side. */
function rangeThatHolds(rows: readonly Row[]): { lowest: number; highest: number } | null {
  const ends = rows.map(({ target, printMm, weight }) => ({
    low: (100 * (printMm - 1 / weight)) / target.drawnMm,
    high: (100 * (printMm + 1 / weight)) / target.drawnMm,
  }));
  const lowest = Math.max(...ends.map((e) => e.low));
  const highest = Math.min(...ends.map((e) => e.high));
  return rows.length > 0 && lowest <= highest ? { lowest, highest } : null;
}

/** Weighted least squares over given columns, with a loose pull towards `base`. */
function leastSquares(
  rows: readonly Row[],
  columnsOf: (target: ScaleTarget) => readonly number[],
  base: readonly number[],
  sds: readonly number[],
): number[] {
  const n = base.length;
  const matrix = new Float64Array(n * n);
  const rhs = new Float64Array(n);
  sds.forEach((sd, i) => {
    matrix[i * n + i] = 1 / sd ** 2;
    rhs[i] = base[i]! / sd ** 2;
  });
  for (const { target, printMm, weight } of rows) {
    const columns = columnsOf(target);
    for (let i = 0; i < n; i++) {
      rhs[i]! += columns[i]! * printMm * weight ** 2;
      for (let j = 0; j < n; j++) matrix[i * n + j]! += columns[i]! * columns[j]! * weight ** 2;
    }
  }
  return [...solveCholesky(cholesky(matrix, n), rhs)];
}

function withOffset(rows: readonly Row[], base: number): BestScale['offset'] {
  if (rows.length < 2) return null;
  const sign = (t: ScaleTarget): number => (t.surface === 'outer' ? 2 : -2);
  const [scale, surfaceMm] = leastSquares(rows, (t) => [t.drawnMm, sign(t)], [base, 0], [LOOSE_SD, 1]) as [
    number,
    number,
  ];
  const misses = rows.map(
    ({ target, printMm, weight }) =>
      Math.abs(target.drawnMm * scale + sign(target) * surfaceMm - printMm) * weight,
  );
  return { percent: 100 * scale, surfaceMm, worst: Math.max(...misses) };
}

/**
 * Scale for all sizes of a part together (handbook 03): weighted by tolerance over those that must hold. `base` is the
 * percent along each axis that makes up for the steps alone; it stands where no size decides.
 */
export function bestScale(
  targets: readonly ScaleTarget[],
  base: AlongAxes,
  shifts: Shifts = () => 0,
): BestScale {
  for (const target of targets) {
    requirePositive('drawnMm', target.drawnMm);
    requirePositive('toleranceMm', target.toleranceMm);
  }
  const rows = targets
    .filter((target) => target.holds)
    .map((target): Row => ({
      target,
      printMm: sizeToPrint(target.path, target.wantedMm, shifts),
      weight: productOf(target.path, shifts) / target.toleranceMm,
    }));
  const scales = base.map((percent) => percent / 100) as unknown as AlongAxes;
  const whole = (scales[0] + scales[1] + scales[2]) / 3;
  if (rows.length === 0)
    return { pulls: [], one: fit(targets, scales, shifts), allHold: null, axes: null, offset: null };
  const allHold = rangeThatHolds(rows);
  const pulls = rows.map(({ target, printMm, weight }) => ({
    key: target.key,
    percent: (100 * printMm) / target.drawnMm,
    weight: ((weight * target.drawnMm) / 100) ** 2,
  }));
  const total = pulls.reduce((sum, { weight }) => sum + weight, 0);
  const free = pulls.reduce((sum, { percent, weight }) => sum + (weight / total) * percent, 0) / 100;
  const scale = allHold ? Math.min(allHold.highest / 100, Math.max(allHold.lowest / 100, free)) : free;
  const one = fit(targets, [scale, scale, scale], shifts);
  const own = leastSquares(rows, (t) => t.along.map((share) => share * t.drawnMm), scales, [
    LOOSE_SD,
    LOOSE_SD,
    LOOSE_SD,
  ]) as unknown as AlongAxes;
  const axes = fit(targets, own, shifts);
  const helps = one.worst > 1 && axes.worst < AXES_SHARE * one.worst;
  return {
    pulls,
    one,
    allHold,
    axes: helps ? axes : null,
    offset: one.worst > 1 ? withOffset(rows, whole) : null,
  };
}

/** A size measured between two points of the file: shares along the print's axes. `turn` is the print's rotation matrix. */
export function alongLine(direction: AlongAxes, turn: readonly number[]): AlongAxes {
  return squares(turned(direction, turn));
}

/** A round hole about an axis: every direction across it counts alike. */
export function acrossAxisShares(axis: AlongAxes, turn: readonly number[]): AlongAxes {
  const [x, y, z] = squares(turned(axis, turn));
  return [(1 - x) / 2, (1 - y) / 2, (1 - z) / 2];
}

const turned = (v: AlongAxes, m: readonly number[]): AlongAxes => [
  m[0]! * v[0] + m[1]! * v[1] + m[2]! * v[2],
  m[3]! * v[0] + m[4]! * v[1] + m[5]! * v[2],
  m[6]! * v[0] + m[7]! * v[1] + m[8]! * v[2],
]; // prettier-ignore

function squares(v: AlongAxes): AlongAxes {
  const length2 = requirePositive('direction', dot(v, v));
  return [v[0] ** 2 / length2, v[1] ** 2 / length2, v[2] ** 2 / length2];
}

/** Flat on the plate, where nothing else is known. */
export const FLAT_ON_PLATE: AlongAxes = [0.5, 0.5, 0];
