import { versionOne } from './testing/versionOne';
import { PGlite } from '@electric-sql/pglite';
import {
  emptyPourDoc,
  pourDocSchema,
  pouredSizesListSchema,
  usualPrinter,
  usualResin,
  type PourDoc,
  type PouredSizes,
  type RecordDoc,
  type Records,
} from '@zero-pour/contracts';
import { randomUUID } from 'node:crypto';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { migrate, readMigrations } from './db/migrations';
import { pgliteDatabase } from './db/pgliteDatabase';
import { renewPours } from './db/tellsStore';
import { openTestShop, type TestShop } from './testing/testShop';

let test: TestShop;
let resinId: string;
const ask: TestShop['ask'] = (...args) => test.ask(...args);

beforeAll(async () => {
  test = await openTestShop();
  resinId = randomUUID();
  await ask('PUT', `/shop/resin/${resinId}`, { ...usualResin('low-wax'), name: 'Skerry Low-Ash' });
  await ask('PUT', `/shop/printer/${randomUUID()}`, { ...usualPrinter(), name: 'Printer A' });
}, 60_000);
afterAll(() => test.close());

const BORE = {
  key: 'held',
  name: 'Bore',
  lineKey: null,
  of: 'bore',
  finishedMm: 17.32,
  holds: true,
} as const;
const PRINTED = {
  at: '2026-11-20T08:00:00.000Z',
  percents: [101, 101, 101] as [number, number, number],
  flaskC: 500,
};

async function addPour(change: (doc: PourDoc) => void): Promise<string> {
  const id = randomUUID();
  const doc = emptyPourDoc();
  doc.resin.resinId = resinId;
  doc.brief.sizes = [BORE];
  change(doc);
  expect((await ask('POST', '/pours', { id, doc })).status).toBe(201);
  return id;
}
const told = async (): Promise<PouredSizes[]> =>
  pouredSizesListSchema.parse((await ask('GET', '/sizes')).body);

describe('what pours tell of sizes', () => {
  it('is told once the print is started and something is measured, without the rest of the result', async () => {
    const id = await addPour((doc) => {
      doc.scale.printedAs = PRINTED;
      doc.result.castings = {
        'l1/1': {
          flaws: [],
          photos: [],
          note: 'a secret',
          sizes: { held: { finished: { state: 'measured', value: 17.2 } } },
        },
        'l1/2': { flaws: [], photos: [], outcome: 'scrap' },
      };
    });
    const found = (await told()).find((one) => one.pourId === id)!;
    expect(found).toMatchObject({ resinId, alloyId: null, at: PRINTED.at, route: 'burn out the print' });
    expect(found.castings).toEqual({ 'l1/1': { held: { finished: { state: 'measured', value: 17.2 } } } });
    expect(JSON.stringify(found)).not.toContain('secret');
    await ask('PUT', `/pours/${id}/discarded`, { discarded: true });
    const gone = (await told()).some((one) => one.pourId === id);
    const { status } = await ask('GET', `/pours/${id}`);
    expect([gone, status]).toEqual([false, 200]);
  });

  it('is told of the print on the way, and not of pours that say nothing', async () => {
    const cured = await addPour((doc) => {
      doc.scale.printedAs = PRINTED;
      doc.scale.measured = { held: { cured: { state: 'guessed', value: 17.4 } } };
    });
    const unprinted = await addPour((doc) => {
      doc.scale.measured = { held: { cured: { state: 'measured', value: 17.4 } } };
    });
    const sizeless = await addPour((doc) => {
      doc.brief.sizes = [];
      doc.scale.printedAs = PRINTED;
      doc.result.castings = { 'l1/1': { flaws: [], photos: [], sizes: {} } };
    });
    const ids = (await told()).map((one) => one.pourId);
    expect([cured, unprinted, sizeless].map((id) => ids.includes(id))).toEqual([true, false, false]);
  });
});

describe('a series of sizes', () => {
  const series = (change: Partial<RecordDoc<'sizeSeries'>> = {}): RecordDoc<'sizeSeries'> => ({
    resinId,
    printerId: null,
    profileId: null,
    alloyId: null,
    powderId: null,
    route: 'burn out the print',
    moldMaterial: null,
    flaskC: null,
    stage: 'cured',
    measuredAt: '2026-11-20T10:00:00.000Z',
    lot: 'bottle 1',
    pairs: [{ key: '1', axis: 'XY', printMm: 10, readingsMm: [9.97, 9.98], leftOut: false }],
    note: '',
    ...change,
  });

  it('is kept and listed; a size of nothing and a stage that is none are refused and nothing is lost', async () => {
    const id = randomUUID();
    expect((await ask('PUT', `/records/sizeSeries/${id}`, series())).status).toBe(200);
    const bad = { ...series(), pairs: [{ ...series().pairs[0]!, printMm: 0 }] };
    expect((await ask('PUT', `/records/sizeSeries/${id}`, bad)).status).toBe(422);
    expect((await ask('PUT', `/records/sizeSeries/${id}`, { ...series(), stage: 'sold' })).status).toBe(422);
    const lists = ((await ask('GET', '/records')).body as Records).lists;
    expect(lists.sizeSeries).toEqual([{ ...series(), id }]);
    expect(
      (await ask('PUT', `/records/sizeSeries/${randomUUID()}`, series({ resinId: randomUUID() }))).status,
    ).toBe(404);
  });
});

describe('pours of the version before', () => {
  it('keep their one size, what was measured of it, and their own steps', async () => {
    const db = pgliteDatabase(new PGlite());
    const migrations = await readMigrations();
    await migrate(db, migrations.filter((m) => m.number <= 4)); // prettier-ignore
    const first = versionOne();
    const { sizes: _, ...brief } = first.brief;
    const old = {
      ...first,
      brief: { ...brief, holdSize: { mm: 17.32, surface: 'inner', ring: { system: 'US', size: '7' } } },
      scale: { way: 'chain', metalPercent: -1.7, skinMm: 0.05 },
      result: {
        castings: {
          1: { flaws: [], photos: [], measuredMm: { state: 'measured', value: 17.2 } },
          2: { flaws: [], photos: [] },
        },
      },
    };
    const plain = { ...old, brief, result: { castings: {} } };
    for (const [n, doc] of [old, plain].entries())
      await db.query('INSERT INTO pour (id, number, doc) VALUES ($1, $2, $3)', [
        randomUUID(),
        n + 1,
        JSON.stringify(doc),
      ]);
    await migrate(db, migrations);
    // They are renewed once, and not again.
    expect([await renewPours(db), await renewPours(db)]).toEqual([2, 0]);
    const { rows } = await db.query<{ doc: unknown }>('SELECT doc FROM pour ORDER BY number');
    const [one, two] = rows.map((row) => pourDocSchema.parse(row.doc));
    expect(one!.brief.sizes).toEqual([{ ...BORE, ring: { system: 'US', size: '7' } }]);
    expect(one!.scale).toEqual({ way: 'chain', own: { metal: -1.7 }, skinMm: 0.05 });
    // No line is named: they keep their order, and are not lost.
    expect(Object.values(one!.result.castings)).toEqual([
      { flaws: [], photos: [], sizes: { held: { finished: { state: 'measured', value: 17.2 } } } },
      { flaws: [], photos: [] },
    ]);
    expect([two!.brief.sizes, two!.result.castings]).toEqual([[], {}]);
    await db.close();
  }, 60_000);
});
