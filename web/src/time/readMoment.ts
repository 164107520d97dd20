import { addDays, isValid, parse, setHours, startOfDay } from 'date-fns';
import { shopDate } from './shopClock';

export type ReadMoment =
  { status: 'empty' } | { status: 'read'; at: number } | { status: 'unreadable'; reason: string };

const WEEKDAYS = ['sun', 'mon', 'tue', 'wed', 'thu', 'fri', 'sat'];
/** Dates without a year are taken in the year that brings them nearest; numbers-only dates are never guessed. */
const DATED = ['d MMM yyyy HH:mm', 'd MMMM yyyy HH:mm', 'yyyy-MM-dd HH:mm', 'd MMM HH:mm', 'd MMMM HH:mm'];
const DAYS_AWAY: Readonly<Record<string, number>> = { yesterday: -1, today: 0, tomorrow: 1 };
const HALF_YEAR_MS = 183 * 86_400_000;

const unreadable: ReadMoment = {
  status: 'unreadable',
  reason: 'Write it like “Thu 09:15”, “26 Nov 09:15”, “09:15” or “+18:30”.',
};
const unreadablePast: ReadMoment = {
  status: 'unreadable',
  reason: 'Write it like “09:15”, “yesterday 09:15”, “Thu 09:15”, “26 Nov 09:15” or “-1:20”.',
};

/** Whether what is told lies ahead (a wish, a plan) or has happened. */
export type MomentLies = 'ahead' | 'past';

/** The next time of day at or after `now`; of what has happened, the last one at or before it. */
function nearestTime(hours: number, minutes: number, now: Date, lies: MomentLies): Date {
  const today = setHours(startOfDay(now), hours);
  today.setMinutes(minutes);
  if (lies === 'past') return today <= now ? today : addDays(today, -1);
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
 * Reads a moment as it is said at the bench: "Thu 09:15" (the next one; of what has happened, the last), "09:15" (as
 * well), "+18:30" (from now), "-1:20" (ago), "tomorrow 9:15", "yesterday 9:15", "26 Nov 09:15", "26 Nov 2026 09:15".
 */
export function readMoment(text: string, nowMs: number, lies: MomentLies = 'ahead'): ReadMoment {
  const not = lies === 'past' ? unreadablePast : unreadable;
  const now = shopDate(nowMs);
  const trimmed = text
    .trim()
    .replace(/\s+/g, ' ')
    .replace(/\b(\d{1,2})\.(\d{2})$/, '$1:$2');
  if (trimmed === '') return { status: 'empty' };
  const away = /^([+\-−–])\s*(\d{1,3}):([0-5]\d)$/.exec(trimmed);
  if (away) {
    const ms = (Number(away[2]) * 60 + Number(away[3])) * 60_000;
    return { status: 'read', at: away[1] === '+' ? nowMs + ms : nowMs - ms };
  }
  const spoken = /^(?:([a-z]+)\.?,? )?([01]?\d|2[0-3]):([0-5]\d)$/i.exec(trimmed);
  if (!spoken) {
    const date = readDated(trimmed.replace(/^[a-z]{3,9},? (?=\d{1,2} )/i, ''), now);
    return date ? { status: 'read', at: date.getTime() } : not;
  }
  const [, word, hours, minutes] = spoken;
  const nearest = nearestTime(Number(hours), Number(minutes), now, lies);
  if (word === undefined) return { status: 'read', at: nearest.getTime() };
  const day = DAYS_AWAY[word.toLowerCase()];
  if (day !== undefined) {
    const of = addDays(startOfDay(now), day);
    return { status: 'read', at: of.setHours(Number(hours), Number(minutes)) };
  }
  const weekday = WEEKDAYS.indexOf(word.slice(0, 3).toLowerCase());
  if (weekday < 0) return not;
  const ahead = (weekday - nearest.getDay() + 7) % 7;
  return {
    status: 'read',
    at: addDays(nearest, lies === 'past' ? ahead - (ahead > 0 ? 7 : 0) : ahead).getTime(),
  };
}
