import type {
  CouponOutcome,
  EdgeCurve,
  NextCoupon,
  Recommendation,
  TuningInput,
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

/** Everything that the counts so far say. */
export const tuneJob = defineJob({
  name: 'tune',
  version: 1,
  input: typed<TuningJob>(),
  output: typed<TuningAnswer>(),
});
