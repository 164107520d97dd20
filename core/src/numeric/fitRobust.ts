import { InputError } from './inputError';
import { invertSymmetric } from './symmetric';

/** A reading y that should be Σ x·coefficient, and how far off it usually is. */
export interface RobustReading {
  x: readonly number[];
  y: number;
  sd: number;
}

/** What is believed of each coefficient before any reading. */
export interface RobustPrior {
  value: number;
  sd: number;
}

export interface RobustFit {
  values: number[];
  /** One standard deviation of what is believed of each. */
  sds: number[];
  /** Readings that lie too far off to be believed at full weight, by their number in the list. */
  doubted: number[];
}

/** From so many standard deviations on, a reading counts less the further off it is (Huber). */
const FAR = 1.5;
/** Below this weight a reading is said to be doubted. */
const DOUBTED = 0.5;
const ROUNDS = 100;

/**
 * Least squares begun from what was believed before and not led astray by single wild readings (Huber's weights,
 * repeated until they stand). With readings near the model and wide priors it is plain least squares. Throws
 * InputError on a spread of nothing. O(rounds · readings · coefficients²).
 */
export function fitRobust(readings: readonly RobustReading[], priors: readonly RobustPrior[]): RobustFit {
  if (priors.some(({ sd }) => !(sd > 0))) throw new InputError('priors', 'spreads above 0', 0);
  const wrong = readings.find(({ x, y, sd }) => !(sd > 0) || ![...x, y].every(Number.isFinite));
  if (wrong) throw new InputError('readings', 'numbers with a spread above 0', wrong.y);
  let values = priors.map(({ value }) => value);
  let covariance: ArrayLike<number> = [];
  const n = priors.length;
  let weights = readings.map(() => 1);
  for (let round = 0; round < ROUNDS; round++) {
    ({ values, covariance } = weightedFit(readings, weights, priors));
    const next = readings.map((reading) => weightOf(reading, values));
    const still = next.every((weight, i) => Math.abs(weight - weights[i]!) < 1e-12);
    weights = next;
    if (still) break;
  }
  return {
    values,
    sds: values.map((_, i) => Math.sqrt(covariance[i * n + i]!)),
    doubted: weights.flatMap((weight, i) => (weight < DOUBTED ? [i] : [])),
  };
}

function weightOf({ x, y, sd }: RobustReading, values: readonly number[]): number {
  const off = Math.abs(y - x.reduce((sum, part, i) => sum + part * values[i]!, 0)) / sd;
  return off <= FAR ? 1 : FAR / off;
}

function weightedFit(
  readings: readonly RobustReading[],
  weights: readonly number[],
  priors: readonly RobustPrior[],
): { values: number[]; covariance: Float64Array } {
  const n = priors.length;
  const precision = new Float64Array(n * n);
  priors.forEach(({ sd }, i) => (precision[i * n + i] = 1 / sd ** 2));
  const sums = priors.map(({ value, sd }) => value / sd ** 2);
  readings.forEach(({ x, y, sd }, r) => {
    const weight = weights[r]! / sd ** 2;
    for (let i = 0; i < n; i++) {
      sums[i]! += weight * x[i]! * y;
      for (let j = 0; j < n; j++) precision[i * n + j]! += weight * x[i]! * x[j]!;
    }
  });
  const covariance = invertSymmetric(precision, n);
  const values = sums.map((_, i) => sums.reduce((total, sum, j) => total + covariance[i * n + j]! * sum, 0));
  return { values, covariance };
}
