import { TZDate } from '@date-fns/tz';

/** Hours of one weekday when somebody is at the bench, minutes after midnight. */
export interface BenchDay {
  open: boolean;
  fromMin: number;
  toMin: number;
}
/** Seven days, Sunday first (as Date.getDay counts). */
export type BenchHours = readonly BenchDay[];

/** The shop's hours on the shop's own clock (IANA name of its time zone), wherever they are looked at from. */
export interface BenchClock {
  hours: BenchHours;
  timeZone: string;
}

/** A stretch of time, epoch milliseconds. */
export interface Span {
  from: number;
  to: number;
}

export const HOUR_MS = 3_600_000;
export const MINUTE_MS = 60_000;

/** Bench hours as stretches that touch [from, to], by the shop's clock (so its summer time is kept). */
export function benchSpans({ hours, timeZone }: BenchClock, from: number, to: number): Span[] {
  const spans: Span[] = [];
  const day = new TZDate(from, timeZone);
  day.setHours(0, 0, 0, 0);
  for (; day.getTime() < to; day.setDate(day.getDate() + 1)) {
    const bench = hours[day.getDay()];
    if (!bench?.open) continue;
    const open = new TZDate(day, timeZone).setMinutes(bench.fromMin);
    const close = new TZDate(day, timeZone).setMinutes(bench.toMin);
    if (close > from && open < to) spans.push({ from: open, to: close });
  }
  return spans;
}

/** The closed stretches between `from` and `to`: nights, and days off. */
export function closedSpans(clock: BenchClock, from: number, to: number): Span[] {
  const closed: Span[] = [];
  let at = from;
  for (const span of benchSpans(clock, from, to)) {
    if (span.from > at) closed.push({ from: at, to: span.from });
    at = Math.max(at, span.to);
  }
  if (at < to) closed.push({ from: at, to });
  return closed;
}

/** Whether a moment is in one of the stretches, ends included. */
export const isWithin = (spans: readonly Span[], at: number): boolean =>
  spans.some((s) => at >= s.from && at <= s.to);
