import { weighedCount } from './couponSpread';
import { edgePosterior, startEvidence, type EdgeCount } from './edgePosterior';
import { nextCoupon, type CouponCounts, type NextCoupon } from './nextCoupon';
import { recommendExposure, type EdgePair, type Recommendation } from './recommend';
import type { Settable } from './settable';
import type { TuningTrial } from './trials';
import { judgeExposure, type Verdict } from './verdict';

export interface TuningInput {
  /** Starting figure, s (maker, like printer, or working curve). */
  startS: number;
  trials: readonly TuningTrial[];
  settable: Settable;
  /** What the next coupon carries. */
  coupon: CouponCounts;
  /** Coupons in the sense of the verdict rule, when some trials are none. */
  coupons?: number;
  /** How much the features of one coupon go together, learnt by `learnSpread`; 0: not at all. */
  rho?: number;
}

export interface Tuning {
  edges: EdgePair;
  recommended: Recommendation;
  next: NextCoupon;
  verdict: Verdict;
}

/**
 * How far a starting figure may be off, ln: one sd, and the steps in which another is looked for (shop defaults). Makers' and
 * others' figures are now and then of another machine altogether.
 */
const START_SD_LN = 1;
const START_STEP_LN = 0.3;
const START_REACH_LN = 2.7;
/** Another start takes its place only when the counts say so much more for it: e⁴ to one. */
const START_GAIN = 4;

/**
 * Beliefs about both edges; they are independent given the counts and the starting figure. Both priors stand on that one
 * figure: where it is far off, the counts say so of both edges at once, and it is moved to where they are likeliest. Without
 * that a coupon that shuts all slots says nothing of the struts, and a resin is given up that prints at an eighth.
 */
export function edgesOf(startS: number, trials: readonly TuningTrial[]): EdgePair {
  const counts = (of: 'struts' | 'slots') => trials.map((t) => ({ exposureS: t.exposureS, ...t[of] }));
  const [struts, slots] = [counts('struts'), counts('slots')];
  const start = likeliestStart(startS, struts, slots);
  return { lower: edgePosterior('lower', start, struts), upper: edgePosterior('upper', start, slots) };
}

function likeliestStart(startS: number, struts: readonly EdgeCount[], slots: readonly EdgeCount[]): number {
  if (struts.length === 0) return startS;
  const evidence = (shift: number): number => {
    const start = startS * Math.exp(shift);
    return (
      startEvidence('lower', start, struts) +
      startEvidence('upper', start, slots) -
      shift ** 2 / (2 * START_SD_LN ** 2)
    );
  };
  const told = evidence(0);
  let best = { shift: 0, evidence: told + START_GAIN };
  for (let shift = START_STEP_LN; shift <= START_REACH_LN + 1e-9; shift += START_STEP_LN)
    for (const either of [shift, -shift]) {
      const found = evidence(either);
      if (found > best.evidence) best = { shift: either, evidence: found };
    }
  return startS * Math.exp(best.shift);
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
  rho = 0,
}: TuningInput): Tuning {
  const weighed = trials.map((trial) => ({
    ...trial,
    struts: weighedCount(trial.struts, rho),
    slots: weighedCount(trial.slots, rho),
  }));
  const edges = edgesOf(startS, weighed);
  const recommended = recommendExposure(edges, settable, coupon.struts);
  return {
    edges,
    recommended,
    next: nextCoupon(edges, recommended, settable, coupon),
    verdict: judgeExposure(edges, recommended.exposureS, settable, coupons),
  };
}
