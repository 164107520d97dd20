import { flawWords, formatQuantity, type ScrapPour, type UnitChoice } from '@zero-pour/core';
import { scrapDay } from '../time/scrapDay';

/** What a row becomes, in one line; what of it is not read comes first. */
export function scrapWords(row: ScrapPour, units: UnitChoice): { text: string; wrong: boolean } {
  const degrees = (read: ScrapPour['flask']): string =>
    !read
      ? ''
      : 'felt' in read
        ? `felt ${read.felt}`
        : formatQuantity({ value: read.tempC, unit: 'degC' }, units);
  const result =
    row.good !== undefined && row.cast !== undefined
      ? `${row.good} of ${row.cast} came out`
      : row.good !== undefined
        ? `${row.good} good, of how many is not told: not counted`
        : row.cast !== undefined
          ? `${row.cast} cast, what came out is not told: not counted`
          : 'no castings told: not counted';
  const parts = [
    ...row.unread.map(({ heading, text, why }) => `${heading}: “${text}” ${why}`),
    row.day ? scrapDay({ days: row.day }) : 'no day',
    result,
    ...(row.printed !== undefined && row.printedGood !== undefined
      ? [`prints ${row.printedGood} of ${row.printed}`]
      : []),
    row.flaws.map(flawWords).join(', '),
    row.flask ? `flask ${degrees(row.flask)}` : '',
    row.melt ? `metal ${degrees(row.melt)}` : '',
  ];
  return { text: parts.filter((part) => part !== '').join(' · '), wrong: row.unread.length > 0 };
}

/** What all rows come to together. */
export function scrapTotals(rows: readonly ScrapPour[]) {
  const counted = rows.filter(({ good, cast }) => good !== undefined && cast !== undefined);
  const sum = (of: (row: ScrapPour) => number): number => counted.reduce((total, row) => total + of(row), 0);
  return {
    pours: rows.length,
    castings: sum(({ cast }) => cast!),
    sellable: sum(({ good }) => good!),
    uncounted: rows.length - counted.length,
    unread: rows.filter(({ unread }) => unread.length > 0).length,
    dayless: rows.filter(({ day }) => !day).length,
  };
}
