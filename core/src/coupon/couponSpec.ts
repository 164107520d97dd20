import { FEATURE_SIZE_MM, TUNED_CLASSES, type TunedClass } from '../exposure';
import { InputError, requireNumber } from '../numeric';

/** The rows that one class is counted by: n struts that must stand, m slots that must stay open, both of one size. */
export interface CouponClass {
  castClass: TunedClass;
  featureMm: number;
  struts: number;
  slots: number;
}

/** Extras beside the rows, each for one question. */
export const COUPON_EXTRAS = ['pins and walls', 'holes', 'tower', 'curl bar', 'step wedge'] as const;
export type CouponExtra = (typeof COUPON_EXTRAS)[number];

/** A coupon to be made. */
export interface CouponSpec {
  /** Engraved, so that a coupon found in a drawer still says what it was: "3.7 s". */
  label: string;
  classes: CouponClass[];
  extras: CouponExtra[];
  /** Thickness of the raft that everything stands on, mm. */
  raftMm: number;
}

export const COUPON_LIMITS = {
  featureMm: [0.08, 2],
  features: [1, 60],
  raftMm: [0.5, 4],
  labelLength: 14,
} as const;

/** Struts and slots of each class by default: enough to tell nine tenths from three quarters in one print. */
const FEATURES = 24;

export const couponClass = (castClass: TunedClass): CouponClass => ({
  castClass,
  featureMm: FEATURE_SIZE_MM[castClass],
  struts: FEATURES,
  slots: FEATURES,
});

/** A coupon for some classes, or all. */
export const usualCoupon = (label: string, classes: readonly TunedClass[] = TUNED_CLASSES): CouponSpec => ({
  label,
  classes: classes.map(couponClass),
  extras: [],
  raftMm: 0.8,
});

/** Throws InputError for a coupon that cannot be made. */
export function requireCoupon(spec: CouponSpec): CouponSpec {
  if (spec.classes.length === 0 && spec.extras.length === 0)
    throw new InputError('classes', 'something to print', 0);
  requireNumber('raftMm', spec.raftMm, ...COUPON_LIMITS.raftMm);
  for (const row of spec.classes) {
    requireNumber('featureMm', row.featureMm, ...COUPON_LIMITS.featureMm);
    requireNumber('struts', row.struts, ...COUPON_LIMITS.features);
    requireNumber('slots', row.slots, ...COUPON_LIMITS.features);
  }
  return spec;
}
