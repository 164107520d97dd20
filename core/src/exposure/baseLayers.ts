import type { FeatureCount, TuningTrial } from './trials';

/** How a coupon's base came out (handbook 02, "Tuning by trials"). */
export const BASE_RESULTS = ['fell off', 'held', 'held, hard to free', 'curled'] as const;
export type BaseResult = (typeof BASE_RESULTS)[number];

const whole = (good: boolean): FeatureCount => ({ good: good ? 1 : 0, of: 1 });

/**
 * A base as a trial of the same two-edged problem, base seconds on the axis: too short and it falls off (the
 * lower edge), too long and it curls or cannot be freed (the upper one). One plate is one feature on each side.
 */
export function baseTrial(baseExposureS: number, result: BaseResult): TuningTrial {
  return {
    exposureS: baseExposureS,
    struts: whole(result !== 'fell off'),
    slots: result === 'fell off' ? { good: 0, of: 0 } : whole(result === 'held'),
  };
}

/** One plate carries one base. */
export const BASE_COUPON = { struts: 1, slots: 1 } as const;
