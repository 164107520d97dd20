import { edgePosterior } from './edgePosterior';
import { nextCoupon, type CouponCounts, type NextCoupon } from './nextCoupon';
import { recommendExposure, type EdgePair, type Recommendation } from './recommend';
import type { Settable } from './settable';
import { judgeExposure, type Verdict } from './verdict';

/** `good` of `of` features; fractions where the count was a word. */
export interface FeatureCount {
  good: number;
  of: number;
}

/** One coupon of one class: what stood and what stayed open at an exposure. */
export interface TuningTrial {
  exposureS: number;
  struts: FeatureCount;
  slots: FeatureCount;
}

export interface TuningInput {
  /** Starting figure, s (maker, like printer, or working curve). */
  startS: number;
  trials: readonly TuningTrial[];
  settable: Settable;
  /** What the next coupon carries. */
  coupon: CouponCounts;
  /** Coupons in the sense of the verdict rule, when some trials are none. */
  coupons?: number;
}

export interface Tuning {
  edges: EdgePair;
  recommended: Recommendation;
  next: NextCoupon;
  verdict: Verdict;
}

/** Beliefs about both edges; they are independent given the counts. */
export function edgesOf(startS: number, trials: readonly TuningTrial[]): EdgePair {
  const counts = (of: 'struts' | 'slots') => trials.map((t) => ({ exposureS: t.exposureS, ...t[of] }));
  return {
    lower: edgePosterior('lower', startS, counts('struts')),
    upper: edgePosterior('upper', startS, counts('slots')),
  };
}

/**
 * Everything the counts so far say: the best exposure with its window, what to print next, and whether to stop
 * (handbook 02, "Tuning by trials"). Throws InputError for figures not above zero.
 */
export function tuneExposure({
  startS,
  trials,
  settable,
  coupon,
  coupons = trials.length,
}: TuningInput): Tuning {
  const edges = edgesOf(startS, trials);
  const recommended = recommendExposure(edges, settable, coupon.struts);
  return {
    edges,
    recommended,
    next: nextCoupon(edges, recommended, settable, coupon),
    verdict: judgeExposure(edges, recommended.exposureS, settable, coupons),
  };
}
