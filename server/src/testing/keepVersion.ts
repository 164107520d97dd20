// node --import tsx server/src/testing/keepVersion.ts DATA_FOLDER: keeps the rows of a shop's folder as a fixture of the version that
// wrote it. Run with the folder of a shop that is closed (the demo shop's, say) whenever a version is released.
import { PGlite } from '@electric-sql/pglite';
import { writeFile } from 'node:fs/promises';
import path from 'node:path';
import { fileURLToPath } from 'node:url';
import { promisify } from 'node:util';
import { gzip } from 'node:zlib';
import type { KeptVersion } from './keptVersions';

const FIXTURES = fileURLToPath(new URL('../../fixtures/', import.meta.url));

/** Tables, those that others point to first; what triggers fill by themselves is not kept. */
async function tablesInOrder(db: PGlite): Promise<string[]> {
  const { rows: tables } = await db.query<{ name: string }>(
    `SELECT c.relname AS name FROM pg_class c JOIN pg_namespace n ON n.oid = c.relnamespace
     WHERE n.nspname = 'public' AND c.relkind = 'r' AND c.relname NOT IN ('migration', 'row_tally') ORDER BY 1`,
  );
  const { rows: points } = await db.query<{ from: string; to: string }>(
    `SELECT a.relname AS "from", b.relname AS "to" FROM pg_constraint k
     JOIN pg_class a ON a.oid = k.conrelid JOIN pg_class b ON b.oid = k.confrelid
     WHERE k.contype = 'f' AND a.oid <> b.oid`,
  );
  const ordered: string[] = [];
  let left = tables.map(({ name }) => name);
  while (left.length > 0) {
    const free = left.filter((name) => points.every(({ from, to }) => from !== name || ordered.includes(to)));
    if (free.length === 0) throw new Error(`these point to each other: ${left.join(', ')}`);
    ordered.push(...free);
    left = left.filter((name) => !free.includes(name));
  }
  return ordered;
}

const folder = process.argv[2];
if (folder === undefined) throw new Error('Name the data folder of a shop that is closed.');
const db = new PGlite(path.join(path.resolve(folder), 'database'));
const { rows: done } = await db.query<{ number: number }>('SELECT max(number) AS number FROM migration');
const kept: KeptVersion = { migration: done[0]!.number, tables: [] };
for (const table of await tablesInOrder(db)) {
  const { rows } = await db.query<{ row: object }>(`SELECT to_jsonb(t) AS row FROM ${table} t`);
  if (rows.length > 0) kept.tables.push({ table, rows: rows.map(({ row }) => row) });
}
await db.close();
const file = path.join(FIXTURES, `rows-${String(kept.migration).padStart(4, '0')}.json.gz`);
await writeFile(file, await promisify(gzip)(JSON.stringify(kept), { level: 9 }));
console.log(`${path.basename(file)}: ${kept.tables.reduce((sum, { rows }) => sum + rows.length, 0)} rows of ${kept.tables.length} tables`); // prettier-ignore
