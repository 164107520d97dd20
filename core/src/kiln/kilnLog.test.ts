import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import truth from '../../reference/kiln-logs/truth.json';
import { findEvents, findOvershoots, kilnPace, readKilnLog, type KilnLog, type RateAt } from './index';

const folder = new URL('../../reference/kiln-logs/', import.meta.url);
const cells = (text: string, by: string): string[][] => text.split('\n').map((line) => line.split(by));
function read(rows: string[][]): KilnLog {
  const reading = readKilnLog(rows);
  if (reading.status !== 'read') throw new Error(JSON.stringify(reading));
  return reading.log;
}
const file = (name: string): KilnLog =>
  read(cells(readFileSync(new URL(name, folder), 'utf8'), name === 'log-c.csv' ? ';' : ','));
const NAMES = ['log-a.csv', 'log-b.csv', 'log-c.csv'] as const;
const TWO_MIN = 2 / 60 + 1e-6;

describe('logs of an independent kiln', () => {
  it.each(NAMES)('%s is read whole, whatever its style', (name) => {
    const log = file(name);
    const { hours, max_C: hottest } = truth[name];
    expect(log.h.at(-1)!).toBeCloseTo(hours, 1);
    // The truth is the kiln’s, the log its probe’s, in whole °F in one of them.
    expect(Math.abs(Math.max(...log.tempC) - hottest)).toBeLessThan(1.2);
    expect(log.hasSet).toBe(true);
    expect(log.h.every((h, n) => n === 0 || h > log.h[n - 1]!)).toBe(true);
  });
  it('says what the file says of its unit, and which rows came twice', () => {
    expect(NAMES.map((name) => file(name).unitSaid)).toEqual(['C', 'F', null]);
    expect(NAMES.map((name) => file(name).times)).toEqual(['moment', 'moment', 'seconds']);
    expect(file('log-c.csv').doubled).toBe(24);
    expect(file('log-a.csv').doubled).toBe(0);
  });
  it.each(NAMES)('%s tells what befell the kiln, to two minutes, and nothing else', (name) => {
    const found = findEvents(file(name));
    const { events } = truth[name] as { events: { kind: string; t_h: number; dur_h: number }[] };
    expect(found).toHaveLength(events.length);
    for (const [n, { kind, t_h: from, dur_h: long }] of events.entries()) {
      expect(Math.abs(found[n]!.fromH - from)).toBeLessThan(TWO_MIN);
      expect(Math.abs(found[n]!.toH - from - long)).toBeLessThan(TWO_MIN);
      expect(found[n]!.kind).toBe(kind === 'power' ? 'power' : 'heat lost');
      expect(found[n]!.fellC).toBeGreaterThan(80);
    }
  });
  it.each(NAMES)('%s tells how fast the kiln climbs and cools by itself, to 15 %', (name) => {
    const pace = kilnPace(file(name));
    const off = (rates: RateAt[], tempC: string, wanted: number): number | undefined => {
      const found = rates.find((one) => one.tempC === Number(tempC));
      return found && Math.abs(found.cPerH / wanted - 1);
    };
    const { full_power_climb_C_per_h: climb, no_power_cooling_C_per_h: cool } = truth[name];
    for (const [tempC, rate] of Object.entries(climb))
      // What the truth gives there below nothing is no climb.
      if (rate > 0) expect(off(pace.climbs, tempC, rate), `climb ${tempC}`).toBeLessThan(0.15);
    const found = Object.entries(cool).flatMap(([tempC, rate]) => off(pace.cools, tempC, -rate) ?? []);
    for (const one of found) expect(one).toBeLessThan(0.15);
    // Of the last one it was held, not left to itself.
    expect(found.length).toBeGreaterThanOrEqual(3);
    // What it does in the minutes after a cut is not its pace.
    expect(pace.climbs.every(({ cPerH }) => name === 'log-c.csv' || cPerH < 140)).toBe(true);
    for (const { offCPerH, cPerH } of [...pace.climbs, ...pace.cools])
      expect(offCPerH).toBeLessThan(0.2 * cPerH);
  });
  it('tells an overshoot of a strong kiln, and none of one that is held', () => {
    const [over] = findOvershoots(file('log-c.csv'));
    expect(over!.setC).toBe(730);
    expect(over!.byC).toBeCloseTo(27, 0);
    expect(findOvershoots(file('log-a.csv'))).toEqual([]);
  });
});

describe('other styles', () => {
  const rows = (heading: string[], row: (n: number) => string[], count = 30): string[][] => [
    heading,
    ...Array.from({ length: count }, (_, n) => row(n)),
  ];
  const warm = (n: number): string => String(20 + 4 * n);
  it('are clock times over midnight, hours, and columns in any order', () => {
    const clock = read(rows(['Set', 'PV', 'Time'], (n) => ['100', warm(n), `${String((23 + Math.floor(n / 2)) % 24).padStart(2, '0')}:${n % 2 ? '30' : '00'}`])); // prettier-ignore
    expect(clock.h.at(-1)).toBeCloseTo(14.5, 9);
    expect(clock.tempC[3]).toBe(32);
    const hours = read(rows(['elapsed h', 'Temp C'], (n) => [(n / 10).toFixed(1), warm(n)]));
    expect([hours.times, hours.hasSet, hours.h.at(-1)]).toEqual(['hours', false, 2.9]);
    expect(findEvents(hours)).toEqual([]);
  });
  it('read days that are written either way round so that they span the least', () => {
    const other = read(rows(['Date', 'Time', 'Actual'], (n) => [n < 15 ? '02.11.2026' : '03.11.2026', n < 15 ? `${9 + Math.floor(n / 2)}:${n % 2 ? '30' : '00'}` : `0${Math.floor((n - 15) / 2)}:${n % 2 ? '00' : '30'}`, warm(n)])); // prettier-ignore
    expect(other.h.at(-1)!).toBeLessThan(24);
  });
  it('say when they began: by a wall clock, by one whose zone is said, or not at all', () => {
    const of = (zone: string) => read(rows(['timestamp', 'PV'], (n) => [`2026-03-11T15:${String(n + 10)}:00${zone}`, warm(n)])); // prettier-ignore
    const wall = Date.UTC(2026, 2, 11, 15, 10) / 1000;
    expect([of('').startS, of('').zoned]).toEqual([wall, false]);
    expect([of('Z').startS, of('Z').zoned]).toEqual([wall, true]);
    expect([of('+02:00').startS, of('-0530').startS]).toEqual([wall - 7200, wall + 19_800]);
    expect(file('log-c.csv').startS).toBe(0);
  });
  it('take numbers that no kiln reaches as °F, where nothing is said', () => {
    const hot = read(rows(['Time_s', 'PV'], (n) => [String(60 * n), String(68 + 45 * n)]));
    expect(hot.unitSaid).toBeNull();
    expect(hot.unit).toBe('F');
    expect(Math.max(...hot.tempC)).toBeLessThan(800);
    const mild = rows(['Time_s', 'PV'], (n) => [String(60 * n), String(68 + 30 * n)]);
    expect([readKilnLog(mild), readKilnLog(mild, 'F')]).toMatchObject([
      { log: { unit: 'C' } },
      { log: { unit: 'F' } },
    ]);
  });
  it('tell a stretch without rows', () => {
    const holed = read(rows(['Time_s', 'Temp'], (n) => [String(60 * n + (n > 20 ? 3000 : 0)), warm(n)]));
    expect(holed.gaps).toHaveLength(1);
    expect(holed.gaps[0]!.toH - holed.gaps[0]!.fromH).toBeCloseTo(3060 / 3600, 9);
  });
});

describe('what is no record of a kiln is refused, by line and column', () => {
  const base = (change: (row: string[], n: number) => void, heading = ['Time_s', 'PV', 'SV']): string[][] => [
    heading,
    ...Array.from({ length: 40 }, (_, n) => {
      const row = [String(60 * n), String(400 + n), '420'];
      change(row, n);
      return row;
    }),
  ];
  const refusal = (rows: string[][]) => {
    const reading = readKilnLog(rows);
    return reading.status === 'refused' ? reading : undefined;
  };
  it('without a temperature, without times, of too few rows', () => {
    expect(refusal([['a', 'b'], ['1', '2']])).toMatchObject({ line: 1, column: 0 }); // prettier-ignore
    expect(refusal(base(() => {}, ['x', 'PV', 'SV']))!.why).toContain('No column of times');
    expect(refusal(base(() => {}).slice(0, 6))!.why).toContain('Only 5 rows');
  });
  it('with a lost thermocouple, full scale or cold; with units that change; with a clock that jumps back', () => {
    const at = (n: number, column: number, text: string) =>
      refusal(base((row, k) => k === n && (row[column] = text)));
    expect(at(9, 1, '1370')).toMatchObject({ line: 11, column: 2 });
    expect(refusal(base((row, n) => n > 9 && (row[1] = '25')))!.line).toBe(12);
    expect(refusal(base((row, n) => n > 19 && (row[1] = String(1.8 * (400 + n) + 32))))).toMatchObject({ line: 22, why: 'The unit changes from °C to °F, or back, here.' }); // prettier-ignore
    expect(at(30, 0, '600')).toMatchObject({ line: 32, column: 1, why: 'The clock goes backwards here.' });
    expect(at(12, 1, '---')).toMatchObject({ line: 14, column: 2 });
    expect(at(12, 0, '')).toMatchObject({ line: 14, column: 1 });
  });
});
