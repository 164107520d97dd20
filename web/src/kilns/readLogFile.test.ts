import { readFileSync } from 'node:fs';
import { readKilnLog, type KilnLog } from '@zero-pour/core';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { browserZone, setShopZone } from '../time/shopClock';
import { logStart } from './logStart';
import { cellsOf, readLogText, textOf } from './readLogFile';

const file = (name: string): string =>
  readFileSync(new URL(`../../../core/reference/kiln-logs/${name}`, import.meta.url), 'utf8');
const logOf = (text: string, unit?: 'C' | 'F'): KilnLog => {
  const reading = readLogText(text, unit);
  if (reading.status !== 'read') throw new Error(JSON.stringify(reading));
  return reading.log;
};
const bytes = (...values: number[]): ArrayBuffer => new Uint8Array(values).buffer;

describe('a log’s file', () => {
  it.each([
    ['log-a.csv', 1917],
    ['log-b.csv', 1080],
    ['log-c.csv', 974],
  ])('%s is read whole, by whatever parts its columns', (name, rows) => {
    expect(logOf(file(name)).h).toHaveLength(rows);
  });
  it('is a text of any usual coding', () => {
    expect(textOf(new TextEncoder().encode('°C').buffer as ArrayBuffer)).toBe('°C');
    expect(textOf(bytes(0xb0, 0x43))).toBe('°C');
    expect(textOf(bytes(0xff, 0xfe, 0xb0, 0, 0x43, 0))).toBe('°C');
    expect(textOf(bytes(0xfe, 0xff, 0, 0xb0, 0, 0x43))).toBe('°C');
  });
  it('counts its lines as an editor shows them, with Windows’ ends and empty ones', () => {
    const rows = Array.from({ length: 20 }, (_, n) => `${n * 60},${20 + n}`);
    rows[7] = '420,---';
    const text = ['Oven, upper', '', 'Time_s,Temp C', ...rows].join('\r\n');
    expect(cellsOf(text)[2]).toEqual(['Time_s', 'Temp C']);
    expect(readLogText(text)).toMatchObject({ status: 'refused', line: 11, column: 2 });
  });
  it('is refused where it is something else', () => {
    expect(readLogText('')).toMatchObject({ status: 'refused' });
    expect(readLogText('solid ring\nfacet normal 0 0 1\n'.repeat(30))).toMatchObject({ status: 'refused' });
    expect(readLogText('\u0000'.repeat(5000))).toMatchObject({ status: 'refused' });
  });
});

describe('when a log began', () => {
  beforeEach(() => setShopZone('America/New_York'));
  afterEach(() => setShopZone(browserZone()));
  const of = (times: KilnLog['times'], startS: number, zoned = false) =>
    ({ times, startS, zoned }) as KilnLog;
  it('is by the shop’s clock, unless it says its zone', () => {
    expect(logStart(logOf(file('log-a.csv')), undefined)).toBe(Date.parse('2026-03-11T15:40:00-04:00'));
    const wall = Date.UTC(2026, 0, 5, 10) / 1000;
    expect(logStart(of('moment', wall, true), undefined)).toBe(wall * 1000);
    expect(logStart(of('moment', wall), undefined)).toBe(Date.parse('2026-01-05T10:00:00-05:00'));
  });
  it('is near kiln in by a clock without a day, over midnight too', () => {
    const near = Date.parse('2026-03-11T23:50:00-04:00');
    expect(logStart(of('clock', 23 * 3600), near)).toBe(Date.parse('2026-03-11T23:00:00-04:00'));
    expect(logStart(of('clock', 600), near)).toBe(Date.parse('2026-03-12T00:10:00-04:00'));
    expect(logStart(of('clock', 600), undefined)).toBeUndefined();
  });
  it('is nobody’s guess by elapsed seconds alone', () => {
    const elapsed = readKilnLog(cellsOf(file('log-c.csv')));
    if (elapsed.status !== 'read') throw new Error();
    expect(logStart(elapsed.log, undefined)).toBeUndefined();
    expect(logStart(elapsed.log, 5)).toBe(5);
  });
});
