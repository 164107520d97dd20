import { addDays, isValid, parse, setHours, startOfDay } from 'date-fns';
import { shopDate } from './shopClock';

export type ReadMoment =
  { status: 'empty' } | { status: 'read'; at: number } | { status: 'unreadable'; reason: string };

const WEEKDAYS = ['sun', 'mon', 'tue', 'wed', 'thu', 'fri', 'sat'];
/** Dates without a year are taken in the year that brings them nearest; numbers-only dates are never guessed. */
const DATED = ['d MMM yyyy HH:mm', 'd MMMM yyyy HH:mm', 'yyyy-MM-dd HH:mm', 'd MMM HH:mm', 'd MMMM HH:mm'];
const HALF_YEAR_MS = 183 * 86_400_000;

const unreadable: ReadMoment = {
  status: 'unreadable',
  reason: 'Write it like “Thu 09:15”, “26 Nov 09:15”, “09:15” or “+18:30”.',
};

/** The next time of day at or after `now`. */
function nextTime(hours: number, minutes: number, now: Date): Date {
  const today = setHours(startOfDay(now), hours);
  today.setMinutes(minutes);
  return today >= now ? today : addDays(today, 1);
}

function readDated(text: string, now: Date): Date | null {
  for (const pattern of DATED) {
    const date = parse(text, pattern, now);
    if (!isValid(date)) continue;
    if (pattern.includes('yyyy')) return date;
    if (date.getTime() < now.getTime() - HALF_YEAR_MS) date.setFullYear(date.getFullYear() + 1);
    else if (date.getTime() > now.getTime() + HALF_YEAR_MS) date.setFullYear(date.getFullYear() - 1);
    return date;
  }
  return null;
}

/**
 * Reads a moment as it is said at the bench: "Thu 09:15" (the next one), "09:15" (the next one), "+18:30" (from
 * now), "tomorrow 9:15", "26 Nov 09:15", "26 Nov 2026 09:15".
 */
export function readMoment(text: string, nowMs: number): ReadMoment {
  const now = shopDate(nowMs);
  const trimmed = text
    .trim()
    .replace(/\s+/g, ' ')
    .replace(/\b(\d{1,2})\.(\d{2})$/, '$1:$2');
  if (trimmed === '') return { status: 'empty' };
  const ahead = /^\+\s*(\d{1,3}):([0-5]\d)$/.exec(trimmed);
  if (ahead) return { status: 'read', at: nowMs + (Number(ahead[1]) * 60 + Number(ahead[2])) * 60_000 };
  const spoken = /^(?:([a-z]+)\.?,? )?([01]?\d|2[0-3]):([0-5]\d)$/i.exec(trimmed);
  if (!spoken) {
    const date = readDated(trimmed.replace(/^[a-z]{3,9},? (?=\d{1,2} )/i, ''), now);
    return date ? { status: 'read', at: date.getTime() } : unreadable;
  }
  const [, word, hours, minutes] = spoken;
  const next = nextTime(Number(hours), Number(minutes), now);
  if (word === undefined) return { status: 'read', at: next.getTime() };
  if (/^tomorrow$/i.test(word)) {
    const tomorrow = addDays(startOfDay(now), 1);
    return { status: 'read', at: tomorrow.setHours(Number(hours), Number(minutes)) };
  }
  if (/^today$/i.test(word))
    return { status: 'read', at: startOfDay(now).setHours(Number(hours), Number(minutes)) };
  const weekday = WEEKDAYS.indexOf(word.slice(0, 3).toLowerCase());
  if (weekday < 0) return unreadable;
  return { status: 'read', at: addDays(next, (weekday - next.getDay() + 7) % 7).getTime() };
}
