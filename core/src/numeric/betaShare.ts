import { InputError, requireNumber } from './inputError';

/** ln Γ(x) for x > 0 (Lanczos 1964, SIAM J. Numer. Anal. 1, g = 7, 9 terms; error below 1e−13). */
export function lnGamma(x: number): number {
  const terms = [
    0.99999999999980993, 676.5203681218851, -1259.1392167224028, 771.32342877765313, -176.61502916214059,
    12.507343278686905, -0.13857109526572012, 9.9843695780195716e-6, 1.5056327351493116e-7,
  ];
  const t = x + 6.5;
  const sum = terms.reduce((total, term, i) => (i === 0 ? term : total + term / (x + i - 1)), 0);
  return 0.5 * Math.log(2 * Math.PI) + (x - 0.5) * Math.log(t) - t + Math.log(sum);
}

const TINY = 1e-300;

/** Continued fraction of the incomplete beta integral (Lentz's way). */
function betaFraction(x: number, a: number, b: number): number {
  let c = 1;
  let d = 1 / avoidZero(1 - ((a + b) * x) / (a + 1));
  let value = d;
  for (let m = 1; m <= 300; m++) {
    const even = (m * (b - m) * x) / ((a + 2 * m - 1) * (a + 2 * m));
    d = 1 / avoidZero(1 + even * d);
    c = avoidZero(1 + even / c);
    value *= d * c;
    const odd = (-(a + m) * (a + b + m) * x) / ((a + 2 * m) * (a + 2 * m + 1));
    d = 1 / avoidZero(1 + odd * d);
    c = avoidZero(1 + odd / c);
    value *= d * c;
    if (Math.abs(d * c - 1) < 1e-15) break;
  }
  return value;
}

const avoidZero = (value: number): number => (Math.abs(value) < TINY ? TINY : value);

/** Share of a Beta(a, b) below x: the regularised incomplete beta function. */
export function betaBelow(x: number, a: number, b: number): number {
  if (x <= 0) return 0;
  if (x >= 1) return 1;
  const front = Math.exp(lnGamma(a + b) - lnGamma(a) - lnGamma(b) + a * Math.log(x) + b * Math.log(1 - x));
  return x < (a + 1) / (a + b + 2)
    ? (front * betaFraction(x, a, b)) / a
    : 1 - (front * betaFraction(1 - x, b, a)) / b;
}

/** A share estimated from counts: its posterior mean and a central interval. */
export interface ShareEstimate {
  good: number;
  n: number;
  mean: number;
  low: number;
  high: number;
}

/**
 * The share that `good` of `n` stand for, with every share equally likely beforehand (Beta(good + 1, n − good + 1));
 * `level` of the posterior lies between low and high. With n = 0 it says that nothing is known.
 */
export function estimateShare(good: number, n: number, level = 0.9): ShareEstimate {
  requireNumber('n', n, 0);
  requireNumber('good', good, 0, n);
  const [a, b] = [good + 1, n - good + 1];
  const quantile = (share: number): number => {
    let [low, high] = [0, 1];
    for (let i = 0; i < 60; i++) {
      const middle = (low + high) / 2;
      if (betaBelow(middle, a, b) < share) low = middle;
      else high = middle;
    }
    return (low + high) / 2;
  };
  return { good, n, mean: a / (a + b), low: quantile((1 - level) / 2), high: quantile((1 + level) / 2) };
}

const lnBeta = (a: number, b: number): number => lnGamma(a) + lnGamma(b) - lnGamma(a + b);

/** Good ones of those that were looked at. */
export interface Counted {
  good: number;
  n: number;
}

/**
 * P(the share behind `b` is above that behind `a`), with every share equally likely beforehand: the exact sum for whole
 * counts, Σᵢ B(αₐ+i, βₐ+β_b) / ((β_b+i) B(1+i, β_b) B(αₐ, βₐ)) over i below α_b. One half where nothing was counted.
 * O(b.good). @throws {InputError} for counts that are not whole, or more good ones than there are.
 */
export function betterChance(a: Counted, b: Counted): number {
  for (const { good, n } of [a, b]) {
    requireNumber('n', n, 0);
    requireNumber('good', good, 0, n);
    if (!Number.isInteger(good) || !Number.isInteger(n))
      throw new InputError('counts', 'whole numbers', good);
  }
  const [alphaA, betaA] = [a.good + 1, a.n - a.good + 1];
  const [alphaB, betaB] = [b.good + 1, b.n - b.good + 1];
  let sum = 0;
  for (let i = 0; i < alphaB; i++)
    sum += Math.exp(
      lnBeta(alphaA + i, betaA + betaB) - Math.log(betaB + i) - lnBeta(1 + i, betaB) - lnBeta(alphaA, betaA),
    );
  return Math.min(1, sum);
}
