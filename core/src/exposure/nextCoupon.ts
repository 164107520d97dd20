import { lnEdge, passChance, thinned, type EdgePosterior } from './edgePosterior';
import type { EdgePair, Recommendation } from './recommend';
import { everyStepS, spacedS, type Settable } from './settable';

export interface NextCoupon {
  exposureS: number;
  /** Variance of ln(edge), both edges together, expected after the coupon, and now. */
  varianceAfter: number;
  varianceNow: number;
}

/** What one coupon carries. */
export interface CouponCounts {
  struts: number;
  slots: number;
}

const CANDIDATES = 40;

/** Chances below this are left out of sums of outcomes. */
const NOTHING = 1e-15;

/** Moments of ln(edge). */
function moments(edge: EdgePosterior): { mean: number; square: number } {
  let mean = 0;
  let square = 0;
  for (let i = 0; i < edge.mu.length; i++) {
    const e = lnEdge(edge, i);
    mean += edge.weight[i]! * e;
    square += edge.weight[i]! * e * e;
  }
  return { mean, square };
}

const varianceOf = (edge: EdgePosterior): number => {
  const { mean, square } = moments(edge);
  return square - mean * mean;
};

/** Points of an edge as the sums below want them. */
interface Prepared {
  edge: EdgePosterior;
  n: number;
  lnEdges: Float64Array;
  /** Second moment of ln(edge) over these points. */
  square: number;
}

/** Evenly weighted points that suffice while candidates are only ranked, and candidates then looked at with all. */
const RANKING_POINTS = 160;
const FINALISTS = 2;
/** Points lighter than this share of the heaviest move the variances by less than a thousandth. */
const LIGHT = 1e-5;

const heavyPoints = (whole: EdgePosterior): EdgePosterior => {
  const floor = LIGHT * whole.weight.reduce((a, b) => Math.max(a, b), 0);
  const keep = (values: Float64Array) => values.filter((_, i) => whole.weight[i]! >= floor);
  return { side: whole.side, mu: keep(whole.mu), sigma: keep(whole.sigma), weight: keep(whole.weight) };
};

const prepare = (edge: EdgePosterior, n: number): Prepared => ({
  edge,
  n,
  lnEdges: edge.mu.map((_, i) => lnEdge(edge, i)),
  square: moments(edge).square,
});

/**
 * Variance of ln(edge) expected after n features are exposed for e^lnS seconds. Over the outcomes k = 0 … n,
 * Σ m₂(k) is the second moment now, so that only Σ m₁(k)²/m₀(k) has to be summed.
 */
function expectedVariance({ edge, n, lnEdges, square }: Prepared, lnS: number): number {
  const m0 = new Float64Array(n + 1);
  const m1 = new Float64Array(n + 1);
  // Binomial terms by their ratio: C(n,k+1)/C(n,k) = (n−k)/(k+1).
  const ratio = Float64Array.from({ length: n + 1 }, (_, k) => (n - k) / (k + 1));
  const { side, mu, sigma, weight } = edge;
  for (let i = 0; i < lnEdges.length; i++) {
    const p = passChance(side, lnS, mu[i]!, sigma[i]!);
    const odds = p / (1 - p);
    const e = lnEdges[i]!;
    let term = weight[i]! * (1 - p) ** n;
    for (let k = 0; k <= n; k++) {
      m0[k] = m0[k]! + term;
      m1[k] = m1[k]! + term * e;
      term *= odds * ratio[k]!;
      // Where few pass, the rest of the terms is nothing, and numbers near zero are slow to multiply.
      if (odds < 1 && term < NOTHING) break;
    }
  }
  let explained = 0;
  for (let k = 0; k <= n; k++) if (m0[k]! > 0) explained += (m1[k]! * m1[k]!) / m0[k]!;
  return square - explained;
}

/**
 * The exposure whose coupon leaves least uncertainty about the two edges (Bayesian A-optimal design; Chaloner &
 * Verdinelli 1995, Statistical Science 10): 40 settable candidates, then every step beside the best.
 */
export function nextCoupon(
  { lower, upper }: EdgePair,
  { lowerEdge, upperEdge }: Recommendation,
  settable: Settable,
  coupon: CouponCounts,
): NextCoupon {
  const sidesOf = (form: (edge: EdgePosterior) => EdgePosterior) => [
    prepare(form(lower), coupon.struts),
    prepare(form(upper), coupon.slots),
  ];
  const varianceAt = (sides: readonly Prepared[], s: number): number =>
    sides.reduce((sum, side) => sum + expectedVariance(side, Math.log(s)), 0);
  const few = sidesOf((edge) => thinned(edge, RANKING_POINTS));
  const all = sidesOf(heavyPoints);
  const ranked = (list: readonly number[], sides: readonly Prepared[]) =>
    list
      .map((exposureS) => ({ exposureS, varianceAfter: varianceAt(sides, exposureS) }))
      .sort((a, b) => a.varianceAfter - b.varianceAfter);
  // Outside the bands both edges are known to pass or fail: a coupon there tells nothing.
  const from = Math.min(lowerEdge.q05S, upperEdge.q05S) / 2;
  const to = Math.max(lowerEdge.q95S, upperEdge.q95S) * 1.5;
  const coarse = spacedS(settable, CANDIDATES, from, to);
  const near = coarse.indexOf(ranked(coarse, few)[0]!.exposureS);
  const between = [coarse[near - 1] ?? coarse[0]!, coarse[near + 1] ?? coarse.at(-1)!] as const;
  const finalists = ranked(everyStepS(settable, ...between), few).slice(0, FINALISTS);
  const [best] = ranked(
    finalists.map((finalist) => finalist.exposureS),
    all,
  );
  return { ...best!, varianceNow: varianceOf(lower) + varianceOf(upper) };
}
