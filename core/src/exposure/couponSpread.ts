import { InputError, lnGamma } from '../numeric';
import { mapGrid, priorGrid, type EdgeCount, type EdgeSide } from './edgePosterior';
import type { FeatureCount, TuningTrial } from './trials';

/**
 * How much the features of one coupon go together: the correlation ρ of a beta-binomial. A coupon of n then weighs as
 * n / (1 + (n − 1)·ρ) single features (Kish 1965, "design effect").
 */
export interface CouponSpread {
  rho: number;
  /** Coupons that it was learnt from; with few it stays near what is usual. */
  coupons: number;
}

/** Correlations that are weighed against each other, and how usual each is (*shop default*: falls by e every 0.03). */
const RHOS: readonly number[] = [0, 0.01, 0.02, 0.04, 0.07, 0.1, 0.15, 0.2, 0.3];
const USUAL_RHO = 0.03;

/** Density of the usual spread times the width that each of RHOS stands for. */
const LOG_PRIOR = RHOS.map((rho, i) => {
  const from = i === 0 ? 0 : (rho + RHOS[i - 1]!) / 2;
  const to = i === RHOS.length - 1 ? 1 : (rho + RHOS[i + 1]!) / 2;
  return Math.log(Math.exp(-from / USUAL_RHO) - Math.exp(-to / USUAL_RHO));
});

/** A coupon's count as that of so many single features. `rho` from 0 to under 1. */
export function weighedCount({ good, of }: FeatureCount, rho: number): FeatureCount {
  if (!(rho >= 0 && rho < 1)) throw new InputError('rho', 'from 0 to under 1', rho);
  const share = of > 1 ? 1 / (1 + (of - 1) * rho) : 1;
  return { good: good * share, of: of * share };
}

/** ln of the beta-binomial's probability of a count, without C(n, k), which all correlations share. */
function lnChance(good: number, of: number, p: number, rho: number): number {
  const safe = Math.min(Math.max(p, 1e-12), 1 - 1e-12);
  if (rho === 0) return good * Math.log(safe) + (of - good) * Math.log(1 - safe);
  const size = (1 - rho) / rho;
  const [a, b] = [safe * size, (1 - safe) * size];
  const rise = (from: number, by: number): number => (by === 0 ? 0 : lnGamma(from + by) - lnGamma(from));
  return rise(a, good) + rise(b, of - good) - rise(size, of);
}

/** ln of how well each of RHOS foretells the counts of one edge. */
function edgeEvidence(side: EdgeSide, startS: number, counts: readonly EdgeCount[]): number[] {
  const grid = priorGrid(side, startS);
  return RHOS.map((rho) => {
    const logs = mapGrid(side, startS, grid, (chanceAt) =>
      counts.reduce((sum, c) => sum + lnChance(c.good, c.of, chanceAt(c.exposureS), rho), 0),
    );
    const most = logs.reduce((a, b) => Math.max(a, b), -Infinity);
    return most + Math.log(logs.reduce((sum, log) => sum + Math.exp(log - most), 0));
  });
}

const wholeCounts = (trials: readonly TuningTrial[], of: 'struts' | 'slots'): EdgeCount[] =>
  trials
    .filter((t) => t[of].of > 1 && Number.isInteger(t[of].good))
    .map((t) => ({ exposureS: t.exposureS, ...t[of] }));

/**
 * The spread between a shop's coupons, from all its tunings: each a list of coupons at the same settings. A tuning of one
 * coupon says nothing, words are no counts. Posterior mean over RHOS. O(coupons · grid); about 10 ms a tuning of four.
 */
export function learnSpread(tunings: readonly (readonly TuningTrial[])[]): CouponSpread {
  const log = [...LOG_PRIOR];
  let coupons = 0;
  for (const trials of tunings) {
    if (trials.length < 2) continue;
    const startS = Math.exp(trials.reduce((sum, t) => sum + Math.log(t.exposureS), 0) / trials.length);
    let told = 0;
    for (const [side, of] of [
      ['lower', 'struts'],
      ['upper', 'slots'],
    ] as const) {
      const counts = wholeCounts(trials, of);
      if (counts.length < 2) continue;
      told = Math.max(told, counts.length);
      edgeEvidence(side, startS, counts).forEach((evidence, i) => (log[i]! += evidence));
    }
    coupons += told;
  }
  const most = Math.max(...log);
  const weights = log.map((value) => Math.exp(value - most));
  const total = weights.reduce((a, b) => a + b, 0);
  return { rho: RHOS.reduce((sum, rho, i) => sum + (rho * weights[i]!) / total, 0), coupons };
}

/** Before any coupon: what is usual. */
export const USUAL_SPREAD: CouponSpread = learnSpread([]);
