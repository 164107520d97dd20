import { createHash } from 'node:crypto';
import { readdir, readFile } from 'node:fs/promises';
import path from 'node:path';
import { ROOT } from '../root';
import { holdLock, type Database, type Queryable } from './database';

const MIGRATIONS = path.join(ROOT, 'server/migrations');
/** SHA-256 of each migration as it landed, newest wording last: two were reworded once, and both wordings are known. */
const LANDED = path.join(MIGRATIONS, 'landed.json');

/** A data folder that is not opened, and why, in one sentence. Nothing in it was changed. */
export class FolderRefusedError extends Error {
  override readonly name = 'FolderRefusedError';
}

export interface Migration {
  number: number;
  name: string;
  sql: string;
  checksum: string;
  /** Every wording that ever landed. */
  landed: readonly string[];
}

/** Numbered migrations, in order: "0001_shop.sql". */
export async function readMigrations(): Promise<Migration[]> {
  const names = (await readdir(MIGRATIONS)).filter((name) => /^\d{4}_.+\.sql$/.test(name)).sort();
  const landed = JSON.parse(await readFile(LANDED, 'utf8')) as Record<string, string[]>;
  return Promise.all(
    names.map(async (name) => {
      const sql = await readFile(path.join(MIGRATIONS, name), 'utf8');
      const checksum = createHash('sha256').update(sql).digest('hex');
      return { number: Number(name.slice(0, 4)), name, sql, checksum, landed: landed[name] ?? [] };
    }),
  );
}

interface Done {
  number: number;
  name: string;
  checksum: string | null;
}

/** Refuses a database that these migrations did not make. */
function checkDone(done: readonly Done[], migrations: readonly Migration[]): void {
  const newest = migrations.at(-1)?.number ?? 0;
  for (const { number, name, checksum } of done) {
    if (number > newest)
      throw new FolderRefusedError(
        'This data folder was written by a newer Zero Pour. Start that version, or use another folder.',
      );
    const known = migrations.find((migration) => migration.number === number);
    if (checksum !== null && !(known && [...known.landed, known.checksum].includes(checksum)))
      throw new FolderRefusedError(
        `This data folder was made by a Zero Pour that was changed (its step ${name} is not the one that is known here). Start that one, or use another folder.`,
      );
  }
}

/** Steps that this database has had; their checksums through JSON, since the column is younger than some databases. */
async function readDone(tx: Queryable): Promise<Done[]> {
  const { rows } = await tx.query<Done>(
    "SELECT number, name, to_jsonb(migration) ->> 'checksum' AS checksum FROM migration ORDER BY number",
  );
  return rows;
}

/** How many steps a database has had, and how many are left. Throws FolderRefusedError as `migrate` does. */
export async function pendingMigrations(
  db: Queryable,
  migrations: readonly Migration[],
): Promise<{ done: number; left: number }> {
  const { rows } = await db.query<{ is: boolean }>("SELECT to_regclass('migration') IS NOT NULL AS is");
  const done = rows[0]?.is ? await readDone(db) : [];
  checkDone(done, migrations);
  const had = new Set(done.map(({ number }) => number));
  return {
    done: done.at(-1)?.number ?? 0,
    left: migrations.filter(({ number }) => !had.has(number)).length,
  };
}

const MIGRATION_TABLE =
  'CREATE TABLE IF NOT EXISTS migration (number integer PRIMARY KEY, name text NOT NULL, at timestamptz NOT NULL DEFAULT now(), checksum text)';

/**
 * Runs the migrations that this database has not had, all or none, one process at a time. Returns the newest number.
 * Throws FolderRefusedError for a database of a newer or another program.
 */
export async function migrate(db: Database, migrations: readonly Migration[]): Promise<number> {
  await db.transaction(async (tx) => {
    await holdLock(tx, 'migration');
    await tx.exec(MIGRATION_TABLE);
    const done = await readDone(tx);
    checkDone(done, migrations);
    const had = new Set(done.map((step) => step.number));
    await tx.exec('ALTER TABLE migration ADD COLUMN IF NOT EXISTS checksum text');
    for (const { number, name, sql, checksum } of migrations.filter((m) => !had.has(m.number))) {
      await tx.exec(sql);
      await tx.query('INSERT INTO migration (number, name, checksum) VALUES ($1, $2, $3)', [
        number,
        name,
        checksum,
      ]);
    }
  });
  return migrations.at(-1)?.number ?? 0;
}
