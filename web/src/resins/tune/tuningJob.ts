import type { Printer, Trial } from '@zero-pour/contracts';
import type { TuningJob } from '@zero-pour/jobs';
import { BASE_COUPON, couponClass, snapS, type CouponCounts, type TuningTrial } from '@zero-pour/core';
import { settableOf, type GatheredTrials, type TuningOf } from '@zero-pour/plan';

/** What the next coupon carries of what is tuned: as the last one did, or as usual. */
export function couponCounts(of: TuningOf, trials: readonly { trial: Trial }[]): CouponCounts {
  if (of === 'base') return BASE_COUPON;
  const last = trials.flatMap(({ trial }) => trial.coupon.classes.filter((c) => c.castClass === of)).at(-1);
  const { struts, slots } = last ?? couponClass(of);
  return { struts, slots };
}

/** Exposures that the chart spans: the starting figure and all trials, with room on both sides. */
export function chartSpan(startS: number, trials: readonly TuningTrial[]): [number, number] {
  const seconds = [startS, ...trials.map((t) => t.exposureS)];
  return [Math.min(...seconds) * 0.68, Math.max(...seconds) * 1.5];
}

/** Coupons printed at these very settings: what was carried over informs, but settles nothing by itself. */
export const ownCoupons = ({ used }: GatheredTrials): number =>
  used.filter((trial) => trial.number > 0).length;

/** The question to the tuning worker. */
export function tuningJob(
  of: TuningOf,
  printer: Printer,
  startS: number,
  gathered: GatheredTrials,
  rho: number,
): TuningJob {
  const trials: TuningTrial[] = [...gathered.used, ...gathered.pieces].map(
    ({ exposureS, struts, slots }) => ({
      exposureS,
      struts: { ...struts },
      slots: { ...slots },
    }),
  );
  const settable = of === 'base' ? { leastS: 1, mostS: 300, stepS: 1 } : settableOf(printer);
  return {
    startS: snapS(settable, startS),
    trials,
    settable,
    coupon: couponCounts(of, gathered.used),
    coupons: ownCoupons(gathered),
    chartS: chartSpan(startS, gathered.used),
    keepToBest: of === 'base',
    // A base holds or falls as a whole: it is no count of features.
    rho: of === 'base' ? 0 : rho,
  };
}
