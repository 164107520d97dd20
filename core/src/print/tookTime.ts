/** Farther from what was reckoned than so many times, somebody is asked before it teaches (shop default). */
const ODD_TIMES = 3;
/** Clocks are read to the minute, and exposure is set to the hundredth: its light may be so much shorter than reckoned. */
const LIGHT_SHARE = 0.97;

/** What a print's hours are worth: *shorter than its light* cannot be; *odd* may be a slip; *usual* teaches. */
export type TookTime = 'usual' | 'odd' | 'shorter than its light';

/** Judges how long a print took, s, against its light and what was reckoned for it. */
export function judgeTook(tookS: number, lightS: number, reckonedS: number): TookTime {
  if (!(tookS >= lightS * LIGHT_SHARE) || tookS <= 0) return 'shorter than its light';
  return tookS > ODD_TIMES * reckonedS || tookS < reckonedS / ODD_TIMES ? 'odd' : 'usual';
}
