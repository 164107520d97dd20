import { PGlite } from '@electric-sql/pglite';
import {
  BENCH_RECORD_SCHEMAS,
  emptyPourDoc,
  usualPrinter,
  usualProfile,
  usedItemsSchema,
  usualResin,
  type History,
  type PourYield,
  type RecordDoc,
  type RecordLists,
  type Records,
} from '@zero-pour/contracts';
import { usualCoupon } from '@zero-pour/core';
import { randomUUID } from 'node:crypto';
import { afterAll, beforeAll, beforeEach, describe, expect, it } from 'vitest';
import { migrate, readMigrations } from './db/migrations';
import { pgliteDatabase } from './db/pgliteDatabase';
import { openTestShop, type TestShop } from './testing/testShop';

let test: TestShop;
let resinId: string;
let printerId: string;
const ask: TestShop['ask'] = (...args) => test.ask(...args);

beforeAll(async () => {
  test = await openTestShop();
}, 60_000);
afterAll(() => test.close());
beforeEach(async () => {
  [resinId, printerId] = [randomUUID(), randomUUID()];
  await ask('PUT', `/shop/resin/${resinId}`, { ...usualResin('low-wax'), name: `R ${resinId}` });
  await ask('PUT', `/shop/printer/${printerId}`, { ...usualPrinter(), name: `P ${printerId}` });
});

const trial = (change: Partial<RecordDoc<'trial'>> = {}): RecordDoc<'trial'> => ({
  resinId,
  printerId,
  printedAt: '2026-11-20T10:00:00.000Z',
  layerMm: 0.05,
  exposureS: 3,
  baseExposureS: 25,
  baseLayers: 6,
  vatC: { state: 'measured', value: 27 },
  roomC: { state: 'not measured' },
  raftMm: 0.8,
  primingCoats: null,
  coupon: usualCoupon('3 S', ['filigree']),
  counts: { filigree: { struts: { good: 22 }, slots: { word: 'most' } } },
  base: 'held',
  flaws: ['stripes'],
  widths: [{ kind: 'strut', drawnMm: 0.25, measuredMm: 0.24 }],
  photos: [],
  note: '',
  ...change,
});

describe('records of what was tried', () => {
  it('are kept, listed by kind in the order they came, changed and taken away', async () => {
    const ids = [randomUUID(), randomUUID()];
    for (const [i, id] of ids.entries()) {
      const answer = await ask('PUT', `/records/trial/${id}`, trial({ exposureS: 3 + i }));
      expect(answer.status).toBe(200);
      expect(BENCH_RECORD_SCHEMAS.trial.parse(answer.body).id).toBe(id);
    }
    await ask('PUT', `/records/trial/${ids[0]}`, trial({ note: 'again' }));
    const lists: RecordLists = ((await ask('GET', '/records')).body as Records).lists;
    const mine = lists.trial.filter((t) => t.resinId === resinId);
    expect(mine.map((t) => [t.id, t.note])).toEqual([
      [ids[0], 'again'],
      [ids[1], ''],
    ]);
    expect((await ask('DELETE', `/records/trial/${ids[0]}`)).status).toBe(204);
    const after: RecordLists = ((await ask('GET', '/records')).body as Records).lists;
    expect(after.trial.filter((t) => t.resinId === resinId).map((t) => t.id)).toEqual([ids[1]]);
  });

  it.each([
    [
      'more struts than the coupon has',
      () => trial({ counts: { filigree: { struts: { good: 25 }, slots: null } } }),
      422,
    ],
    ['an exposure below nothing', () => trial({ exposureS: -1 }), 422],
    ['a field that is not known', () => ({ ...trial(), colour: 'teal' }), 422],
    ['a resin that is not there', () => trial({ resinId: randomUUID() }), 404],
  ])('refuses %s', async (_, body, status) => {
    const id = randomUUID();
    expect((await ask('PUT', `/records/trial/${id}`, body())).status).toBe(status);
    const lists: RecordLists = ((await ask('GET', '/records')).body as Records).lists;
    expect(lists.trial.some((t) => t.id === id)).toBe(false);
  });

  it('refuses a kind that is not known', async () => {
    expect((await ask('PUT', `/records/guess/${randomUUID()}`, trial())).status).toBe(422);
  });

  it('keep the resin and printer that they name', async () => {
    await ask('PUT', `/records/trial/${randomUUID()}`, trial());
    const answer = await ask('DELETE', `/shop/resin/${resinId}`);
    expect(answer.status).toBe(409);
    expect(JSON.stringify(answer.body)).toContain('trial');
  });
});

describe('history', () => {
  it('remembers how a thing stood, once for what is typed in one go', async () => {
    const at = `/shop/resin/${resinId}`;
    const resin = { ...usualResin('low-wax'), name: `R ${resinId}` };
    for (const densityGPerMl of [1.12, 1.13, 1.14]) await ask('PUT', at, { ...resin, densityGPerMl });
    await ask('PUT', at, { ...resin, densityGPerMl: 1.14 });
    const history: History = (await ask('GET', `${at}/history`)).body;
    expect(history).toHaveLength(1);
    expect(history[0]!.before).toMatchObject({ densityGPerMl: 1.1, name: resin.name });
  });
  it('is empty for what never changed', async () => {
    expect((await ask('GET', `/shop/printer/${printerId}/history`)).body).toEqual([]);
  });
});

describe('profiles in versions', () => {
  it('keep the former one, which cannot be removed while it is named', async () => {
    const of = { id: resinId, name: 'R', raftMm: 1 };
    const printer = { id: printerId, name: 'P' };
    const [first, second] = [randomUUID(), randomUUID()];
    await ask('PUT', `/shop/profile/${first}`, {
      ...usualProfile(of, printer, 'filigree'),
      name: `A ${first}`,
      replaced: true,
    });
    const kept = await ask('PUT', `/shop/profile/${second}`, {
      ...usualProfile(of, printer, 'filigree'),
      name: `A ${second}`,
      version: 2,
      formerId: first,
      foundAt: '2026-11-20T10:00:00.000Z',
    });
    expect(kept.body).toMatchObject({ version: 2, formerId: first, foundAt: '2026-11-20T10:00:00.000Z' });
    expect((await ask('DELETE', `/shop/profile/${first}`)).status).toBe(409);
  });
});

describe('yields of recorded pours', () => {
  it('count pieces and castings by resin and class, and only of pours in the record', async () => {
    const pour = async (recorded: boolean): Promise<void> => {
      const doc = emptyPourDoc();
      doc.resin = { resinId, printerId };
      doc.brief.castClass = 'filigree';
      doc.print.pieces = { 'l1/1': { outcome: 'good', note: '' }, 'l1/2': { outcome: 'lost', note: '' } };
      doc.result.castings = {
        'l1/1': { outcome: 'sellable', flaws: [], photos: [] },
        'l1/2': { outcome: 'scrap', flaws: [], photos: [] },
        'l1/3': { flaws: [], photos: [] },
      };
      const id = randomUUID();
      await ask('POST', '/pours', { id, doc });
      if (!recorded) return;
      const changes = [{ path: ['result', 'doneAt'], value: '2026-11-21T09:00:00.000Z' }];
      expect((await ask('PATCH', `/pours/${id}`, { changes })).status).toBe(200);
    };
    await pour(true);
    await pour(true);
    await pour(false);
    const yields: PourYield[] = (await ask('GET', '/yields')).body;
    expect(yields.filter((y) => y.resinId === resinId)).toEqual([
      { resinId, castClass: 'filigree', printedGood: 2, printedOf: 4, castGood: 2, castOf: 4 },
    ]);
  });
});

describe('a shop of the version before', () => {
  /** Fields that the former version kept. */
  const without = (item: object, gone: readonly string[]) =>
    Object.fromEntries(Object.entries(item).filter(([field]) => !gone.includes(field)));

  it('gains the new fields, in the copies that its poured pours keep as well', async () => {
    const db = pgliteDatabase(new PGlite());
    const migrations = await readMigrations();
    const columns = async (table: string): Promise<Set<string>> => {
      const { rows } = await db.query<{ name: string }>(
        'SELECT column_name AS name FROM information_schema.columns WHERE table_name = $1',
        [table],
      );
      return new Set(rows.map((row) => row.name));
    };
    await migrate(
      db,
      migrations.filter((m) => m.number <= 3),
    );
    const old = await columns('resin');
    const isNew = (field: string): boolean => !old.has(field.replace(/[A-Z]/g, (l) => `_${l.toLowerCase()}`));
    const resin = { ...usualResin('low-wax'), id: randomUUID() };
    const used = { resin: without(resin, Object.keys(usualResin('low-wax')).filter(isNew)) };
    expect(usedItemsSchema.safeParse(used).success).toBe(false);
    await db.query(`INSERT INTO pour (id, number, doc, used, poured_at) VALUES ($1, 1, $2, $3, now())`, [
      randomUUID(),
      JSON.stringify(emptyPourDoc()),
      JSON.stringify(used),
    ]);
    await migrate(db, migrations);
    const { rows } = await db.query<{ used: unknown }>('SELECT used FROM pour');
    expect(usedItemsSchema.parse(rows[0]!.used).resin).toMatchObject({ vatLifeDays: 14, reported: [] });
    await db.close();
  }, 60_000);
});
