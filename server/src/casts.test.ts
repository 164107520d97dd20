import {
  recordLinesSchema,
  alloysFromBook,
  castLessonsSchema,
  emptyPourDoc,
  heatFlasksSchema,
  recordGroupsSchema,
  recordPointsSchema,
  type Casting,
  type PourDoc,
} from '@zero-pour/contracts';
import { CAST_FAULTS, startingCounts } from '@zero-pour/core';
import Papa from 'papaparse';
import { randomUUID } from 'node:crypto';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { openTestShop, type TestShop } from './testing/testShop';

let test: TestShop;
const ask: TestShop['ask'] = (...args) => test.ask(...args);
beforeAll(async () => {
  test = await openTestShop();
}, 60_000);
afterAll(() => test.close());

const NODULE: Casting = { outcome: 'scrap', flaws: [{ kind: 'nodule', place: '' }], photos: [] };
async function addPour(change: (doc: PourDoc) => void): Promise<string> {
  const id = randomUUID();
  const doc = emptyPourDoc();
  change(doc);
  expect((await ask('POST', '/pours', { id, doc })).status).toBe(201);
  return id;
}
const lessons = async (except?: string) =>
  castLessonsSchema.parse((await ask('GET', `/casts/lessons${except ? `?except=${except}` : ''}`)).body);

describe('what castings taught of causes', () => {
  const nodule = CAST_FAULTS.find(({ key }) => key === 'nodule')!;
  const found = (confirmed: string) => (doc: PourDoc) => {
    doc.result.castings = { 'l1/1': NODULE };
    doc.result.why = { nodule: { confirmed, ruledOut: [] } };
  };

  it('is nothing in an empty shop, nor from a pour that says nothing of causes', async () => {
    expect(await lessons()).toEqual({});
    await addPour((doc) => void (doc.result.castings = { 'l1/1': NODULE }));
    expect(await lessons()).toEqual({});
  });

  it('adds up pours, leaves out the one that asks, and follows a pour that is put aside', async () => {
    const [own, other] = [await addPour(found('vacuum')), await addPour(found('vacuum'))];
    expect((await lessons()).nodule!.found).toEqual({ vacuum: 2 });
    expect((await lessons(own)).nodule!.counts['vacuum']).toBeCloseTo(startingCounts(nodule)['vacuum']! + 1, 9);
    await ask('PUT', `/pours/${other}/discarded`, { discarded: true });
    expect((await lessons(own)).nodule).toBeUndefined();
  }); // prettier-ignore

  it('is told anew when it is said otherwise', async () => {
    const id = await addPour(found('cup down'));
    expect((await lessons()).nodule!.found).toMatchObject({ 'cup down': 1 });
    const change = { path: ['result', 'why', 'nodule'], value: { confirmed: 'late mix', ruledOut: [] }, version: 2 }; // prettier-ignore
    expect((await ask('PATCH', `/pours/${id}`, { changes: [change] })).status).toBe(200);
    expect((await lessons()).nodule!.found).not.toHaveProperty('cup down');
    expect((await ask('GET', '/casts/lessons?except=nobody')).status).toBe(422);
  });
});

describe('the record', () => {
  const measured = (value: number) => ({ state: 'measured' as const, value });
  const found = async (query: string): Promise<number[]> => {
    const { status, body } = await ask('GET', `/pours?${query}`);
    expect(status, query).toBe(200);
    return (body as { pours: { number: number }[] }).pours.map(({ number }) => number);
  };
  const numberOf = async (id: string): Promise<number> => ((await ask('GET', `/pours/${id}`)).body as { number: number }).number; // prettier-ignore
  let cool: number;
  let hot: number;
  let plain: number;
  beforeAll(async () => {
    const make = (flaskC: number, casting: Casting) => (doc: PourDoc) => {
      doc.flasks[0]!.pour.flaskRead = measured(flaskC);
      doc.result.castings = { 'l1/1': casting, 'l1/2': { outcome: 'sellable', flaws: [], photos: [] } };
    };
    const misrun: Casting = { outcome: 'scrap', photos: [], flaws: [{ kind: 'misrun', zone: 'at a tip', place: 'the thistle’s end' }] }; // prettier-ignore
    const rough: Casting = { outcome: 'sellable', photos: [], flaws: [{ kind: 'sand-like roughness', zone: 'all over', place: '' }] }; // prettier-ignore
    cool = await numberOf(await addPour(make(390, misrun)));
    hot = await numberOf(await addPour(make(640, rough)));
    plain = await numberOf(await addPour(() => {}));
  });

  it('is found by flaws, by where they are, by their words and by numbers, together', async () => {
    expect(await found('flaw=misrun')).toEqual([cool]);
    expect(await found(`zone=${encodeURIComponent('at a tip')}`)).toEqual([cool]);
    expect(await found('text=thistle')).toEqual([cool]);
    expect(await found('fact=flaskC&to=500')).toEqual([cool]);
    expect(await found('fact=flaskC&from=391')).toEqual([hot]);
    expect(await found('fact=flaskC&from=380&to=390')).toEqual([cool]);
    expect(await found('fact=flaskC&to=500&flaw=nodule')).toEqual([]);
    // Of a pour whose flask nobody read nothing is known: it is neither under nor over.
    expect(await found('fact=flaskC')).not.toContain(plain);
  });

  it('counts all that match, also for a page beyond the last', async () => {
    const of = async (query: string) => (await ask('GET', `/pours?${query}`)).body as { pours: object[]; total: number }; // prettier-ignore
    const all = (await of('limit=200')).total;
    expect(await of('limit=1')).toMatchObject({ total: all });
    expect(await of('limit=1&offset=500')).toMatchObject({ total: all, pours: [] });
    expect(await of('limit=1&flaw=cracked')).toMatchObject({ total: 0, pours: [] });
  });

  it('comes as lines that say by themselves what a pour is, without its document', async () => {
    const { lines, total } = recordLinesSchema.parse((await ask('GET', `/record?flaw=misrun`)).body);
    expect([total, lines.map(({ number }) => number)]).toEqual([1, [cool]]);
    expect(lines[0]).toMatchObject({ isDone: false, flaws: ['misrun'], facts: { flaskC: 390, looked: 2, sellable: 1 }, felt: null });
    expect(JSON.stringify(lines[0]).length).toBeLessThan(1200);
    const all = (await ask('GET', '/record?limit=200&sort=flaskC&down=false')).body as { lines: { number: number }[] };
    expect(all.lines.map(({ number }) => number)).toEqual(await found('limit=200&sort=flaskC&down=false'));
    expect((await ask('GET', '/record?limit=9999')).status).toBe(422);
  }); // prettier-ignore

  it('is sorted by a number either way, with what is not known last', async () => {
    const up = await found('sort=flaskC&down=false');
    expect(up.slice(0, 2)).toEqual([cool, hot]);
    const down = await found('sort=flaskC&down=true');
    expect(down.slice(0, 2)).toEqual([hot, cool]);
    expect(down.indexOf(plain)).toBeGreaterThan(1);
    expect((await ask('GET', '/pours?sort=secret')).status).toBe(422);
    expect((await ask('GET', '/pours?fact=flaskC&from=hot')).status).toBe(422);
  });

  it('is a table of numbers under their units, of what matches and all of it', async () => {
    const { status, body } = await ask('GET', '/pours.csv?flaw=misrun&limit=1');
    expect(status).toBe(200);
    const { data } = Papa.parse<Record<string, string>>(body as string, { header: true });
    expect(data).toHaveLength(1);
    expect(data[0]).toMatchObject({ pour: String(cool), 'Flask, as read (°C)': '390', 'Metal, as read (°C)': '' });
    expect(data[0]!['found']).toContain('at a tip');
  }); // prettier-ignore

  it('follows what is typed later, and adds up what pours were made with', async () => {
    const id = await addPour((doc) => {
      doc.result.castings = { 'l1/1': { outcome: 'sellable', flaws: [], photos: [] } };
    });
    expect((await ask('GET', '/casts/made-with')).body).toEqual([]);
    const put = [{ path: ['result', 'castings', 'l1/1', 'finished'], value: 'scrap', version: 2 }];
    expect((await ask('PATCH', `/pours/${id}`, { changes: put })).status).toBe(200);
    expect(await found('fact=sharePercent&to=0')).toContain(await numberOf(id));
  });
});

describe('the record drawn and added up', () => {
  const measured = (value: number) => ({ state: 'measured' as const, value });
  const ash: Casting = { outcome: 'scrap', photos: [], flaws: [{ kind: 'ash pitting', place: '' }] };
  const fine: Casting = { outcome: 'sellable', photos: [], flaws: [] };
  const points = async (query: string) =>
    recordPointsSchema.parse((await ask('GET', `/pours/points?${query}`)).body).points;
  const groups = async (query: string) =>
    recordGroupsSchema.parse((await ask('GET', `/pours/groups?${query}`)).body);
  beforeAll(async () => {
    const make =
      (at: string, outMin: number, chargeG: number | undefined, castings: Casting[]) => (doc: PourDoc) => {
        doc.flasks[0]!.pour = { pouredAt: at, outMin, ...(chargeG ? { chargeRead: measured(chargeG) } : {}) };
        doc.result.castings = Object.fromEntries(castings.map((casting, n) => [`l1/${n + 1}`, casting]));
      };
    await addPour(make('2025-03-31T23:30:00.000Z', 51, 50, [ash, fine]));
    await addPour(make('2025-03-10T10:00:00.000Z', 52, undefined, [fine, fine]));
    await addPour(make('2025-02-10T10:00:00.000Z', 53, 30, []));
  });
  const OURS = 'fact=outMin&from=51&to=53';

  it('has a point where both numbers are known; no ash is 0 where castings were looked at, and none where not', async () => {
    expect((await points(`${OURS}&of=chargeG&along=outMin`)).map(({ x, y }) => [x, y])).toEqual([[53, 30], [51, 50]]); // prettier-ignore
    const shares = await points(`${OURS}&of=ash pitting&along=day`);
    expect(shares.map(({ y }) => y)).toEqual([0, 50]);
    expect(shares[1]!.x).toBe(Date.parse('2025-03-31T23:30:00.000Z'));
    expect(await points(`${OURS}&of=vatDays&along=day`)).toEqual([]);
    expect((await ask('GET', '/pours/points?of=doc&along=day')).status).toBe(422);
  });
  it('is added up by months of the shop’s clock, and by flaws; what nobody weighed adds nothing', async () => {
    const { body } = await ask('GET', '/shop');
    const { settings } = body as { settings: Record<string, unknown> };
    await ask('PUT', '/settings', { ...settings, timeZone: 'UTC' });
    expect((await groups(`${OURS}&by=month`)).map((one) => [one.key, one.pours, one.looked, one.sellable, one.chargeG])).toEqual([['2025-03', 2, 4, 3, 50], ['2025-02', 1, 0, 0, 30]]); // prettier-ignore
    await ask('PUT', '/settings', { ...settings, timeZone: 'Europe/Berlin' });
    expect((await groups(`${OURS}&by=month`)).map(({ key }) => key)).toEqual(['2025-04', '2025-03', '2025-02']); // prettier-ignore
    expect(await groups(`${OURS}&by=flaw`)).toMatchObject([{ key: 'ash pitting', pours: 1 }]);
    expect(await groups(`${OURS}&by=recipe`)).toMatchObject([{ key: null, pours: 3 }]);
    expect(await groups('since=2025-02-01T00:00:00.000Z&until=2025-03-01T00:00:00.000Z&by=class')).toMatchObject([{ pours: 1 }]); // prettier-ignore
    expect((await ask('GET', '/pours/groups?by=weather')).status).toBe(422);
  });
});

describe('a recipe', () => {
  it('stays as it was made; its note and whether it is used may change', async () => {
    const recipe = { name: 'Fine work', version: 1, formerId: null, madeAt: '2026-11-20T10:00:00.000Z', fromNumber: null, castClass: 'standard', alloyId: null, says: { boric: { school: 'none', percent: 0 }, ratio: 0.4 }, change: '', retired: false, note: '' }; // prettier-ignore
    const at = `/records/recipe/${randomUUID()}`;
    expect((await ask('PUT', at, recipe)).status).toBe(200);
    const again = async (change: object) => (await ask('PUT', at, { ...recipe, ...change })).status;
    expect(await again({ retired: true, note: 'too slow' })).toBe(200);
    expect(await again({ says: { ...recipe.says, ratio: 0.42 } })).toBe(409);
    expect(await again({ castClass: 'heavy' })).toBe(409);
    expect((await ask('PUT', `/records/recipe/${randomUUID()}`, { ...recipe, says: {} })).status).toBe(422);
  });
});

describe('what castings say of temperatures', () => {
  it('is of one metal and class, without the pour that asks, and only where castings were looked at', async () => {
    const alloy = { ...alloysFromBook()[0]!, id: randomUUID() };
    expect((await ask('PUT', `/shop/alloy/${alloy.id}`, alloysFromBook()[0]!)).status).toBe(200);
    const misrun: Casting = { outcome: 'scrap', flaws: [{ kind: 'misrun', place: '' }], photos: [] };
    const make = (casting?: Casting) => (doc: PourDoc) => {
      doc.brief.alloyId = alloy.id;
      doc.flasks[0]!.pour = { flaskRead: { state: 'measured', value: 430 }, flaskOffsetC: 20, way: 'vacuum' };
      if (casting) doc.result.castings = { 'l1/1': casting, 'l1/2': { outcome: 'sellable', flaws: [], photos: [] } };
    }; // prettier-ignore
    const own = await addPour(make(misrun));
    await addPour(make());
    const { castClass } = emptyPourDoc().brief;
    const heats = async (of: string, except: string) =>
      heatFlasksSchema.parse(
        (await ask('GET', `/casts/heats?alloyId=${alloy.id}&castClass=${of}&except=${except}`)).body,
      );
    expect(await heats(castClass, own)).toEqual([]);
    const [told, ...more] = await heats(castClass, randomUUID());
    expect(more).toEqual([]);
    expect(told).toMatchObject({
      way: 'vacuum',
      metal: null,
      flask: { tempC: 410, castings: 2, cool: 1, hot: 0 },
    });
    expect(await heats(castClass === 'heavy' ? 'standard' : 'heavy', randomUUID())).toEqual([]);
    expect((await ask('GET', '/casts/heats?castClass=heavy')).status).toBe(422);
  });
});
