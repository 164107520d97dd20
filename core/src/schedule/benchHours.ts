import { TZDate } from '@date-fns/tz';

/** Hours of one weekday when somebody is at the bench, minutes after midnight. */
export interface BenchDay {
  open: boolean;
  fromMin: number;
  toMin: number;
}
/** Seven days, Sunday first (as Date.getDay counts). */
export type BenchHours = readonly BenchDay[];

/** Days on which the bench is otherwise than its weekday: a holiday, a stocktaking, a Sunday that is worked, an hour that is blocked. */
export interface BenchException {
  /** First and last day by the shop's calendar, "2026-12-24"; the last is in it. */
  from: string;
  to: string;
  /** Closed for, or open besides the usual hours. */
  open: boolean;
  /** Minutes after midnight of each of its days; undefined: the whole day. One that ends where it begins, or before, runs into the next day. */
  fromMin?: number | undefined;
  toMin?: number | undefined;
}

/** The shop's hours on the shop's own clock (IANA name of its time zone), wherever they are looked at from. */
export interface BenchClock {
  hours: BenchHours;
  timeZone: string;
  /** Later ones come before earlier ones. */
  exceptions?: readonly BenchException[] | undefined;
}

/** A stretch of time, epoch milliseconds. */
export interface Span {
  from: number;
  to: number;
}

export const HOUR_MS = 3_600_000;
export const MINUTE_MS = 60_000;

const DAY_MS = 24 * HOUR_MS;
const DAY_MIN = 24 * 60;

/** When days begin by a clock, found once each: a zone's calendar is slow to ask. By zone, then by day since 1970. */
const midnights = new Map<string, Map<number, { at: number; weekday: number }>>();

/** The beginning of a day of the calendar, by its number since 1 January 1970. */
function midnight(timeZone: string, day: number): { at: number; weekday: number } {
  const known = midnights.get(timeZone) ?? new Map<number, { at: number; weekday: number }>();
  midnights.set(timeZone, known);
  let found = known.get(day);
  if (!found) {
    const date = new Date(day * DAY_MS);
    const local = new TZDate(date.getUTCFullYear(), date.getUTCMonth(), date.getUTCDate(), timeZone);
    found = { at: local.getTime(), weekday: date.getUTCDay() };
    known.set(day, found);
  }
  return found;
}

/** The moment so many minutes into a day by the clock on the wall, whatever summer time does in between. */
function atMinute(timeZone: string, day: number, minutes: number): number {
  const later = Math.floor(minutes / DAY_MIN);
  const { at } = midnight(timeZone, day + later);
  const rest = minutes - later * DAY_MIN;
  if (rest === 0) return at;
  const next = midnight(timeZone, day + later + 1).at;
  // A day of 24 hours needs no calendar; on the two others of the year it is asked.
  return next - at === DAY_MS ? at + rest * MINUTE_MS : new TZDate(at, timeZone).setMinutes(rest);
}

/**
 * Bench hours as stretches that touch [from, to], by the shop's clock (so its summer time is kept). A day that closes at or
 * before the hour it opens runs into the next; what follows without a gap is one stretch.
 */
export function benchSpans(clock: BenchClock, from: number, to: number): Span[] {
  const spans = usualSpans(clock, from, to);
  const { exceptions = [] } = clock;
  return exceptions.length === 0
    ? spans
    : exceptions.reduce((now, exception) => otherwise(now, exception, clock, { from, to }), spans);
}

/** By the weekdays alone. */
function usualSpans({ hours, timeZone }: BenchClock, from: number, to: number): Span[] {
  const spans: Span[] = [];
  // The clocks of the world lie within a day of each other, and the evening before may reach into the first day.
  for (let day = Math.floor(from / DAY_MS) - 2; midnight(timeZone, day).at < to; day++) {
    const bench = hours[midnight(timeZone, day).weekday];
    if (!bench?.open) continue;
    const open = atMinute(timeZone, day, bench.fromMin);
    const close = atMinute(timeZone, day, bench.toMin + (bench.toMin <= bench.fromMin ? DAY_MIN : 0));
    const last = spans.at(-1);
    if (last && open <= last.to) last.to = Math.max(last.to, close);
    else spans.push({ from: open, to: close });
  }
  return spans.filter((span) => span.to > from && span.from < to);
}

/** The number of a day of the calendar since 1 January 1970; NaN for what is no date. */
const dayNumber = (date: string): number => Math.floor(Date.parse(`${date}T00:00:00Z`) / DAY_MS);

/** Spans with the days of one exception put in, or taken out, as far as they touch what is asked. O(days in it that touch + spans). */
function otherwise(
  spans: readonly Span[],
  { from: firstDay, to: lastDay, open, fromMin = 0, toMin = DAY_MIN }: BenchException,
  { timeZone }: BenchClock,
  asked: Span,
): Span[] {
  const first = Math.max(dayNumber(firstDay), Math.floor(asked.from / DAY_MS) - 2);
  const last = Math.min(dayNumber(lastDay), Math.floor(asked.to / DAY_MS) + 2);
  let out = [...spans];
  for (let day = first; day <= last; day++) {
    const stretch = {
      from: atMinute(timeZone, day, fromMin),
      to: atMinute(timeZone, day, toMin + (toMin <= fromMin ? DAY_MIN : 0)),
    };
    out = open ? joined(out, stretch) : without(out, stretch);
  }
  return out.filter((span) => span.to > asked.from && span.from < asked.to);
}

const without = (spans: readonly Span[], gone: Span): Span[] =>
  spans.flatMap((span) =>
    span.to <= gone.from || span.from >= gone.to
      ? [span]
      : [
          ...(span.from < gone.from ? [{ from: span.from, to: gone.from }] : []),
          ...(span.to > gone.to ? [{ from: gone.to, to: span.to }] : []),
        ],
  );

/** In order, what touches made one. */
function joined(spans: readonly Span[], more: Span): Span[] {
  const apart = spans.filter((span) => span.to < more.from || span.from > more.to);
  const touching = spans.filter((span) => span.to >= more.from && span.from <= more.to);
  const whole = {
    from: Math.min(more.from, ...touching.map((span) => span.from)),
    to: Math.max(more.to, ...touching.map((span) => span.to)),
  };
  return [...apart, whole].sort((a, b) => a.from - b.from);
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
