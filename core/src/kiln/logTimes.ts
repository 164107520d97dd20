/** How the times of a log are written. */
export type TimeStyle = 'moment' | 'clock' | 'seconds' | 'minutes' | 'hours';

/** "21,6" as some machines write it; NaN where it is no number. */
export function cellNumber(cell: string): number {
  const text = cell.trim().replace(/\s/g, '');
  if (/^[-+]?\d*[.,]?\d+(e[-+]?\d+)?$/i.test(text)) return Number(text.replace(',', '.'));
  return NaN;
}

const CLOCK = /(\d{1,3}):(\d{2})(?::(\d{2})(?:[.,]\d+)?)?\s*(am|pm)?/i;
const ISO_DAY = /(\d{4})-(\d{1,2})-(\d{1,2})/;
const OTHER_DAY = /(\d{1,2})[./-](\d{1,2})[./-](\d{2,4})/;

const ZONE = /\d(z|[+-]\d{2}:?\d{2})$/i;
/** How far a zone is ahead of UTC. */
function zoneS(text: string): number {
  const found = /([+-])(\d{2}):?(\d{2})$/.exec(text);
  return found ? Number(`${found[1]}1`) * (Number(found[2]) * 3600 + Number(found[3]) * 60) : 0;
}

/** Seconds of a clock time, "03:40:00 PM"; undefined where there is none. */
function clockSeconds(text: string): number | undefined {
  const found = CLOCK.exec(text);
  if (!found) return undefined;
  const half = found[4]?.toLowerCase();
  const hours = Number(found[1]);
  const of = half ? (hours % 12) + (half === 'pm' ? 12 : 0) : hours;
  return of * 3600 + Number(found[2]) * 60 + Number(found[3] ?? 0);
}

const daySeconds = (year: number, month: number, day: number): number =>
  Date.UTC(year, month - 1, day) / 1000;

/** Seconds of a day that is written with its parts in one order or the other; undefined where there is none. */
function dayOf(text: string, monthFirst: boolean): number | undefined {
  const iso = ISO_DAY.exec(text);
  if (iso) return daySeconds(Number(iso[1]), Number(iso[2]), Number(iso[3]));
  const other = OTHER_DAY.exec(text);
  if (!other) return undefined;
  const [a, b] = [Number(other[1]), Number(other[2])];
  const [month, day] = monthFirst ? [a, b] : [b, a];
  return month > 12 || day > 31 ? undefined : daySeconds(Number(other[3]), month, day);
}

export interface ReadTimes {
  style: TimeStyle;
  /** Seconds, one for each row; NaN where a row has none. Of a moment: since 1970, as if its clock were UTC unless it is zoned. */
  seconds: number[];
  /** The moments say their zone: they are UTC, not the wall clock of whoever wrote them. */
  zoned: boolean;
}

/**
 * Seconds of each row of a log, by the texts of its time, "2026-03-11T15:40", "03/11/2026 03:40 PM", "15:40", or a number whose
 * unit its heading says ("Zeit_s", "elapsed h"). Days whose order is not said are read so that they span the least. Undefined
 * where there is no time.
 */
export function readTimes(texts: readonly string[], heading: string): ReadTimes | undefined {
  const dated = texts.some((text) => dayOf(text, true) ?? dayOf(text, false));
  if (dated) {
    const zoned = texts.every((text) => text === '' || ZONE.test(text));
    const wall = leastSpan(texts);
    return { style: 'moment', seconds: zoned ? wall.map((s, n) => s - zoneS(texts[n]!)) : wall, zoned };
  }
  if (texts.some((text) => clockSeconds(text) !== undefined))
    return { style: 'clock', seconds: overMidnight(texts), zoned: false };
  const numbers = texts.map(cellNumber);
  if (numbers.every(Number.isNaN)) return undefined;
  const style = unitOf(heading, numbers);
  const factor = { seconds: 1, minutes: 60, hours: 3600 }[style];
  return { style, seconds: numbers.map((v) => v * factor), zoned: false };
}

function leastSpan(texts: readonly string[]): number[] {
  const both = [true, false].map((monthFirst) =>
    texts.map((text) => {
      const day = dayOf(text, monthFirst);
      return day === undefined
        ? NaN
        : day + (clockSeconds(text.replace(ISO_DAY, '').replace(OTHER_DAY, '')) ?? 0);
    }),
  );
  const known = (list: number[]): number => list.filter((v) => !Number.isNaN(v)).length;
  const span = (list: number[]): number =>
    Math.max(...list.filter((v) => !Number.isNaN(v))) - Math.min(...list.filter((v) => !Number.isNaN(v)));
  const [first, second] = both as [number[], number[]];
  if (known(first) !== known(second)) return known(first) > known(second) ? first : second;
  return span(first) <= span(second) ? first : second;
}

/** Clock times without a day: one that falls back by half a day and more is of the next. */
function overMidnight(texts: readonly string[]): number[] {
  let [days, before] = [0, -Infinity];
  return texts.map((text) => {
    const s = clockSeconds(text);
    if (s === undefined) return NaN;
    if (s < before - 12 * 3600) days++;
    before = s;
    return s + days * 86_400;
  });
}

/** By what the heading says; else by the usual step: a machine writes every some seconds, people in hours. */
function unitOf(heading: string, numbers: readonly number[]): 'seconds' | 'minutes' | 'hours' {
  const text = heading.toLowerCase();
  if (/(\b|_)(s|sec|secs|seconds?|sek|sekunden)(\b|_|$)/.test(text)) return 'seconds';
  if (/(\b|_)(min|mins|minutes?|minuten)(\b|_|$)/.test(text)) return 'minutes';
  if (/(\b|_)(h|hr|hrs|hours?|std|stunden)(\b|_|$)/.test(text)) return 'hours';
  const steps = numbers.slice(1).map((v, n) => v - numbers[n]!);
  const usual = steps.filter((step) => step > 0).sort((a, b) => a - b)[Math.floor(steps.length / 2)] ?? 1;
  return usual >= 1 ? 'seconds' : 'hours';
}
