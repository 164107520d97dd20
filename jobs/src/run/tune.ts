import {
  edgeCurve,
  foreseeOutcomes,
  learnSpread,
  tuneExposure,
  type CouponSpread,
  type TuningTrial,
} from '@zero-pour/core';
import type { TuningAnswer, TuningJob } from '../tuning';
import type { Run } from './context';

export const tune: Run<TuningJob, TuningAnswer> = (job) => {
  const { edges, recommended, next: learning, verdict } = tuneExposure(job);
  const next = job.keepToBest ? { ...learning, exposureS: recommended.exposureS } : learning;
  const [from, to] = job.chartS;
  return Promise.resolve({
    output: {
      recommended,
      next,
      verdict,
      struts: edgeCurve(edges.lower, from, to),
      slots: edgeCurve(edges.upper, from, to),
      outcomes: foreseeOutcomes(edges, next.exposureS, job.settable, job.coupon, job.coupons, job.rho),
    },
  });
};

export const spread: Run<TuningTrial[][], CouponSpread> = (tunings) =>
  Promise.resolve({ output: learnSpread(tunings) });
