import { InputError, requirePositive, tQuantile } from '../numeric';
import { noiseFrom } from './readingNoise';

/** A size as it was drawn (or wanted) and as it was measured at one stage. */
export interface SizePair {
  nominalMm: number;
  measuredMm: number;
}

/** What the book says before anything was measured: measured = slope · nominal + offset. */
export interface SizePrior {
  slope: number;
  slopeSd: number;
  offsetSdMm: number;
  /** Spread of single readings, and how many readings' worth of trust it has. */
  noiseSdMm: number;
  noiseDof: number;
}

/** The book's offset and reading spread (handbook 03, "Calibration"). */
export const BOOK_OFFSET_SD_MM = 0.05;
export const BOOK_NOISE = { sdMm: 0.03, dof: 4 } as const;

/** Prior of a step that the book puts at `percent` within `rangePercent` end to end; a quarter of the range is one sd. */
export const bookPrior = (percent: number, rangePercent: number): SizePrior => ({
  slope: 1 + percent / 100,
  slopeSd: requirePositive('rangePercent', rangePercent) / 400,
  offsetSdMm: BOOK_OFFSET_SD_MM,
  noiseSdMm: BOOK_NOISE.sdMm,
  noiseDof: BOOK_NOISE.dof,
});

export interface Estimate {
  value: number;
  se: number;
  /** 95 % interval. */
  interval: [number, number];
}

/** The ± of an estimate: half of its 95 % interval. */
export const plusMinus = ({ interval: [low, high] }: Pick<Estimate, 'interval'>): number => (high - low) / 2;

export interface Calibration {
  slope: Estimate;
  offsetMm: Estimate;
  /** The size that a drawn one comes out at, mm. */
  sizeMm: (nominalMm: number) => Estimate;
  noiseSdMm: number;
  dof: number;
  n: number;
  /** Sizes differ enough (twice) that slope and offset can be told apart. */
  offsetSeparable: boolean;
  residualsMm: number[];
  /** Indices of pairs that do not belong with the others; looked for from six pairs on. */
  outliers: number[];
}

const SEPARABLE_RATIO = 2;
const OUTLIERS_FROM = 6;
/** How often a set without a slip may show one, whatever its size. */
const FALSE_OUTLIERS = 0.05;
const ITERATIONS = 60;

interface Sums {
  n: number;
  x: number;
  y: number;
  xx: number;
  xy: number;
}

const sumsOf = (pairs: readonly SizePair[]): Sums =>
  pairs.reduce(
    (s, { nominalMm: x, measuredMm: y }) => ({
      n: s.n + 1,
      x: s.x + x,
      y: s.y + y,
      xx: s.xx + x * x,
      xy: s.xy + x * y,
    }),
    { n: 0, x: 0, y: 0, xx: 0, xy: 0 },
  );

/** Solution of the normal equations with the prior's precisions added, and the inverse of their matrix. */
function solve(s: Sums, noiseVariance: number, prior: SizePrior | null) {
  const slopePrecision = prior ? 1 / prior.slopeSd ** 2 : 0;
  const offsetPrecision = prior ? 1 / prior.offsetSdMm ** 2 : 0;
  const a = s.xx / noiseVariance + slopePrecision;
  const b = s.x / noiseVariance;
  const d = s.n / noiseVariance + offsetPrecision;
  const p = s.xy / noiseVariance + slopePrecision * (prior?.slope ?? 0);
  const q = s.y / noiseVariance;
  const determinant = a * d - b * b;
  return {
    slope: (d * p - b * q) / determinant,
    offset: (a * q - b * p) / determinant,
    slopeVariance: d / determinant,
    offsetVariance: a / determinant,
    covariance: -b / determinant,
  };
}

/** Degrees of freedom beyond which Student's t is the normal distribution for every purpose here. */
export const MANY_DOF = 1e4;

/**
 * Degrees of freedom behind one variance V: only the part that comes from the readings' spread σ² is uncertain, so that
 * ν_eff = ν·(V / (σ²·dV/dσ²))² (Satterthwaite 1946, Biometrics Bulletin 2). All of V from the readings gives ν.
 */
function dofBehind(variance: (noiseVariance: number) => number, noise: number, dof: number): number {
  const step = 1e-4;
  const slope = (variance(noise * (1 + step)) - variance(noise * (1 - step))) / (2 * step);
  return slope > 0 ? Math.min(MANY_DOF, dof * (variance(noise) / slope) ** 2) : MANY_DOF;
}

const sizeVariance = (solved: ReturnType<typeof solve>, nominalMm: number): number =>
  solved.slopeVariance * nominalMm ** 2 + solved.offsetVariance + 2 * nominalMm * solved.covariance;

function withInterval(value: number, variance: number, dof: number): Estimate {
  const se = Math.sqrt(Math.max(0, variance));
  const reach = tQuantile(0.975, dof) * se;
  return { value, se, interval: [value - reach, value + reach] };
}

const residuals = (pairs: readonly SizePair[], slope: number, offset: number): number[] =>
  pairs.map(({ nominalMm, measuredMm }) => measuredMm - slope * nominalMm - offset);
const squares = (values: readonly number[]): number => values.reduce((sum, v) => sum + v * v, 0);

/**
 * Externally studentised residuals that are larger than the largest of n clean ones goes once in twenty sets (Bonferroni:
 * Student's t on n − 3), by plain least squares.
 */
function findOutliers(pairs: readonly SizePair[]): number[] {
  const s = sumsOf(pairs);
  const sxx = s.xx - (s.x * s.x) / s.n;
  if (s.n < OUTLIERS_FROM || !(sxx > 0)) return [];
  const { slope, offset } = solve(s, 1, null);
  const rest = residuals(pairs, slope, offset);
  const sse = squares(rest);
  const most = tQuantile(1 - FALSE_OUTLIERS / (2 * s.n), s.n - 3);
  return rest.flatMap((residual, i) => {
    const leverage = 1 / s.n + (pairs[i]!.nominalMm - s.x / s.n) ** 2 / sxx;
    const without = (sse - residual ** 2 / (1 - leverage)) / (s.n - 3);
    // The others are met exactly: anything off them does not belong.
    if (without <= 1e-18) return Math.abs(residual) > 1e-6 ? [i] : [];
    return Math.abs(residual) / Math.sqrt(without * (1 - leverage)) > most ? [i] : [];
  });
}

/**
 * What measured sizes say of a step: minimises Σ(m − s·n − b)²/σ² + (s − s₀)²/τ² + b²/τ_b², with
 * σ² by `noiseFrom` with ν = n − 2 and at least 0, iterated (handbook 03, "Calibration"). Intervals by
 * Student's t on the degrees of freedom behind each variance: ν₀ + ν where readings decide, more where the book does.
 * No pairs give the book; many give the shop. Without a prior it is plain least squares and needs three pairs with
 * two sizes, else InputError.
 */
export function calibrate(pairs: readonly SizePair[], prior: SizePrior | null): Calibration {
  for (const pair of pairs) {
    requirePositive('nominalMm', pair.nominalMm);
    requirePositive('measuredMm', pair.measuredMm);
  }
  const s = sumsOf(pairs);
  const sizes = pairs.map((pair) => pair.nominalMm);
  if (!prior && (s.n < 3 || Math.min(...sizes) === Math.max(...sizes))) {
    throw new InputError('pairs', 'three, of two sizes, without a prior', s.n);
  }
  const free = Math.max(0, s.n - 2);
  const noiseOf = (sse: number) =>
    prior
      ? noiseFrom(sse, free, { sdMm: prior.noiseSdMm, dof: prior.noiseDof })
      : { variance: sse / free, dof: free };
  let noise = prior ? prior.noiseSdMm ** 2 : 1;
  let dof = 0;
  let found = solve(s, noise, prior);
  for (let i = 0; i < ITERATIONS; i++) {
    ({ variance: noise, dof } = noiseOf(squares(residuals(pairs, found.slope, found.offset))));
    noise = Math.max(noise, 1e-18);
    found = solve(s, noise, prior);
  }
  const estimate = (value: number, of: (solved: ReturnType<typeof solve>) => number): Estimate =>
    withInterval(
      value,
      of(found),
      dofBehind((variance) => of(solve(s, variance, prior)), noise, dof),
    );
  return {
    slope: estimate(found.slope, (solved) => solved.slopeVariance),
    offsetMm: estimate(found.offset, (solved) => solved.offsetVariance),
    sizeMm: (nominalMm) =>
      estimate(found.slope * nominalMm + found.offset, (solved) => sizeVariance(solved, nominalMm)),
    noiseSdMm: Math.sqrt(noise),
    dof,
    n: s.n,
    offsetSeparable: s.n > 1 && Math.max(...sizes) / Math.min(...sizes) >= SEPARABLE_RATIO,
    residualsMm: residuals(pairs, found.slope, found.offset),
    outliers: findOutliers(pairs),
  };
}
