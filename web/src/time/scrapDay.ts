import type { Scrap } from '@zero-pour/contracts';
import { HOUR_MS } from '@zero-pour/core';
import { dayStart } from './shopClock';

const MONTH = new Intl.DateTimeFormat('en-GB', { month: 'short', year: 'numeric', timeZone: 'UTC' });
const DAY = new Intl.DateTimeFormat('en-GB', {
  day: 'numeric',
  month: 'short',
  year: 'numeric',
  timeZone: 'UTC',
});

/** The day of an old record as sure as it is: "8 Jan 2025", "about Mar 2025", "Mar 2025 to May 2025", "no day written". */
export function scrapDay({ days }: Pick<Scrap, 'days'>): string {
  if (!days) return 'no day written';
  const [from, to] = [days.from, days.to].map((day) => new Date(`${day}T00:00:00Z`)) as [Date, Date];
  if (!days.vague) return DAY.format(from);
  const [first, last] = [MONTH.format(from), MONTH.format(to)];
  return first === last ? `about ${first}` : `${first} to ${last}`;
}

/** The middle of a day by the shop's clock: no other time of it is told. */
export const noonOf = (day: string): string => new Date(dayStart(day)! + 12 * HOUR_MS).toISOString();
