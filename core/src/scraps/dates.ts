/** Days of a shop's calendar between which something was, both counted: "2025-03-01" to "2025-05-31" is spring. */
export interface DayRange {
  from: string;
  to: string;
  /** Said with "about", or as a month, a season, a year. */
  vague: boolean;
}

/** Which of two numbers before a year is the day. */
export type DateOrder = 'day first' | 'month first';

const MONTHS = ['jan', 'feb', 'mar', 'apr', 'may', 'jun', 'jul', 'aug', 'sep', 'oct', 'nov', 'dec'];
/** Months of a season, north of the equator; winter ends in the year that is named. */
const SEASONS: Readonly<Record<string, readonly [first: number, last: number]>> = {
  spring: [3, 5],
  summer: [6, 8],
  autumn: [9, 11],
  fall: [9, 11],
  winter: [-1, 2],
};
const ABOUT =
  /^(?:about|around|approx\.?|circa|ca\.?|c\.|~|early|mid|late|end of|beginning of|sometime in)\s*/i;
/** Within these a spreadsheet's count of days since 1899-12-30 is of this trade: 2000 to 2064. */
const SERIAL = [36_526, 60_000] as const;
const DAY_MS = 86_400_000;
/** An exact day that is only "about" may be this much off. */
const ABOUT_DAYS = 15;

const isoOf = (ms: number): string => new Date(ms).toISOString().slice(0, 10);
const shift = (day: string, days: number): string => isoOf(Date.parse(`${day}T00:00:00Z`) + days * DAY_MS);
/** Years of two digits are of this century: nobody printed patterns in the last. */
const yearOf = (text: string): number => (text.length === 2 ? 2000 + Number(text) : Number(text));

/** A day that there is; undefined for a 31st of June. */
function dayOf(year: number, month: number, day: number): string | undefined {
  if (month < 1 || month > 12 || day < 1 || year < 1980 || year > 2099) return undefined;
  const made = new Date(Date.UTC(year, month - 1, day));
  return made.getUTCMonth() === month - 1 ? isoOf(made.getTime()) : undefined;
}
const exactly = (day: string | undefined): DayRange | undefined =>
  day === undefined ? undefined : { from: day, to: day, vague: false };

/** Whole months, from the first of one to the last of another, counted through the year's ends. */
function monthsOf(year: number, first: number, last: number): DayRange | undefined {
  if (year < 1980 || year > 2099) return undefined;
  return {
    from: isoOf(Date.UTC(year, first - 1, 1)),
    to: isoOf(Date.UTC(year, last, 0)),
    vague: true,
  };
}
const monthAt = (word: string): number => MONTHS.indexOf(word.slice(0, 3).toLowerCase()) + 1;

const NUMBERS = /^(\d{1,2})[./-](\d{1,2})[./-](\d{2}|\d{4})$/;
const WRITTEN: readonly [pattern: RegExp, read: (parts: string[], order: DateOrder) => DayRange | undefined][] = [
  [/^(\d{4})[-./](\d{1,2})[-./](\d{1,2})(?:[ t].*)?$/i, ([y, m, d]) => exactly(dayOf(Number(y), Number(m), Number(d)))],
  [
    NUMBERS,
    ([a, b, y], order) => {
      const [day, month] = order === 'day first' ? [a, b] : [b, a];
      return exactly(dayOf(yearOf(y!), Number(month), Number(day)));
    },
  ],
  [/^(\d{1,2})\.?\s+([a-z]{3,})\.?,?\s+(\d{2}|\d{4})$/i, ([d, m, y]) => exactly(dayOf(yearOf(y!), monthAt(m!), Number(d)))],
  [/^([a-z]{3,})\.?\s+(\d{1,2})(?:st|nd|rd|th)?,?\s+(\d{4})$/i, ([m, d, y]) => exactly(dayOf(Number(y), monthAt(m!), Number(d)))],
  [/^(spring|summer|autumn|fall|winter)\s+(\d{4})$/i, ([s, y]) => monthsOf(Number(y), ...SEASONS[s!.toLowerCase()]!)],
  [/^([a-z]{3,})\.?\s+(\d{2}|\d{4})$/i, ([m, y]) => (monthAt(m!) > 0 ? monthsOf(yearOf(y!), monthAt(m!), monthAt(m!)) : undefined)],
  [/^(\d{4})-(\d{1,2})$/, ([y, m]) => (Number(m) >= 1 && Number(m) <= 12 ? monthsOf(Number(y), Number(m), Number(m)) : undefined)],
  [/^(\d{1,2})[./](\d{4})$/, ([m, y]) => (Number(m) >= 1 && Number(m) <= 12 ? monthsOf(Number(y), Number(m), Number(m)) : undefined)],
  [/^((?:19|20)\d{2})$/, ([y]) => monthsOf(Number(y), 1, 12)],
  [/^(\d{5})(?:[.,]\d+)?$/, ([n]) => (Number(n) >= SERIAL[0] && Number(n) <= SERIAL[1] ? exactly(isoOf(Date.UTC(1899, 11, 30) + Number(n) * DAY_MS)) : undefined)],
]; // prettier-ignore

/**
 * Reads a day as people write it down: "3/14/25", "14.3.2025", "12 Feb 2025", "2025-03", "spring 2025", "around March 2025", a
 * spreadsheet's count of days. A month without a year takes `year`, and is vague. Undefined for what says no day.
 */
export function readDay(text: string, order: DateOrder, year?: number): DayRange | undefined {
  const plain = text.trim().replace(/\s+/g, ' ');
  const said = plain.replace(ABOUT, '');
  const about = said !== plain;
  for (const [pattern, read] of WRITTEN) {
    const found = pattern.exec(said);
    const range = found && read(found.slice(1), order);
    if (!range) continue;
    if (!about || range.vague) return range;
    return { from: shift(range.from, -ABOUT_DAYS), to: shift(range.to, ABOUT_DAYS), vague: true };
  }
  if (year === undefined || said === '' || /\d/.test(said)) return undefined;
  return readDay(`${said} ${year}`, order);
}

/** The middle of a range: what stands for it where one day is wanted. */
export const middleDay = ({ from, to }: DayRange): string =>
  isoOf((Date.parse(`${from}T00:00:00Z`) + Date.parse(`${to}T00:00:00Z`)) / 2);

/** Steps back in time between days as they are read in one order: a book is kept forwards. */
function stepsBack(texts: readonly string[], order: DateOrder): number {
  const days = texts.flatMap((text) => readDay(text, order)?.from ?? []);
  return days.filter((day, i) => i > 0 && day < days[i - 1]!).length;
}

/**
 * Which order a column of days is in. A number over 12 settles it; else the order in which the column runs forwards. Null when
 * nothing tells: it has to be asked.
 */
export function guessDateOrder(texts: readonly string[]): DateOrder | null {
  const numbered = texts.map((text) => text.trim()).filter((text) => NUMBERS.test(text));
  if (numbered.length === 0) return 'day first';
  const [first, second] = [1, 2].map((at) => numbered.some((text) => Number(NUMBERS.exec(text)![at]) > 12));
  if (first !== second) return first ? 'day first' : 'month first';
  if (first) return null;
  const [day, month] = [stepsBack(numbered, 'day first'), stepsBack(numbered, 'month first')];
  return day === month ? null : day < month ? 'day first' : 'month first';
}
