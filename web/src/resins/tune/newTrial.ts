import type { Trial } from '@zero-pour/contracts';
import { usualCoupon, type CouponSpec } from '@zero-pour/core';
import type { TuningOf, TuningThings } from '@zero-pour/plan';
import { seconds } from './words';

/** What a new trial is to be printed at. */
export interface TrialPlan {
  of: TuningOf;
  /** Exposure to print at, or base seconds when the base is tuned. */
  nextS: number;
  /** The trial before, whose other settings are kept: one thing is changed at a time. */
  before: Trial | undefined;
  /** The coupon last made for these settings. */
  coupon: CouponSpec | undefined;
  /** Figures of a profile or of the maker, while there is no trial yet. */
  exposureS: number;
  baseExposureS: number;
  baseLayers: number;
}

/** A trial to be filled in: everything as in the one before, but for what is tried. */
export function newTrial({ resin, printer, layerMm }: TuningThings, plan: TrialPlan, now: Date): Trial {
  const { before, of, nextS } = plan;
  const exposureS = of === 'base' ? (before?.exposureS ?? plan.exposureS) : nextS;
  // Parts carry no coupon; what they were exposed at is no reason to leave the usual one.
  const last = before?.part ? undefined : before?.coupon;
  const coupon = plan.coupon ?? last ?? usualCoupon('');
  return {
    id: crypto.randomUUID(),
    resinId: resin.id,
    printerId: printer.id,
    printedAt: now.toISOString(),
    layerMm,
    exposureS,
    baseExposureS: of === 'base' ? nextS : (before?.baseExposureS ?? plan.baseExposureS),
    baseLayers: before?.baseLayers ?? plan.baseLayers,
    vatC: before?.vatC ?? { state: 'not measured' },
    roomC: before?.roomC ?? { state: 'not measured' },
    raftMm: coupon.raftMm,
    primingCoats: before?.primingCoats ?? resin.primingCoats,
    coupon: { ...coupon, label: `${seconds(exposureS)} S` },
    counts: {},
    base: null,
    flaws: [],
    widths: [],
    photos: [],
    note: '',
  };
}

/** Whether anything was seen on a trial: one without is only a plan. */
export const saysSomething = (trial: Trial): boolean =>
  trial.base !== null ||
  trial.flaws.length > 0 ||
  trial.widths.length > 0 ||
  trial.photos.length > 0 ||
  trial.note !== '' ||
  Object.values(trial.counts).some((seen) => seen.struts || seen.slots);
