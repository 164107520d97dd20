import { HOUR_MS } from '@zero-pour/core';
import { addDays, startOfDay } from 'date-fns';
import { clockTime, shopDate } from '../time/shopClock';

/** A stretch of time laid along a width in pixels. */
export interface TimeAxis {
  from: number;
  to: number;
  x: (at: number) => number;
}

export const timeAxis = (from: number, to: number, left: number, right: number): TimeAxis => ({
  from,
  to,
  x: (at) => left + ((at - from) / (to - from)) * (right - left),
});

const LEAST_HOURS = 48;
const MOST_HOURS = 8 * 24;
/** Shown before now, so that what has just been done stays in view. */
const BEFORE_HOURS = 14;

/** A pour or a mold on the clock. */
interface Clocked {
  times: { zero: number; kilnIn?: number; blocks: readonly { from: number }[] } | undefined;
}

/** The stretch that holds now and the pours ahead: two to eight days, whole quarter days. */
export function boardStretch(
  rows: readonly Clocked[],
  now: number,
  narrow: boolean,
): { from: number; to: number } {
  const quarter = 6 * HOUR_MS;
  const zeros = rows.flatMap((row) => (row.times ? [row.times.zero] : []));
  const earliest = Math.min(
    now,
    ...rows.flatMap((row) =>
      row.times ? [row.times.kilnIn ?? row.times.zero, ...row.times.blocks.map((b) => b.from)] : [],
    ),
  );
  const back = narrow ? 4 : BEFORE_HOURS;
  const from = Math.floor(Math.max(now - back * HOUR_MS, earliest - 2 * HOUR_MS) / quarter) * quarter;
  const wanted = Math.max(...zeros, now) + 10 * HOUR_MS;
  const most = narrow ? 60 : MOST_HOURS;
  const hours = Math.min(most, Math.max(narrow ? 36 : LEAST_HOURS, (wanted - from) / HOUR_MS));
  return { from, to: from + Math.ceil(hours / 6) * quarter };
}

export interface DayMark {
  at: number;
  label: string;
}

/** Midnights in the stretch, named. */
export function dayMarks({ from, to }: { from: number; to: number }): DayMark[] {
  const marks: DayMark[] = [];
  for (let day = addDays(startOfDay(shopDate(from)), 1); day.getTime() < to; day = addDays(day, 1)) {
    marks.push({ at: day.getTime(), label: clockTime(day.getTime(), 'EEE d MMM') });
  }
  return marks;
}

/** Hours of the day that are marked, as far as there is room. */
export function hourMarks({ from, to }: { from: number; to: number }, widthPx: number): DayMark[] {
  const step = widthPx / ((to - from) / HOUR_MS) > 7 ? 6 : 12;
  const marks: DayMark[] = [];
  for (let day = startOfDay(shopDate(from)); day.getTime() < to; day = addDays(day, 1)) {
    for (let hour = step; hour < 24; hour += step) {
      const at = shopDate(day.getTime()).setHours(hour);
      if (at > from && at < to) marks.push({ at, label: String(hour).padStart(2, '0') });
    }
  }
  return marks;
}
