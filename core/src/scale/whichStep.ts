import { cholesky, seededRandom, solveCholesky } from '../numeric';
import { learnSizes, type LearntSizes } from './learnSizes';
import { spreadOfPiece, type PieceReading } from './pieceSpread';
import { sizeAfter } from './sizePath';

/** What one step did to the last size measured, beyond what was expected of it. */
export interface StepShare {
  /** Key of the step; null for what no step explains: the reading, the piece. */
  key: string | null;
  mm: number;
  /** Chance that it is the largest part of what is off. */
  chance: number;
}

/** One plain mistake that would have made such a size. */
export interface Mistake {
  key: 'not scaled' | 'scaled twice';
  expectedMm: number;
  chance: number;
}

export interface WhichStep {
  expectedMm: number;
  /** Measured less expected. */
  offMm: number;
  /** Standard deviation of such a piece, before this one was measured. mm. */
  sdMm: number;
  /** Likeliest first. */
  shares: StepShare[];
  mistakes: Mistake[];
  /** Chance that it is none of these steps, and no such mistake. */
  beyond: number;
}

/** How often a size is off by such a mistake, before anything is measured. */
const MISTAKE_CHANCE = 0.02;
/** What is none of these steps is this much farther off than they go. */
const BEYOND = 3;
const DRAWS = 4000;

/** −2·ln of a normal density at the deviations, up to a constant that all hypotheses share. */
function misfit(lower: Float64Array, off: readonly number[]): number {
  const solved = solveCholesky(lower, off);
  return off.reduce((total, d, i) => total + d * solved[i]!, 0);
}

/**
 * Which step most likely made a piece come out as it did: each wanders about what is believed of it, by what is not
 * known yet and by half the book's spread from one lot to the next; given the readings of the piece, the share of each
 * and the chance that it is the largest. Beside them the plain mistakes. Linear in the small changes; the chances by
 * 4,000 seeded draws. `drawnMm` is the size in the unscaled file.
 */
export function whichStep(
  readings: readonly PieceReading[],
  printMm: number,
  drawnMm: number,
  learnt: LearntSizes = learnSizes([]),
): WhichStep {
  const last = readings[readings.length - 1]!;
  const { steps, covariance, rows, hc, matrix, noises } = spreadOfPiece(readings, printMm, learnt);
  const n = readings.length;
  const lower = cholesky(matrix, n);
  const offFrom = (print: number): number[] =>
    readings.map(({ path, measuredMm }) => measuredMm - sizeAfter(path, print, learnt.shifts));
  const off = offFrom(printMm);
  const effect = rows[n - 1]!;
  const solved = solveCholesky(lower, off);
  const shares = steps.map(
    (_, k) => effect[k]! * hc.reduce((total, row, i) => total + row[k]! * solved[i]!, 0),
  );
  const noiseShare = noises[n - 1]! ** 2 * solved[n - 1]!;
  const chances = drawLargest({
    shares,
    effect,
    hc,
    covariance,
    lower,
    noises,
    noiseShare,
    offMm: off[n - 1]!,
  });
  const all = [
    ...steps.map(({ key }, k): StepShare => ({ key, mm: shares[k]!, chance: chances[k]! })),
    { key: null, mm: noiseShare, chance: chances[steps.length]! },
  ];
  return {
    expectedMm: sizeAfter(last.path, printMm, learnt.shifts),
    offMm: off[n - 1]!,
    sdMm: Math.sqrt(matrix[n * n - 1]!),
    shares: all.sort((a, b) => b.chance - a.chance),
    ...chancesOf({
      printMm,
      drawnMm,
      readings: n,
      misfitOf: (print) => misfit(lower, offFrom(print)),
      expectedOf: (print) => sizeAfter(last.path, print, learnt.shifts),
    }),
  };
}

interface Drawing {
  shares: readonly number[];
  effect: readonly number[];
  hc: readonly number[][];
  covariance: readonly number[][];
  lower: Float64Array;
  noises: readonly number[];
  noiseShare: number;
  offMm: number;
}

/** Chance of each share (the reading's last) to be the largest, on the side of what is off. */
function drawLargest({
  shares,
  effect,
  hc,
  covariance,
  lower,
  noises,
  noiseShare,
  offMm,
}: Drawing): number[] {
  const n = noises.length;
  const p = shares.length;
  // Covariance of steps and of the last reading's own error, given the readings: C − (HC)ᵀ·V⁻¹·HC.
  const cross = (k: number): number[] =>
    k < p ? hc.map((row) => row[k]!) : noises.map((noise, i) => (i === n - 1 ? noise ** 2 : 0));
  const crossed = Array.from({ length: p + 1 }, (_, k) => cross(k));
  const solved = crossed.map((column) => solveCholesky(lower, column));
  const before = (i: number, j: number): number =>
    i < p && j < p ? covariance[i]![j]! : i === p && j === p ? noises[n - 1]! ** 2 : 0;
  const given = new Float64Array((p + 1) ** 2);
  for (let i = 0; i <= p; i++)
    for (let j = 0; j <= p; j++) {
      const explained = crossed[i]!.reduce((total, c, r) => total + c * solved[j]![r]!, 0);
      given[i * (p + 1) + j] = before(i, j) - explained + (i === j ? 1e-10 : 0);
    }
  const factor = cholesky(given, p + 1);
  const effects = [...effect, 1];
  const means = [...shares, noiseShare];
  const side = offMm >= 0 ? 1 : -1;
  const { normal } = seededRandom(1);
  const wins = new Array<number>(p + 1).fill(0);
  for (let draw = 0; draw < DRAWS; draw++) {
    const z = Array.from({ length: p + 1 }, normal);
    let largest = 0;
    let most = -Infinity;
    for (let i = 0; i <= p; i++) {
      let wander = 0;
      for (let k = 0; k <= i; k++) wander += factor[i * (p + 1) + k]! * z[k]!;
      const share = side * (means[i]! + effects[i]! * wander);
      if (share > most) [most, largest] = [share, i];
    }
    wins[largest]!++;
  }
  return wins.map((won) => won / DRAWS);
}

interface Hypotheses {
  printMm: number;
  drawnMm: number;
  readings: number;
  misfitOf: (printMm: number) => number;
  expectedOf: (printMm: number) => number;
}

/** Chances of the plain mistakes, and of something that is none of these steps: as far off as three times what they do. */
function chancesOf({ printMm, drawnMm, readings, misfitOf, expectedOf }: Hypotheses) {
  const prints = [
    { key: 'not scaled' as const, print: drawnMm },
    { key: 'scaled twice' as const, print: printMm ** 2 / drawnMm },
  ];
  const usual = misfitOf(printMm);
  const beyond = usual / BEYOND ** 2 + 2 * readings * Math.log(BEYOND);
  const least = Math.min(usual, beyond, ...prints.map(({ print }) => misfitOf(print)));
  const odds = (fit: number, chance: number): number => chance * Math.exp(-(fit - least) / 2);
  const rest = 1 - (prints.length + 1) * MISTAKE_CHANCE;
  const total =
    odds(usual, rest) +
    odds(beyond, MISTAKE_CHANCE) +
    prints.reduce((t, { print }) => t + odds(misfitOf(print), MISTAKE_CHANCE), 0);
  return {
    beyond: odds(beyond, MISTAKE_CHANCE) / total,
    mistakes: prints.map(({ key, print }): Mistake => ({
      key,
      expectedMm: expectedOf(print),
      chance: odds(misfitOf(print), MISTAKE_CHANCE) / total,
    })),
  };
}
