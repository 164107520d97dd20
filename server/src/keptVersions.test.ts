import { PGlite } from '@electric-sql/pglite';
import { pourDocSchema } from '@zero-pour/contracts';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { countRows, refuseLostRows } from './damage/rowTally';
import type { Database } from './db/database';
import { migrate, readMigrations } from './db/migrations';
import { PARSERS } from './db/parsers';
import { pgliteDatabase } from './db/pgliteDatabase';
import { renewPours } from './db/tellsStore';
import { readShopState } from './services/readShopState';
import { keptVersions } from './testing/keptVersions';

const versions = keptVersions();

it('folders of more than one version are kept', () => {
  expect(versions.length).toBeGreaterThan(1);
});

/** Columns that are written, not made of others. */
async function writtenColumns(db: Database, table: string): Promise<string> {
  const { rows } = await db.query<{ name: string }>(
    `SELECT column_name AS name FROM information_schema.columns WHERE table_name = $1 AND is_generated = 'NEVER'`,
    [table],
  );
  return rows.map(({ name }) => `"${name}"`).join(', ');
}

describe.each(versions)('a folder as version $migration left it', ({ migration, tables }) => {
  let db: Database;
  const kept = new Map(tables.map(({ table, rows }) => [table, rows.length]));
  beforeAll(async () => {
    db = pgliteDatabase(new PGlite({ parsers: PARSERS }));
    const migrations = await readMigrations();
    await migrate(db, migrations.filter(({ number }) => number <= migration)); // prettier-ignore
    // What a step wrote by itself stands in the rows as well.
    for (const { table } of [...tables].reverse()) await db.query(`DELETE FROM ${table}`);
    for (const { table, rows } of tables) {
      // Words of a pour are written beside it by the database itself.
      const columns = await writtenColumns(db, table);
      await db.query(
        `INSERT INTO ${table} (${columns}) SELECT ${columns} FROM jsonb_populate_recordset(NULL::${table}, $1::jsonb)
         ON CONFLICT DO NOTHING`,
        [JSON.stringify(rows)],
      );
    }
    await migrate(db, migrations);
    await renewPours(db);
  }, 120_000);
  afterAll(() => db.close());

  it('keeps every row, and counts them so', async () => {
    const counted = await countRows(db);
    for (const { table, rows } of counted) if (kept.has(table)) expect(rows, table).toBe(kept.get(table));
    expect(counted.filter(({ rows, told }) => rows !== told)).toEqual([]);
    await refuseLostRows(db, (said) => expect.unreachable(said));
  });
  it('has every pour as this version writes it, and its number', async () => {
    const { rows } = await db.query<{ number: number; doc: unknown }>('SELECT number, doc FROM pour');
    expect(rows).toHaveLength(kept.get('pour')!);
    for (const { number, doc } of rows) expect(pourDocSchema.safeParse(doc).error, `pour ${number}`).toBeUndefined(); // prettier-ignore
  });
  it('is a shop that starts', async () => {
    const state = await readShopState(db);
    expect(state.unread).toEqual([]);
    expect(state.openPours.length).toBeGreaterThan(0);
    expect(state.lists.resin).toHaveLength(kept.get('resin')!);
  });
});
