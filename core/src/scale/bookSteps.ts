/**
 * Book values of handbook 03, "Chain": relative changes in percent (negative shrinks), each with the width of the range
 * that shops find. Each is a shop default that the user can edit. A quarter of the range is one standard deviation.
 */
export interface BookStep {
  percent: number;
  rangePercent: number;
}

export const RESIN_CURE_PERCENT = {
  'wax-rich': -0.5,
  'low-wax': -0.3,
  'wax-free': -0.2,
  'heat-resistant master': -0.3,
  'flexible mold': -0.3,
} as const;
export type ResinFamily = keyof typeof RESIN_CURE_PERCENT;

/** Ranges about what a resin's and an alloy's record say; the handbook gives the metal's. */
export const RESIN_RANGE_PERCENT = 0.4;
export const METAL_RANGE_PERCENT = 0.8;

/** What a mold takes from its master, by what it is made of. */
export const MOLD_MATERIALS = {
  'natural rubber': { percent: -2.0, rangePercent: 2.0 },
  'no-shrink rubber': { percent: -0.3, rangePercent: 0.6 },
  'platinum silicone': { percent: -0.1, rangePercent: 0.2 },
  'tin silicone': { percent: -0.5, rangePercent: 0.6 },
} as const satisfies Record<string, BookStep>;
export type MoldMaterial = keyof typeof MOLD_MATERIALS;

export const INJECTED_WAX: BookStep = { percent: -0.9, rangePercent: 1.0 };

/** Finishing removes this skin per surface, mm (handbook 03): plain, or heavily textured by layers. */
export const FINISH_SKIN_MM = { plain: 0.05, textured: 0.1, none: 0 } as const;
/** One standard deviation of a skin that is taken off at all, and of what coupons say that printing adds. mm. */
export const SKIN_SD_MM = 0.015;
export const COUPON_ADDS_SD_MM = 0.015;

/** How hot the flask is: the investment behaves alike within a band. */
export const flaskBand = (flaskTempC: number): 'hot' | 'warm' | 'cool' =>
  flaskTempC >= 365 ? 'hot' : flaskTempC >= 175 ? 'warm' : 'cool';

/** Net investment expansion at casting temperature, percent, by flask temperature in °C. */
export function investmentExpansionPercent(flaskTempC: number): number {
  if (flaskTempC >= 430) return 1.0;
  if (flaskTempC >= 300) return 0.5 + (0.5 * (flaskTempC - 300)) / 130;
  if (flaskTempC >= 200) return 0.5;
  if (flaskTempC >= 150) return 0.1 + (0.4 * (flaskTempC - 150)) / 50;
  return 0.1;
}

/** +0.6…+1.4 hot, 0…+0.9 warm, −0.4…+0.4 cool. */
export const INVESTMENT_RANGE_PERCENT = { hot: 0.8, warm: 0.9, cool: 0.8 } as const;

export const sdOfRange = (rangePercent: number): number => rangePercent / 4;
