import { PGlite, type Transaction } from '@electric-sql/pglite';
import { mkdir, readdir, readFile, rename, rm, writeFile } from 'node:fs/promises';
import { createHash } from 'node:crypto';
import path from 'node:path';
import { fileURLToPath } from 'node:url';

const MIGRATIONS = fileURLToPath(new URL('../../migrations/', import.meta.url));
const CACHE = fileURLToPath(new URL('../../../node_modules/.cache/zero-pour/', import.meta.url));

export type Database = PGlite;
/** A database or a transaction on it: anything that answers queries. */
export type Queryable = Pick<Transaction, 'query' | 'exec'>;

/** SQLSTATE of what the database refuses. */
const codeOf = (error: unknown): string | undefined => (error as { code?: string }).code;
export const isUniqueViolation = (error: unknown): boolean => codeOf(error) === '23505';
export const isForeignKeyViolation = (error: unknown): boolean => codeOf(error) === '23503';

const NUMERIC = 1700;
const INT8 = 20;
/** Numerics of this application (mm, g, money) fit a double; they arrive as text. */
const PARSERS = { [NUMERIC]: Number, [INT8]: Number };

interface Migration {
  number: number;
  name: string;
  sql: string;
}

/** Numbered migrations, in order: "0001_shop.sql". */
export async function readMigrations(): Promise<Migration[]> {
  const names = (await readdir(MIGRATIONS)).filter((name) => /^\d{4}_.+\.sql$/.test(name)).sort();
  return Promise.all(
    names.map(async (name) => ({
      number: Number(name.slice(0, 4)),
      name,
      sql: await readFile(path.join(MIGRATIONS, name), 'utf8'),
    })),
  );
}

/** Runs the migrations that this database has not had; each in its own transaction. Returns the newest number. */
export async function migrate(db: Database, migrations: readonly Migration[]): Promise<number> {
  await db.exec(
    'CREATE TABLE IF NOT EXISTS migration (number integer PRIMARY KEY, name text NOT NULL, at timestamptz NOT NULL DEFAULT now())',
  );
  const { rows } = await db.query<{ number: number }>('SELECT number FROM migration ORDER BY number');
  const had = new Set(rows.map((row) => row.number));
  const newest = migrations.at(-1)?.number ?? 0;
  if ([...had].some((number) => number > newest)) {
    throw new Error(
      'This data folder was written by a newer Zero Pour. Start that version, or use another folder.',
    );
  }
  for (const { number, name, sql } of migrations.filter((m) => !had.has(m.number))) {
    await db.transaction(async (tx) => {
      await tx.exec(sql);
      await tx.query('INSERT INTO migration (number, name) VALUES ($1, $2)', [number, name]);
    });
  }
  return newest;
}

/**
 * An empty, migrated cluster as a tar: creating one costs seconds, loading one a fraction.
 * Kept beside the installed packages, named by what it was made of.
 */
async function emptyCluster(migrations: readonly Migration[]): Promise<Blob> {
  const hash = createHash('sha256')
    .update(migrations.map((m) => m.sql).join('\n'))
    .digest('hex')
    .slice(0, 16);
  const file = path.join(CACHE, `empty-${hash}.tar`);
  try {
    return new Blob([await readFile(file)]);
  } catch {
    const db = await PGlite.create();
    await migrate(db, migrations);
    const dump = await db.dumpDataDir('none');
    await db.close();
    await mkdir(CACHE, { recursive: true });
    const partial = `${file}.${process.pid}`;
    await writeFile(partial, new Uint8Array(await dump.arrayBuffer()));
    await rename(partial, file);
    return dump;
  }
}

export interface OpenedDatabase {
  db: Database;
  migration: number;
}

/** Opens the database in a folder (created when absent), or in memory without one, and migrates it. */
export async function openDatabase(folder?: string): Promise<OpenedDatabase> {
  const migrations = await readMigrations();
  const isNew =
    folder === undefined ||
    !(await readdir(folder).then(
      (names) => names.includes('PG_VERSION'),
      () => false,
    ));
  const db = isNew
    ? await createFrom(await emptyCluster(migrations), folder)
    : await PGlite.create({ dataDir: folder, parsers: PARSERS });
  return { db, migration: await migrate(db, migrations) };
}

/** A new cluster is unpacked beside its place and moved there whole, so a stop half-way leaves nothing behind. */
async function createFrom(dump: Blob, folder: string | undefined): Promise<Database> {
  if (folder === undefined) return PGlite.create({ loadDataDir: dump, parsers: PARSERS });
  const partial = `${folder}.new`;
  await rm(partial, { recursive: true, force: true });
  const db = await PGlite.create({ dataDir: partial, loadDataDir: dump });
  await db.close();
  await rm(folder, { recursive: true, force: true });
  await rename(partial, folder);
  return PGlite.create({ dataDir: folder, parsers: PARSERS });
}
