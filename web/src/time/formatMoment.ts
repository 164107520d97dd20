import { clockTime, shopDate } from './shopClock';

const DAY_MS = 86_400_000;

/** A clock time as people say it: "Wed 09:15" within a week, "Wed 26 Nov 09:15" beyond, with the year in another. */
export function formatMoment(at: number, now: number): string {
  if (Math.abs(at - now) < 6 * DAY_MS) return clockTime(at, 'EEE HH:mm');
  const isThisYear = shopDate(at).getFullYear() === shopDate(now).getFullYear();
  return clockTime(at, isThisYear ? 'EEE d MMM HH:mm' : 'EEE d MMM yyyy HH:mm');
}

/** "24 Nov 2026". */
export const formatDay = (at: number): string => clockTime(at, 'd MMM yyyy');

const clock = (ms: number): string => {
  const minutes = Math.round(Math.abs(ms) / 60_000);
  return `${Math.floor(minutes / 60)}:${String(minutes % 60).padStart(2, '0')}`;
};

/** Time left as "in 15:46" (hours and minutes); once past, "+2:10". */
export const formatLeft = (at: number, now: number): string =>
  at >= now ? `in ${clock(at - now)}` : `+${clock(now - at)}`;

/** A running time as "4:20" (minutes and seconds), or "1:04:20" from an hour on. */
export function formatStopwatch(ms: number): string {
  const seconds = Math.max(0, Math.round(ms / 1000));
  const [h, m, s] = [Math.floor(seconds / 3600), Math.floor(seconds / 60) % 60, seconds % 60];
  const two = (n: number) => String(n).padStart(2, '0');
  return h > 0 ? `${h}:${two(m)}:${two(s)}` : `${m}:${two(s)}`;
}

/** Time left, or gone: days once it is more than two of them. */
export function formatAway(at: number, now: number): string {
  const days = Math.round(Math.abs(at - now) / DAY_MS);
  if (days <= 2) return formatLeft(at, now);
  return at >= now ? `in ${days} days` : `${days} days ago`;
}
