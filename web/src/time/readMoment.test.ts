import { describe, expect, it } from 'vitest';
import { formatLeft, formatMoment, formatStopwatch } from './formatMoment';
import { readMoment } from './readMoment';

/** Tuesday 24 November 2026, 16:54 local. */
const NOW = new Date(2026, 10, 24, 16, 54).getTime();
const at = (text: string, now = NOW): number => {
  const read = readMoment(text, now);
  if (read.status !== 'read') throw new Error(`${text}: ${read.status}`);
  return read.at;
};
const local = (...parts: [number, number, number, number, number]): number => new Date(...parts).getTime();

describe('a moment as it is said', () => {
  it.each([
    ['17:00', local(2026, 10, 24, 17, 0)],
    ['9:15', local(2026, 10, 25, 9, 15)],
    ['Thu 09:15', local(2026, 10, 26, 9, 15)],
    ['thursday 09:15', local(2026, 10, 26, 9, 15)],
    ['Tue 09:15', local(2026, 11, 1, 9, 15)],
    ['Tue 18:00', local(2026, 10, 24, 18, 0)],
    ['today 08:00', local(2026, 10, 24, 8, 0)],
    ['tomorrow 8.30', local(2026, 10, 25, 8, 30)],
    ['26 Nov 09:15', local(2026, 10, 26, 9, 15)],
    ['Thu 26 Nov 2026 09:15', local(2026, 10, 26, 9, 15)],
    ['2 Jan 10:00', local(2027, 0, 2, 10, 0)],
    ['2026-12-03 07:45', local(2026, 11, 3, 7, 45)],
    ['+18:30', NOW + 18.5 * 3_600_000],
  ])('“%s”', (text, expected) => {
    expect(at(text)).toBe(expected);
  });

  it.each([
    ['11:00', local(2026, 10, 24, 11, 0)],
    ['18:00', local(2026, 10, 23, 18, 0)],
    ['-1:20', NOW - 80 * 60_000],
    ['yesterday 9:15', local(2026, 10, 23, 9, 15)],
    ['Tue 09:15', local(2026, 10, 24, 9, 15)],
    ['Tue 18:00', local(2026, 10, 17, 18, 0)],
    ['Thu 09:15', local(2026, 10, 19, 9, 15)],
    ['20 Nov 09:15', local(2026, 10, 20, 9, 15)],
  ])('that has happened: “%s”', (text, expected) => {
    expect(readMoment(text, NOW, 'past')).toEqual({ status: 'read', at: expected });
  });

  it.each(['11/12 09:15', '25:00', 'Thu', 'noon', '9', 'Xyz 09:15'])('does not guess at “%s”', (text) => {
    expect(readMoment(text, NOW).status).toBe('unreadable');
  });

  it('reads back what is shown, within the week and beyond', () => {
    for (const ahead of [0.5, 20, 100, 300, 4000]) {
      const moment = Math.floor((NOW + ahead * 3_600_000) / 60_000) * 60_000;
      expect(at(formatMoment(moment, NOW))).toBe(moment);
    }
  });
});

it('counts down to zero and up from it', () => {
  expect(formatLeft(NOW + 15 * 3_600_000 + 46 * 60_000, NOW)).toBe('in 15:46');
  expect(formatLeft(NOW - 130 * 60_000, NOW)).toBe('+2:10');
  expect([formatStopwatch(260_000), formatStopwatch(3_860_000), formatStopwatch(-5)]).toEqual([
    '4:20',
    '1:04:20',
    '0:00',
  ]);
});
