/**
 * Book values of handbook 03, "Chain": relative changes in percent (negative shrinks) until the shop has measured.
 * Each is a shop default that the user can edit; the ranges in the handbook are wide.
 */
export const RESIN_CURE_PERCENT = {
  'wax-rich': -0.5,
  'low-wax': -0.3,
  'wax-free': -0.2,
  'heat-resistant master': -0.3,
  'flexible mold': -0.3,
} as const;
export type ResinFamily = keyof typeof RESIN_CURE_PERCENT;

/** Finishing removes this skin per surface, mm (handbook 03): plain, or heavily textured by layers. */
export const FINISH_SKIN_MM = { plain: 0.05, textured: 0.1, none: 0 } as const;

/** Net investment expansion at casting temperature, percent, by flask temperature in °C. */
export function investmentExpansionPercent(flaskTempC: number): number {
  if (flaskTempC >= 430) return 1.0;
  if (flaskTempC >= 300) return 0.5 + (0.5 * (flaskTempC - 300)) / 130;
  if (flaskTempC >= 200) return 0.5;
  if (flaskTempC >= 150) return 0.1 + (0.4 * (flaskTempC - 150)) / 50;
  return 0.1;
}
