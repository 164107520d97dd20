import type { RecordPoint } from '@zero-pour/contracts';
import { fitLine, HOUR_MS, type Line } from '@zero-pour/core';

/** Whether a number goes with another one over pours, by the straight line through them. */
export type Trend =
  /** Too few pours, or all at one place: nothing is told. */
  | { status: 'too few'; n: number }
  /** The line may as well be level. */
  | { status: 'not told'; n: number }
  | { status: 'rises' | 'falls'; n: number; perStep: number; giveOrTake: number; line: Line };

const DAY_MS = 24 * HOUR_MS;
/** So many pours tell a line at the least (ours). */
const LEAST = 6;
/** A slope of less than so many of its standard errors may be chance: 19 in 20 for many pours. */
const SURE_SE = 2;
/** Along days a trend is told by so many of them. */
export const TREND_DAYS = 30;

/** The trend of `y` along `x`: by 30 days where x is a day, else by one of x. A few wild pours can make one, or hide it. */
export function trendOf(points: readonly Pick<RecordPoint, 'x' | 'y'>[], alongDays: boolean): Trend {
  const n = points.length;
  const scale = alongDays ? TREND_DAYS * DAY_MS : 1;
  const placed = points.map(({ x, y }) => ({ x: x / scale, y }));
  if (n < LEAST || placed.every(({ x }) => x === placed[0]!.x)) return { status: 'too few', n };
  const line = fitLine(placed);
  // Of a line without any spread a rise of nothing is none, too.
  if (line.slope === 0 || Math.abs(line.slope) < SURE_SE * line.slopeSe) return { status: 'not told', n };
  return {
    status: line.slope > 0 ? 'rises' : 'falls',
    n,
    perStep: Math.abs(line.slope),
    giveOrTake: SURE_SE * line.slopeSe,
    line,
  };
}
