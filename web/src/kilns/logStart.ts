import { TZDate } from '@date-fns/tz';
import type { KilnLog } from '@zero-pour/core';
import { shopDate, shopZone } from '../time/shopClock';

/** A wall clock's moment, s as if UTC, by the shop's clock. ms. */
function byShopClock(wallS: number): number {
  const utc = new Date(wallS * 1000);
  const wall = new TZDate(
    utc.getUTCFullYear(),
    utc.getUTCMonth(),
    utc.getUTCDate(),
    utc.getUTCHours(),
    utc.getUTCMinutes(),
    utc.getUTCSeconds(),
    shopZone.value,
  );
  return wall.getTime();
}

/**
 * When a log began, ms, as far as it says: a moment does, a clock time does with the day of `near` or the one before it, elapsed seconds do
 * not and `near` stands in. Undefined: nobody knows.
 */
export function logStart(log: KilnLog, near: number | undefined): number | undefined {
  if (log.times === 'moment') return log.zoned ? log.startS * 1000 : byShopClock(log.startS);
  if (near === undefined || log.times !== 'clock') return near;
  const day = shopDate(near);
  const midnight = Date.UTC(day.getFullYear(), day.getMonth(), day.getDate()) / 1000;
  const sameDay = byShopClock(midnight + log.startS);
  // A burnout's log begins about when the flask goes in: half a day off is another day's.
  const offDays = Math.round((near - sameDay) / 86_400_000);
  return byShopClock(midnight + log.startS + offDays * 86_400);
}
