import { PGlite } from '@electric-sql/pglite';
import { pourDocSchema, SHOP_KINDS, TELLS_VERSION } from '@zero-pour/contracts';
import { createDemoShop } from '@zero-pour/demo';
import { createHash } from 'node:crypto';
import { beforeAll, describe, expect, it } from 'vitest';
import { jobKey, patternJob } from '@zero-pour/jobs';
import type { Database } from './db/database';
import { migrate, readMigrations } from './db/migrations';
import { pgliteDatabase } from './db/pgliteDatabase';
import { listKnownParts } from './db/readingStore';
import { listYields } from './db/recordStore';
import { listPouredPrints, renewPours } from './db/tellsStore';
import { releasedPours } from './testing/versionOne';

const PATTERN = '00000000-0000-4000-8000-000000000001';
const FILE = createHash('sha256').update('a part').digest('hex');
const SHAPE = createHash('sha256').update('its shape').digest('hex');
/** The demo that the released pours were taken from was dated so. */
const RELEASED_ON = new Date('2026-11-24T09:00:00');
let db: Database;

/** A thing of today's demo in the table as it was: only the columns that it had, with a raft as every profile had one. */
async function insertAsBefore(kind: string, item: object): Promise<void> {
  const { rows } = await db.query<{ name: string }>(
    'SELECT column_name AS name FROM information_schema.columns WHERE table_name = $1',
    [kind],
  );
  const had = new Set(rows.map(({ name }) => name));
  const columnOf = (field: string): string => field.replace(/[A-Z]/g, (letter) => `_${letter.toLowerCase()}`);
  const fields = Object.entries(item).filter(([field]) => had.has(columnOf(field)));
  const values = fields.map(([field, value]) =>
    field === 'raftMl'
      ? (value ?? 1.5)
      : typeof value === 'object' && value !== null
        ? JSON.stringify(value)
        : value,
  );
  await db.query(
    `INSERT INTO ${kind} (${fields.map(([field]) => columnOf(field)).join(', ')}) VALUES (${fields.map((_, i) => `$${i + 1}`).join(', ')})`,
    values,
  );
}

/** A database of the version before, with the pours of a released shop in it and an analysed pattern. */
beforeAll(async () => {
  db = pgliteDatabase(new PGlite());
  const migrations = await readMigrations();
  await migrate(db, migrations.filter((m) => m.number <= 10)); // prettier-ignore
  const { file } = await createDemoShop(RELEASED_ON);
  for (const kind of [...SHOP_KINDS].sort((a) => (a === 'profile' ? 1 : -1)))
    for (const item of file.lists[kind]) await insertAsBefore(kind, item);
  const files = [FILE, SHAPE, ...file.patterns.map(({ fileHash }) => fileHash)];
  for (const hash of files)
    await db.query("INSERT INTO blob (hash, bytes, media_type) VALUES ($1, 6, 'application/octet-stream')", [hash]); // prettier-ignore
  for (const pattern of file.patterns) await insertAsBefore('pattern', pattern);
  for (const { id, number, doc } of releasedPours()) {
    const recordedAt = (doc['result'] as { doneAt?: string }).doneAt ?? null;
    await db.query('INSERT INTO pour (id, number, doc, recorded_at) VALUES ($1, $2, $3, $4)', [
      id,
      number,
      JSON.stringify(doc),
      recordedAt,
    ]);
  }
  await db.query(
    `INSERT INTO pattern (id, name, file_name, file_hash, measure, note) VALUES ($1, 'Part', 'Part.OBJ', $2, '{"unitMm": 25.4}', '')`,
    [PATTERN, FILE],
  );
  await db.query(
    `INSERT INTO pattern_analysis (file_hash, unit_mm, version, result, shape_hash) VALUES ($1, 25.4, $2, $3, $4)`,
    [FILE, patternJob.version, JSON.stringify({ status: 'analysed', shapeHash: SHAPE, analysis: { thickness: { thinnestMm: 0.4, histogramMm3: [1, 2, 3] } } }), SHAPE],
  ); // prettier-ignore
  await migrate(db, migrations);
}, 120_000);

describe('a data folder of the version before', () => {
  it('keeps every pour, now by names', async () => {
    expect([await renewPours(db), await renewPours(db)]).toEqual([releasedPours().length, 0]);
    const { rows } = await db.query<{ number: number; doc: unknown; version: number }>(
      'SELECT number, doc, told_version AS version FROM pour ORDER BY number',
    );
    expect(rows.map(({ version }) => version)).toEqual(rows.map(() => TELLS_VERSION));
    for (const { doc } of rows) expect(pourDocSchema.parse(doc).version).toBe(2);
  });

  it('keeps its resins and profiles: cured density not known, rafts by thickness', async () => {
    const { rows: resins } = await db.query<{ cured: unknown }>('SELECT cured_g_per_ml AS cured FROM resin');
    expect(resins.length).toBeGreaterThan(0);
    expect(resins.every(({ cured }) => cured === null)).toBe(true);
    const { rows: profiles } = await db.query<{ raft: unknown }>('SELECT raft_ml AS raft FROM profile');
    expect(profiles.length).toBeGreaterThan(0);
    expect(profiles.every(({ raft }) => raft === null)).toBe(true);
  });

  it('tells of its prints, castings and yields what a shop of today tells', async () => {
    const { file } = await createDemoShop(RELEASED_ON);
    const prints = await listPouredPrints(db);
    expect(prints.length).toBe(file.pours.filter(({ doc }) => doc.print.startedAt).length);
    const yields = await listYields(db);
    const judged = file.pours.filter(({ doc }) => doc.result.doneAt).flatMap(({ doc }) => Object.values(doc.result.castings)); // prettier-ignore
    expect(yields.reduce((sum, { castOf }) => sum + castOf, 0)).toBe(judged.length);
    expect(yields.reduce((sum, { castGood }) => sum + castGood, 0)).toBe(judged.filter(({ outcome }) => outcome === 'sellable').length); // prettier-ignore
  });

  it('has its analyses under the keys that are asked for today', async () => {
    const key = await jobKey(patternJob, { file: FILE, format: 'obj', unitMm: 25.4 });
    const { rows } = await db.query<{ key: string; hash: string }>(
      'SELECT r.key, b.hash FROM reading r JOIN reading_blob b ON b.key = r.key',
    );
    expect(rows).toEqual([{ key, hash: SHAPE }]);
    expect(await listKnownParts(db)).toMatchObject([{ patternId: PATTERN, thinnestMm: 0.4 }]);
  });
});
