import { PGlite } from '@electric-sql/pglite';
import {
  emptyPourDoc,
  pouredPrintsSchema,
  SHOP_SCHEMAS,
  settingsSchema,
  usedItemsSchema,
  usualPrinter,
  usualProfile,
  usualResin,
  type PourDoc,
  valueAt,
  type PouredPrint,
  type PrintedPlate,
} from '@zero-pour/contracts';
import type { ChangedPour } from '@zero-pour/contracts';
import { DEFAULT_SETTINGS } from '@zero-pour/contracts';
import { knowPrints, motionOf, tallyExpected, washedSince } from '@zero-pour/plan';
import { randomUUID } from 'node:crypto';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { migrate, readMigrations } from './db/migrations';
import { pgliteDatabase } from './db/pgliteDatabase';
import { openTestShop, type TestShop } from './testing/testShop';

let test: TestShop;
const resin = { ...usualResin('low-wax'), id: randomUUID(), name: 'Skerry Low-Ash' };
const printer = { ...usualPrinter(), id: randomUUID(), name: 'Printer A' };
const profile = { ...usualProfile(resin, printer, 'standard'), id: randomUUID() };
const PLATE: PrintedPlate = { printerId: printer.id, profileId: profile.id, layers: 400, exposureS: 1300, partsMl: 9, raftMl: 1.5 }; // prettier-ignore
const START = '2026-11-20T08:00:00.000Z';
const after = (minutes: number): string => new Date(Date.parse(START) + minutes * 60_000).toISOString();
const ask: TestShop['ask'] = (...args) => test.ask(...args);

beforeAll(async () => {
  test = await openTestShop();
  for (const [kind, { id, ...fields }] of [
    ['resin', resin],
    ['printer', printer],
    ['profile', profile],
  ] as const)
    // prettier-ignore
    expect((await ask('PUT', `/shop/${kind}/${id}`, fields)).status).toBe(200);
}, 60_000);
afterAll(() => test.close());

async function addPour(change: (doc: PourDoc) => void): Promise<string> {
  const id = randomUUID();
  const doc = emptyPourDoc();
  doc.resin = { resinId: resin.id, printerId: printer.id, profileId: profile.id };
  change(doc);
  expect((await ask('POST', '/pours', { id, doc })).status).toBe(201);
  return id;
}
const told = async (): Promise<PouredPrint[]> => pouredPrintsSchema.parse((await ask('GET', '/prints')).body);

describe('what pours tell of their prints', () => {
  it('is told once the print is started, and no more once the pour is put aside', async () => {
    const started = await addPour((doc) => Object.assign(doc.print, { startedAt: START, plate: PLATE }));
    const planned = await addPour(() => {});
    const ids = (await told()).map((print) => print.pourId);
    expect([started, planned].map((id) => ids.includes(id))).toEqual([true, false]);
    await ask('PUT', `/pours/${started}/discarded`, { discarded: true });
    expect((await told()).some((print) => print.pourId === started)).toBe(false);
  });

  it('teaches the motion of the printer, by what the printer took', async () => {
    const motionS = 7.5;
    for (const layers of [200, 400, 800, 1200, 1500]) {
      const seconds = PLATE.exposureS + layers * motionS;
      const plate = { ...PLATE, layers };
      await addPour((doc) =>
        Object.assign(doc.print, { startedAt: START, finishedAt: after(seconds / 60), plate }),
      );
    }
    const known = knowPrints({ printer: [printer], profile: [profile], resin: [resin] }, await told());
    expect(motionOf(known, printer, profile).value).toBeCloseTo(motionS, 0);
  });

  it('tells when the last bath of the protocol as it began was over, whatever was repeated', async () => {
    const begun = { name: '', version: 1, protocol: resin.protocol, cure: { lampNm: null, litSides: 1, turntable: false, reflector: false, vessel: 'none' as const } }; // prettier-ignore
    const id = await addPour((doc) => {
      Object.assign(doc.print, { startedAt: START, spares: 1 });
      doc.clean = {
        begun,
        steps: { bath1: { doneAt: after(10) }, bath2: { doneAt: after(20) }, 'bath2~2': { doneAt: after(50) }, cure: { doneAt: after(90) } }, // prettier-ignore
      };
    });
    const own = (await told()).filter((print) => print.pourId === id);
    expect(own[0]).toMatchObject({ washedAt: after(50), spares: 1, outcomes: {} });
    const known = knowPrints({ printer: [printer], profile: [profile], resin: [resin] }, own);
    // No pattern is named: a plate of nothing washes nothing.
    expect(washedSince(known, after(0))).toBe(0);
  });

  it('tells causes that were found, verdicts, and how castings came out, and nothing of notes', async () => {
    const id = await addPour((doc) => {
      Object.assign(doc.print, {
        startedAt: START,
        note: 'a secret',
        pieces: { 'l1/1': { outcome: 'lost', note: '', fault: 'fell from plate' } },
        why: { 'fell from plate': { confirmed: 'plate', ruledOut: ['load'] } },
      });
      doc.clean.pieces = { 'l1/1': { verdict: 'reprint', expect: 'poor' } };
      doc.result.castings = {
        'l1/2': { flaws: [], photos: [], outcome: 'scrap' },
        'l1/3': { flaws: [], photos: [] },
      };
    });
    const own = (await told()).find((print) => print.pourId === id)!;
    expect(own.print.why).toEqual({ 'fell from plate': { confirmed: 'plate', ruledOut: ['load'] } });
    expect(own.verdicts).toEqual({ 'l1/1': { verdict: 'reprint', expect: 'poor' } });
    expect(own.outcomes).toEqual({ 'l1/2': 'scrap' });
    expect(JSON.stringify(own)).not.toContain('secret');
    // A piece that is printed again became no casting.
    expect(tallyExpected([own]).poor.of).toBe(0);
  });
});

describe('what is kept of a print and its cleaning', () => {
  const change = (id: string, path: string[], value: unknown) =>
    ask('PATCH', `/pours/${id}`, { changes: [{ path, value, version: 2 }] });

  it.each([
    [['print', 'supports'], { by: 'by hand', weight: 'fine', tipMm: 0.3, came: 'clean' }, { weight: 'huge' }],
    [['print', 'after'], { 'vat wiped': START }, { 'vat burnt': START }],
    [['print', 'plate'], PLATE, { ...PLATE, layers: 0 }],
    [['print', 'vatC'], { state: 'measured', value: 27 }, { state: 'measured' }],
    [
      ['clean', 'pieces'],
      { 'l1/1': { verdict: 'test', expect: 'doubtful' } },
      { 'l1/1': { verdict: 'eat' } },
    ],
    [['clean', 'steps', 'look'], { doneAt: START, saw: 'tacky' }, { saw: 'lovely' }],
    [['wayUp', 'lines', 'l1'], { supported: true }, { supported: 'yes' }],
    [['flasks', 'f1', 'pour', 'steps'], { melt: { doneAt: START } }, { melt: { doneAt: 'noon' } }],
  ])('%j: kept as sent, refused when it makes no sense, and nothing lost', async (path, good, bad) => {
    const id = await addPour(() => {});
    const refusedOf = async (value: unknown) => ((await change(id, path, value)).body as ChangedPour).refused;
    expect(await refusedOf(good)).toEqual([]);
    expect(await refusedOf(bad)).toMatchObject([{ change: { path, value: bad }, code: 'BAD_REQUEST' }]);
    const kept = ((await ask('GET', `/pours/${id}`)).body as { doc: PourDoc }).doc;
    expect(valueAt(kept, path)).toEqual(good);
  });

  it('takes the same changes twice without doubling them: an answer may have been lost', async () => {
    const id = await addPour(() => {});
    const changes = ['bath1', 'bath2', 'look2~2'].map((key, i) => ({ path: ['clean', 'steps', key], value: { doneAt: after(i) } })); // prettier-ignore
    for (let n = 0; n < 2; n++) expect((await ask('PATCH', `/pours/${id}`, { changes })).status).toBe(200);
    const { doc } = (await ask('GET', `/pours/${id}`)).body as { doc: PourDoc };
    expect(doc.clean.steps).toEqual({ bath1: { doneAt: after(0) }, bath2: { doneAt: after(1) }, 'look2~2': { doneAt: after(2) } }); // prettier-ignore
  });
});

describe('a shop of the version before', () => {
  it('keeps its protocols, its settings and what poured pours were made with', async () => {
    const db = pgliteDatabase(new PGlite());
    const migrations = await readMigrations();
    await migrate(db, migrations.filter((m) => m.number <= 5)); // prettier-ignore
    const { protocolName: _n, protocolVersion: _v, curedGPerMl: _c, ...old } = resin;
    const plain = old.protocol.map(({ medium: _m, tempC: _t, motion: _o, times: _times, ...step }) => step);
    const before = { ...old, protocol: plain };
    const columns = Object.keys(before).map((field) => field.replace(/[A-Z]/g, (l) => `_${l.toLowerCase()}`));
    await db.query(
      `INSERT INTO resin (${columns.join(', ')}) VALUES (${columns.map((_, i) => `$${i + 1}`).join(', ')})`,
      Object.values(before).map((value) => (Array.isArray(value) ? JSON.stringify(value) : value)),
    );
    await db.query('INSERT INTO pour (id, number, doc, used, poured_at) VALUES ($1, 1, $2, $3, now())', [
      randomUUID(),
      JSON.stringify(emptyPourDoc()),
      JSON.stringify({ resin: before }),
    ]);
    const settings = { shopName: 'Gannet Yard', currency: '', benchHours: Array.from({ length: 7 }, () => ({ open: true, fromMin: 480, toMin: 1080 })), newMetalPercent: 50, testSet: [] }; // prettier-ignore
    await db.query('INSERT INTO settings (data) VALUES ($1)', [JSON.stringify(settings)]);
    await migrate(db, migrations);
    const { rows } = await db.query<{ protocol: unknown }>('SELECT protocol FROM resin');
    const steps = SHOP_SCHEMAS.resin.shape.protocol.parse(rows[0]!.protocol);
    expect(steps.map(({ key, medium, times }) => [key, medium, times])).toEqual(plain.map(({ key }) => [key, null, 1])); // prettier-ignore
    const used = (await db.query<{ used: unknown }>('SELECT used FROM pour')).rows[0]!.used;
    expect(usedItemsSchema.parse(used).resin!.protocolVersion).toBe(1);
    const kept = (await db.query<{ data: unknown }>('SELECT data FROM settings')).rows[0]!.data;
    expect(settingsSchema.parse({ ...DEFAULT_SETTINGS, ...(kept as object) })).toMatchObject({
      shopName: 'Gannet Yard',
      baths: [],
    });
    await db.close();
  }, 60_000);
});
