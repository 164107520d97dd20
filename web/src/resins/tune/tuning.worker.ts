import type { TuningAnswer, TuningJob } from '@zero-pour/contracts';
import { edgeCurve, foreseeOutcomes, tuneExposure } from '@zero-pour/core';
import { expose } from 'comlink';

/** Everything that the counts so far say. */
function tune(job: TuningJob): TuningAnswer {
  const { edges, recommended, next: learning, verdict } = tuneExposure(job);
  const next = job.keepToBest ? { ...learning, exposureS: recommended.exposureS } : learning;
  const [from, to] = job.chartS;
  return {
    recommended,
    next,
    verdict,
    struts: edgeCurve(edges.lower, from, to),
    slots: edgeCurve(edges.upper, from, to),
    outcomes: foreseeOutcomes(edges, next.exposureS, job.settable, job.coupon, job.coupons),
  };
}

const tuningWorker = { tune };
export type TuningWorker = typeof tuningWorker;
expose(tuningWorker);
