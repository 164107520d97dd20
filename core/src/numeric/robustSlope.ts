import { InputError } from './inputError';

/** A reading y that should be slope · x, and how far off it usually is. */
export interface SlopeReading {
  x: number;
  y: number;
  sd: number;
}

export interface Slope {
  value: number;
  /** One standard deviation of what is believed. */
  sd: number;
  /** Readings that lie too far off to be believed at full weight, by their number in the list. */
  doubted: number[];
}

/** From so many standard deviations on, a reading counts less the further off it is (Huber). */
const FAR = 1.5;
/** Below this weight a reading is said to be doubted. */
const DOUBTED = 0.5;
const ROUNDS = 50;

/**
 * Least squares of y = slope · x through the origin, begun from what was believed before and not led astray by single
 * wild readings (Huber's weights, repeated until they stand). With readings near the line and a wide prior it is the
 * plain least-squares slope. O(readings · rounds).
 */
export function fitSlope(readings: readonly SlopeReading[], prior: { value: number; sd: number }): Slope {
  if (!(prior.sd > 0)) throw new InputError('prior.sd', 'a spread above 0', prior.sd);
  const wrong = readings.find(({ x, y, sd }) => !(x > 0 && sd > 0 && Number.isFinite(y)));
  if (wrong) throw new InputError('readings', 'x and sd above 0', wrong.x);
  let value = startAt(readings, prior.value);
  let precision = 0;
  const weights = readings.map(() => 1);
  for (let round = 0; round < ROUNDS; round++) {
    precision = 1 / prior.sd ** 2;
    let sum = prior.value * precision;
    readings.forEach(({ x, y, sd }, i) => {
      const off = Math.abs(y - value * x) / sd;
      weights[i] = off <= FAR ? 1 : FAR / off;
      precision += (weights[i]! * x * x) / sd ** 2;
      sum += (weights[i]! * x * y) / sd ** 2;
    });
    const next = sum / precision;
    const still = Math.abs(next - value) <= 1e-12 * Math.max(1, Math.abs(value));
    value = next;
    if (still) break;
  }
  return {
    value,
    sd: Math.sqrt(1 / precision),
    doubted: weights.flatMap((weight, i) => (weight < DOUBTED ? [i] : [])),
  };
}

/** The middle one of the readings' own slopes, so that wild ones do not choose the starting point. */
function startAt(readings: readonly SlopeReading[], without: number): number {
  const slopes = readings.map(({ x, y }) => y / x).sort((a, b) => a - b);
  return slopes[slopes.length >> 1] ?? without;
}
