import type { KilnCurve, KilnRun, NewKilnRun } from '@zero-pour/contracts';
import { readKilnLog } from '@zero-pour/core';
import { randomUUID } from 'node:crypto';
import Papa from 'papaparse';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { openTestShop, type TestShop } from './testing/testShop';

let test: TestShop;
const ask: TestShop['ask'] = (...args) => test.ask(...args);
const kilnId = randomUUID();
const KILN = { name: 'Kiln 1', litres: 7, maxC: 1000, maxRampCPerH: 400, coolTauH: 4, costPerH: 0, note: '' };
beforeAll(async () => {
  test = await openTestShop();
  await ask('PUT', `/shop/kiln/${kilnId}`, KILN);
}, 60_000);
afterAll(() => test.close());

const run = (change: Partial<NewKilnRun> = {}, rows = 4): NewKilnRun => ({
  kilnId,
  pourId: null,
  name: 'night.csv',
  startedAt: '2026-11-20T18:00:00.000Z',
  atS: Array.from({ length: rows }, (_, n) => 10 * n),
  tempC: Array.from({ length: rows }, (_, n) => 20 + 0.05 * n),
  setC: Array.from({ length: rows }, (_, n) => (n === 2 ? null : 21 + 0.05 * n)),
  ...change,
});
const keep = (id: string, body: unknown) => ask('PUT', `/kiln-runs/${id}`, body);

describe('runs of a kiln', () => {
  it('are kept whole and listed without their readings, newest first', async () => {
    const [older, newer] = [randomUUID(), randomUUID()];
    const kept = await keep(older, run());
    expect(kept).toMatchObject({ status: 200, body: { id: older, rows: 4, lastS: 30, source: 'file' } });
    await keep(newer, run({ startedAt: '2026-11-21T18:00:00.000Z' }));
    const { body } = await ask('GET', '/kiln-runs');
    expect((body as { runs: KilnRun[] }).runs.map(({ id }) => id)).toEqual([newer, older]);
    const curve = (await ask('GET', `/kiln-runs/${older}`)).body as KilnCurve;
    expect(curve).toMatchObject({ everyS: 0, atS: [0, 10, 20, 30] });
    expect(curve.setC[2]).toBeNull();
    expect(curve.tempC[3]).toBeCloseTo(20.15, 3);
  });
  it('are sent twice and kept once; another log does not take their place', async () => {
    const id = randomUUID();
    await keep(id, run());
    expect((await keep(id, run())).status).toBe(200);
    expect(((await ask('GET', `/kiln-runs/${id}`)).body as KilnCurve).atS).toHaveLength(4);
    const other = await keep(id, run({}, 7));
    expect(other).toMatchObject({ status: 409, body: { error: { code: 'ID_TAKEN' } } });
    expect(((await ask('GET', `/kiln-runs/${id}`)).body as KilnCurve).atS).toHaveLength(4);
  });
  it('are thinned for a chart and whole in their file, which reads back as a log', async () => {
    const id = randomUUID();
    const rows = 8640;
    await keep(id, run({}, rows));
    const curve = (await ask('GET', `/kiln-runs/${id}`)).body as KilnCurve;
    expect(curve.atS.length).toBeGreaterThan(1400);
    expect(curve.atS.length).toBeLessThanOrEqual(1500);
    expect([curve.atS[0], curve.run.rows]).toEqual([0, rows]);
    const { body } = await ask('GET', `/kiln-runs/${id}/readings.csv`);
    const read = readKilnLog(Papa.parse<string[]>(body as string).data);
    if (read.status !== 'read') throw new Error(read.why);
    expect(read.log.h).toHaveLength(rows);
    expect(read.log.unitSaid).toBe('C');
    expect(read.log.h.at(-1)!).toBeCloseTo((rows - 1) / 360, 6);
    expect(Number.isNaN(read.log.setC[2])).toBe(true);
  });
  it('name a kiln and a pour that are there, and hold their kiln', async () => {
    const id = randomUUID();
    expect((await keep(id, run({ kilnId: randomUUID() }))).status).toBe(404);
    expect((await keep(id, run({ pourId: randomUUID() }))).status).toBe(404);
    expect((await ask('GET', `/kiln-runs/${id}`)).status).toBe(404);
    await keep(id, run());
    expect((await ask('PUT', `/kiln-runs/${id}/pour`, { pourId: randomUUID() })).status).toBe(404);
    const held = await ask('DELETE', `/shop/kiln/${kilnId}`);
    expect(held).toMatchObject({ status: 409, body: { error: { code: 'STILL_USED' } } });
    expect((held.body as { error: { sentence: string } }).error.sentence).toContain('a log');
    expect((await ask('DELETE', `/kiln-runs/${id}`)).status).toBe(204);
    expect((await ask('GET', `/kiln-runs/${id}/readings.csv`)).status).toBe(404);
  });
  it.each([
    ['times that go back', { atS: [0, 20, 10, 30] }],
    ['a row without a temperature', { tempC: [20, 21, 22] }],
    ['one reading', { atS: [0], tempC: [20], setC: [null] }],
    ['a month and more', { atS: [0, 10, 20, 4e6] }],
    ['full scale', { tempC: [20, 21, 22, 9999] }],
  ])('are refused with %s, and nothing of them is kept', async (_, wrong) => {
    const id = randomUUID();
    expect((await keep(id, run(wrong))).status).toBe(422);
    expect((await ask('GET', `/kiln-runs/${id}`)).status).toBe(404);
  });
});

describe('what a kiln showed', () => {
  it('is kept with it, from the coldest to the hottest only', async () => {
    const rate = (tempC: number) => ({ tempC, cPerH: 120, offCPerH: 3 });
    const measured = {
      at: '2026-11-21T18:00:00.000Z',
      from: 'night.csv',
      climbs: [rate(600), rate(700)],
      cools: [],
    };
    const kept = await ask('PUT', `/shop/kiln/${kilnId}`, { ...KILN, measured });
    expect(kept).toMatchObject({ status: 200, body: { measured } });
    const mixed = { ...measured, climbs: [rate(700), rate(600)] };
    expect((await ask('PUT', `/shop/kiln/${kilnId}`, { ...KILN, measured: mixed })).status).toBe(422);
    expect((await ask('PUT', `/shop/kiln/${kilnId}`, { ...KILN, measured: null })).status).toBe(200);
  });
});
