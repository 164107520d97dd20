import {
  findEvents,
  findOvershoots,
  formatHours,
  formatQuantity,
  type KilnLog,
  type KilnReadings,
  type RateAt,
  type UnitChoice,
} from '@zero-pour/core';

type Row = [name: string, value: string];

const list = (found: readonly string[], none: string): string =>
  found.length === 0 ? none : found.join('; ');

/** What befell a kiln, by its readings: “never” is not “not known”. */
export function eventRows(readings: KilnReadings, choice: UnitChoice): Row[] {
  if (!readings.hasSet) return [['Fell away from its set point', 'not known: there are no set points']];
  const span = (value: number): string => formatQuantity({ value, unit: 'degCSpan' }, choice);
  const events = findEvents(readings).map(
    ({ kind, fromH, fellC }) =>
      `${kind === 'power' ? 'power out' : 'heat lost'} after ${formatHours(fromH)}, by ${span(fellC)}`,
  );
  const over = findOvershoots(readings).map(
    ({ setC, byC }) => `${formatQuantity({ value: setC, unit: 'degC' }, choice)} by ${span(byC)}`,
  );
  return [
    ['Fell away from its set point', list(events, 'never')],
    ['Went over a hold', list(over, 'never')],
  ];
}

/** What a file holds, before it is kept. */
export function logRows(log: KilnLog, choice: UnitChoice): Row[] {
  const degrees = (value: number): string => formatQuantity({ value, unit: 'degC' }, choice);
  const extreme = (pick: (a: number, b: number) => number): string =>
    degrees(log.tempC.reduce((a, b) => pick(a, b)));
  const gaps = log.gaps.map(({ fromH, toH }) => `${formatHours(toH - fromH)} after ${formatHours(fromH)}`);
  return [
    ['Rows', `${log.h.length} over ${formatHours(log.h.at(-1)!)}`],
    ['Coldest, hottest', `${extreme(Math.min)}, ${extreme(Math.max)}`],
    ['Rows that came twice', log.doubled === 0 ? 'none' : `${log.doubled}, dropped`],
    ['Stretches without a row', list(gaps, 'none')],
    ...eventRows(log, choice),
  ];
}

/** What a kiln does by itself, with how sure that is. */
export const rateRow = (rate: Pick<RateAt, 'tempC' | 'cPerH' | 'offCPerH'>, choice: UnitChoice): Row => {
  const degrees = formatQuantity({ value: rate.tempC, unit: 'degC' }, choice);
  const perH = (value: number): string => formatQuantity({ value, unit: 'degCPerH' }, choice);
  return [degrees, `${perH(rate.cPerH)} ± ${perH(Math.max(1, 2 * rate.offCPerH))}`];
};
