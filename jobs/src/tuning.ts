import type {
  CouponOutcome,
  CouponSpread,
  EdgeCurve,
  NextCoupon,
  Recommendation,
  TuningInput,
  TuningTrial,
  Verdict,
} from '@zero-pour/core';
import { defineJob, typed } from './job';

/** What is asked: the counts, and the exposures that the chart spans. */
export interface TuningJob extends TuningInput {
  /** Coupons in the sense of the verdict rule; pieces of test sets among the trials are none. */
  coupons: number;
  chartS: [number, number];
  /** Print the best exposure next, whatever another would teach: a base that falls off costs the plate. */
  keepToBest: boolean;
  /** What `spreadJob` said, or what is usual. */
  rho: number;
}

/** What the counts say, ready to show. */
export interface TuningAnswer {
  recommended: Recommendation;
  next: NextCoupon;
  verdict: Verdict;
  struts: EdgeCurve;
  slots: EdgeCurve;
  outcomes: CouponOutcome[];
}

/** How much the features of this shop's coupons go together; asked apart, since it changes seldom and takes longer. */
export const spreadJob = defineJob({
  name: 'coupon spread',
  version: 1,
  input: typed<TuningTrial[][]>(),
  output: typed<CouponSpread>(),
});

/** Everything that the counts so far say. */
export const tuneJob = defineJob({
  name: 'tune',
  version: 1,
  input: typed<TuningJob>(),
  output: typed<TuningAnswer>(),
});
