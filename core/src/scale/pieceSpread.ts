import { cholesky, solveCholesky, tQuantile } from '../numeric';
import { MANY_DOF, type Estimate } from './calibrate';
import type { LearntSizes } from './learnSizes';
import { productOf, sizeAfter, slopesOf, type SizePath } from './sizePath';

/** A size of one piece, measured at a stage. */
export interface PieceReading {
  path: SizePath;
  measuredMm: number;
  group: string;
}

/** Between one lot or pour and the next a step wanders by this share of the book's spread (shop default). */
const WANDER = 0.5;

/**
 * A print that is in hand has the size that it measures: it may have been printed from another file, at another percent or
 * on a printer that is out by so much, share of the size. Wide, so that a reading of the print itself is believed.
 */
const OWN_PRINT = { key: 'this print', share: 0.1 } as const;

interface Unknown {
  key: string;
  sd: number;
}

/**
 * How far a piece's readings may lie from what is expected: its steps with their covariance (what is not known of them,
 * and how they wander from lot to lot; with `ownPrintMm`, one sd of what this print's size may be off by), how each reading moves with them (rows), H·C, and the covariance of the readings.
 */
export function spreadOfPiece(
  readings: readonly PieceReading[],
  printMm: number,
  learnt: LearntSizes,
  ownPrintMm = 0,
) {
  const steps: Unknown[] = [];
  const slopes = readings.map(({ path }) => slopesOf(path, printMm, learnt.shifts));
  for (const row of slopes)
    for (const { key, sd } of row) if (sd > 0 && !steps.some((s) => s.key === key)) steps.push({ key, sd });
  const covariance = steps.map((a, i) =>
    steps.map((b, j) => learnt.covariance(a.key, a.sd, b.key, b.sd) + (i === j ? (WANDER * a.sd) ** 2 : 0)),
  );
  const rows = slopes.map((row) =>
    steps.map(({ key }) => row.reduce((total, s) => total + (s.key === key ? s.slope : 0), 0)),
  );
  if (ownPrintMm > 0) {
    steps.push({ key: OWN_PRINT.key, sd: ownPrintMm });
    for (const column of covariance) column.push(0);
    covariance.push(steps.map((_, k) => (k === steps.length - 1 ? ownPrintMm ** 2 : 0)));
    rows.forEach((row, i) => row.push(productOf(readings[i]!.path, learnt.shifts)));
  }
  const noises = readings.map(({ group }) => learnt.noiseOf(group));
  const hc = rows.map((row) =>
    covariance.map((column) => row.reduce((total, h, k) => total + h * column[k]!, 0)),
  );
  const n = rows.length;
  const matrix = new Float64Array(n * n);
  for (let i = 0; i < n; i++)
    for (let j = 0; j < n; j++)
      matrix[i * n + j] =
        rows[j]!.reduce((total, h, k) => total + h * hc[i]![k]!, 0) + (i === j ? noises[i]! ** 2 : 0);
  return { steps, covariance, rows, noises, hc, matrix };
}

/**
 * The size that a piece will have after a path, with what was read of that very piece on the way: what was read stands,
 * and the steps that are left are added. Interval by the normal distribution. Needs a reading.
 */
export function foreseePiece(
  readings: readonly PieceReading[],
  end: Omit<PieceReading, 'measuredMm'>,
  printMm: number,
  learnt: LearntSizes,
): Estimate {
  const all = [...readings, { ...end, measuredMm: 1 }];
  const { matrix } = spreadOfPiece(all, printMm, learnt, OWN_PRINT.share * printMm);
  const n = all.length;
  const known = readings.length;
  const inner = new Float64Array(known * known);
  for (let i = 0; i < known; i++) for (let j = 0; j < known; j++) inner[i * known + j] = matrix[i * n + j]!;
  const cross = Array.from({ length: known }, (_, i) => matrix[i * n + known]!);
  const off = readings.map(({ path, measuredMm }) => measuredMm - sizeAfter(path, printMm, learnt.shifts));
  const solved = known > 0 ? solveCholesky(cholesky(inner, known), cross) : new Float64Array(0);
  const value =
    sizeAfter(end.path, printMm, learnt.shifts) + off.reduce((total, d, i) => total + d * solved[i]!, 0);
  const variance = matrix[n * n - 1]! - cross.reduce((total, c, i) => total + c * solved[i]!, 0);
  const se = Math.sqrt(Math.max(0, variance));
  const reach = tQuantile(0.975, MANY_DOF) * se;
  return { value, se, interval: [value - reach, value + reach] };
}
