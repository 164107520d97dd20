import { randomUUID } from 'node:crypto';
import {
  alloysFromBook,
  emptyPourDoc,
  usualPrinter,
  usualResin,
  type PourDoc,
  type Records,
  type ShopState,
  type TakeScraps,
} from '@zero-pour/contracts';
import { pourOfScrap } from '@zero-pour/plan';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { openTestShop, type TestShop } from './testing/testShop';

let test: TestShop;
let ask: TestShop['ask'];
beforeAll(async () => {
  test = await openTestShop();
  ask = test.ask;
});
afterAll(() => test.close());

const AT = '2026-11-24T16:54:00.000Z';
const resin = () => ({
  ...usualResin('wax-rich'),
  id: randomUUID(),
  name: `Skerry ${randomUUID().slice(0, 8)}`,
});
const alloy = () => ({
  ...alloysFromBook()[0]!,
  id: randomUUID(),
  name: `Silver ${randomUUID().slice(0, 8)}`,
});
const hash = (): string => randomUUID().replaceAll('-', '').repeat(2);

/** A taking-in of pours of one metal and resin that it makes itself. */
function taking(count: number, change: (doc: PourDoc, n: number) => void = () => {}): TakeScraps {
  const [metal, made] = [alloy(), resin()];
  const batchId = randomUUID();
  const names = { metal: new Map([['ag', metal.id]]), resin: new Map([['sk', made.id]]), what: new Map() };
  const pours = Array.from({ length: count }, (_, n) => {
    const row = { line: n + 2, metal: 'Ag', resin: 'Sk', cast: 3, good: 2, flaws: ['misrun' as const], notes: [], unread: [], day: { from: '2025-03-01', to: n === 0 ? '2025-05-31' : '2025-03-02', vague: true } }; // prettier-ignore
    const doc = pourOfScrap(row, { batchId, names, castClass: 'standard', noonOf: (day) => `${day}T12:00:00.000Z`, now: AT }); // prettier-ignore
    change(doc, n);
    return { id: randomUUID(), doc };
  });
  return {
    batch: { id: batchId, name: 'book.csv', takenAt: AT, hash: hash(), pours: count, made: [{ kind: 'alloy', id: metal.id, name: metal.name }, { kind: 'resin', id: made.id, name: made.name }] },
    alloys: [metal],
    resins: [made],
    pours,
  }; // prettier-ignore
}
const total = async (): Promise<number> =>
  ((await ask('GET', '/pours?limit=1')).body as { total: number }).total;
const lists = async () =>
  ((await ask('GET', '/shop')).body as { lists: { alloy: unknown[]; resin: unknown[] } }).lists;
const takeBack = (id: string) => ask('DELETE', `/records/scrapBatch/${id}`);

describe('old records that are taken in', () => {
  it('count in yields and in the record, and are taken back whole', async () => {
    const given = taking(4);
    expect((await ask('POST', '/scraps', given)).status).toBe(201);
    expect(await total()).toBe(4);
    expect((await ask('GET', '/yields')).body).toMatchObject([
      { resinId: given.resins[0]!.id, castGood: 8, castOf: 12 },
    ]);
    expect((await ask('GET', '/casts/lessons?alloyId=&castClass=standard')).status).toBeLessThan(500);
    await takeBack(given.batch.id);
    expect([await total(), (await lists()).alloy, (await lists()).resin]).toEqual([0, [], []]);
    expect((await ask('GET', '/yields')).body).toEqual([]);
    expect((await takeBack(given.batch.id)).status).toBe(204);
  });

  it('of a day that spans months are of none of them', async () => {
    const given = taking(3);
    await ask('POST', '/scraps', given);
    const groups = (await ask('GET', '/pours/groups?by=month')).body as {
      key: string | null;
      pours: number;
    }[];
    expect(groups.map(({ key, pours }) => [key, pours])).toEqual([['2025-03', 2], [null, 1]]); // prettier-ignore
    await takeBack(given.batch.id);
  });

  it('that are wrong anywhere change nothing', async () => {
    const wrong: [what: string, given: TakeScraps][] = [
      ['a metal that is not there', taking(3, (doc, n) => n === 2 && (doc.brief.alloyId = randomUUID()))],
      ['a charge of nothing', taking(3, (doc, n) => n === 1 && (doc.flasks[0]!.pour.chargeRead = { state: 'measured', value: -4 }))],
      ['of another taking-in', taking(2, (doc) => (doc.scrap!.batchId = randomUUID()))],
      ['of none', { ...taking(1), pours: [{ id: randomUUID(), doc: emptyPourDoc() }] }],
      ['no rows', { ...taking(1), pours: [] }],
      ['two of one name', { ...taking(1), alloys: [alloy(), alloy()].map((one) => ({ ...one, name: 'Twice' })) }],
    ]; // prettier-ignore
    for (const [what, given] of wrong) {
      const { status } = await ask('POST', '/scraps', given);
      expect([what, status >= 400 && status < 500]).toEqual([what, true]);
      expect([await total(), (await lists()).alloy.length, (await lists()).resin.length]).toEqual([0, 0, 0]);
    }
  });

  it('are not taken in twice, and are once they were taken back', async () => {
    const given = taking(2);
    await ask('POST', '/scraps', given);
    const again = taking(2);
    again.batch.hash = given.batch.hash;
    expect((await ask('POST', '/scraps', again)).body).toMatchObject({
      error: { code: 'SCRAPS_AGAIN', sentence: expect.stringContaining('book.csv') as unknown },
    });
    await takeBack(given.batch.id);
    expect((await ask('POST', '/scraps', again)).status).toBe(201);
    await takeBack(again.batch.id);
  });

  it('leave what was made for them where something else names it by now', async () => {
    const given = taking(2);
    await ask('POST', '/scraps', given);
    const doc = emptyPourDoc();
    doc.brief.alloyId = given.alloys[0]!.id;
    await ask('POST', '/pours', { id: randomUUID(), doc });
    await takeBack(given.batch.id);
    expect([await total(), (await lists()).alloy.length, (await lists()).resin.length]).toEqual([1, 1, 0]);
  });

  it('come by the thousand in one request', async () => {
    const given = taking(1500);
    expect((await ask('POST', '/scraps', given)).status).toBe(201);
    expect(await total()).toBe(1501);
    await takeBack(given.batch.id);
    expect(await total()).toBe(1);
  });
});

describe('old notes that are no pours', () => {
  it('are taken in whole and back whole: records, and figures that went to a resin', async () => {
    const [made, printer] = [resin(), { ...usualPrinter(), id: randomUUID(), name: `Printer ${randomUUID()}` }];
    await ask('PUT', `/shop/resin/${made.id}`, made);
    await ask('PUT', `/shop/printer/${printer.id}`, printer);
    const series = { id: randomUUID(), resinId: made.id, printerId: printer.id, profileId: null, alloyId: null, powderId: null, route: 'burn out the print', moldMaterial: null, flaskC: null, stage: 'cured', measuredAt: AT, lot: '', pairs: [{ key: 'p1', axis: 'XY', printMm: 10, readingsMm: [9.9], leftOut: false }], note: '' };
    const figure = { key: 'f1', from: 'maker', printerId: null, wavelengthNm: 405, irradianceMwPerCm2: null, layerMm: 0.05, exposureS: 2.8, baseExposureS: null, baseLayers: null, vatC: null };
    const id = randomUUID();
    const given = { batch: { id, name: 'book.csv', takenAt: AT, hash: hash(), pours: 0, made: [], sheet: 'sizes' }, trials: [], series: [series], figures: [{ resinId: made.id, figure }] };
    const reportedOf = async () => ((await ask('GET', '/shop')).body as ShopState).lists.resin.find((one) => one.id === made.id)!.reported;
    const seriesIds = async () => ((await ask('GET', '/records')).body as Records).lists.sizeSeries.map((one) => one.id);

    expect((await ask('POST', '/scraps/sheet', given)).status).toBe(201);
    expect(await reportedOf()).toEqual([figure]);
    expect(await seriesIds()).toContain(series.id);
    // The same rows once more, and rows of which one names a resin that is gone, change nothing.
    const again = { ...given, batch: { ...given.batch, id: randomUUID() } };
    expect((await ask('POST', '/scraps/sheet', again)).body).toMatchObject({ error: { code: 'SCRAPS_AGAIN' } });
    const gone = { ...given, batch: { ...again.batch, hash: hash() }, series: [{ ...series, id: randomUUID() }], figures: [{ resinId: randomUUID(), figure }] };
    expect((await ask('POST', '/scraps/sheet', gone)).status).toBe(404);
    expect(await seriesIds()).not.toContain(gone.series[0]!.id);

    expect((await ask('DELETE', `/records/scrapBatch/${id}`)).status).toBe(204);
    expect(await reportedOf()).toEqual([]);
    expect(await seriesIds()).not.toContain(series.id);
  });
}); // prettier-ignore
