import type { Database, Queryable } from '../db/database';
import { meansDamage, ShopDamagedError } from './shopDamaged';

/** Tables whose rows are counted beside them (migration 0028), as a person calls what is in them. */
const WORDS: Record<string, string> = {
  settings: 'settings', resin: 'resins', printer: 'printers', profile: 'profiles', powder: 'powders', flask: 'flasks',
  kiln: 'kilns', alloy: 'metals', programme: 'programmes', blob: 'files of patterns and photos', pattern: 'patterns',
  pour: 'pours', bench_record: 'records of the bench', item_history: 'former states of things', kiln_run: 'logs of kilns',
}; // prettier-ignore
const TABLES = Object.keys(WORDS);

export interface TableCount {
  table: string;
  rows: number;
  told: number;
}

/** Row by row out of a table's own pages: an index would answer for rows that are gone. */
const BY_ROWS =
  'SET LOCAL enable_indexscan = off; SET LOCAL enable_indexonlyscan = off; SET LOCAL enable_bitmapscan = off';
/** In the order of one index, which is read whole. */
const BY_INDEX =
  'SET LOCAL enable_seqscan = off; SET LOCAL enable_sort = off; SET LOCAL enable_bitmapscan = off';

/** Rows that each table has beside how many it should have. */
export async function countRows(db: Pick<Database, 'transaction'>): Promise<TableCount[]> {
  const counts = TABLES.map((table) => `SELECT '${table}' AS name, count(*) AS n FROM ${table}`);
  return db.transaction(async (tx: Queryable) => {
    await tx.exec(BY_ROWS);
    const { rows } = await tx.query<{ table: string; rows: unknown; told: unknown }>(
      `SELECT c.name AS table, c.n AS rows, coalesce(t.n, 0) AS told FROM (${counts.join(' UNION ALL ')}) c
       LEFT JOIN (SELECT of_table, sum(delta) AS n FROM row_tally GROUP BY of_table) t ON t.of_table = c.name`,
    );
    return rows.map(({ table, rows: n, told }) => ({ table, rows: Number(n), told: Number(told) }));
  });
}

/** Whether every index that things are found by leads to all rows of its table. */
async function areIndexesWhole(db: Database, counts: readonly TableCount[]): Promise<boolean> {
  const { rows } = await db.query<{ table: string; column: string }>(
    `SELECT c.relname AS table, a.attname AS column FROM pg_index i JOIN pg_class c ON c.oid = i.indrelid
     JOIN pg_attribute a ON a.attrelid = i.indrelid AND a.attnum = i.indkey[0]
     WHERE i.indisunique AND i.indnkeyatts = 1 AND i.indpred IS NULL AND c.relname = ANY($1)`,
    [TABLES],
  );
  const expected = new Map(counts.map(({ table, rows: n }) => [table, n]));
  try {
    for (const { table, column } of rows) {
      const found = await db.transaction(async (tx) => {
        await tx.exec(BY_INDEX);
        return tx.query<{ n: unknown }>(`SELECT count(*) AS n FROM (SELECT ${column} FROM ${table} ORDER BY ${column}) one`); // prettier-ignore
      });
      if (Number(found.rows[0]!.n) < expected.get(table)!) return false;
    }
    return true;
  } catch (error) {
    if (!meansDamage(error)) throw error;
    return false;
  }
}

const listed = (parts: readonly string[]): string => parts.length < 2 ? parts.join('') : `${parts.slice(0, -1).join(', ')} and ${parts.at(-1)}`; // prettier-ignore

/** What is missing, and what is whole, in one sentence; null where every table has what it should. */
export function tallySentence(counts: readonly TableCount[]): string | null {
  const lost = counts.filter(({ rows, told }) => rows < told);
  const more = counts.filter(({ rows, told }) => rows > told);
  if (lost.length + more.length === 0) return null;
  const whole = counts.filter(({ table, rows, told }) => table !== 'settings' && rows === told && rows > 0);
  const gone = lost.map(({ table, rows, told }) => `${told - rows} of ${told} ${WORDS[table]}`);
  const off = more.map(({ table, rows, told }) => `${rows} ${WORDS[table]} where ${told} were counted`);
  const is = whole.length === 0 ? 'Nothing else is in it' : `All ${listed(whole.map(({ rows, table }) => `${rows} ${WORDS[table]}`))} are there`; // prettier-ignore
  return `The shop’s database is damaged: ${[gone.length > 0 ? `${listed(gone)} are gone` : '', off.length > 0 ? `it has ${listed(off)}` : ''].filter((part) => part !== '').join(', and ')}. ${is}.`; // prettier-ignore
}

/** Throws ShopDamagedError when a table has other than it should. An index that is damaged alone is made anew: its table is whole. */
export async function refuseLostRows(db: Database, onMended: (what: string) => void): Promise<void> {
  const counts = await countRows(db);
  const sentence = tallySentence(counts);
  if (sentence !== null) throw new ShopDamagedError(sentence, true);
  if (await areIndexesWhole(db, counts)) return;
  for (const table of TABLES) await db.exec(`REINDEX TABLE ${table}`);
  onMended('An index of the database was damaged; all rows are there, and the indexes were made anew.');
}

/** Sums up what was told since the last start. Others may add meanwhile: only what is seen is summed. */
export async function sumTally(db: Database): Promise<void> {
  await db.transaction(async (tx) => {
    await tx.exec('WITH told AS (DELETE FROM row_tally RETURNING of_table, delta) INSERT INTO row_tally SELECT of_table, sum(delta) FROM told GROUP BY of_table'); // prettier-ignore
  });
}

/** What is there is what should be: after somebody decided to go on with it. */
export async function acceptRows(db: Database): Promise<void> {
  await db.transaction(async (tx) => {
    await tx.exec('DELETE FROM row_tally');
    for (const table of TABLES)
      await tx.exec(`INSERT INTO row_tally SELECT '${table}', count(*) FROM ${table}`);
  });
}
