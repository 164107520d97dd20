import {
  BENCH_RECORD_SCHEMAS,
  emptyRecords,
  parseOrRefuse,
  recordFaults,
  refuseNewFaults,
  Refusal,
  RECORD_KINDS,
  type BenchRecord,
  type KeptRecord,
  type PourYield,
  type RecordKind,
  type Records,
} from '@zero-pour/contracts';
import { isDeepStrictEqual } from 'node:util';
import type { z } from 'zod';
import { isForeignKeyViolation, type Queryable } from './database';
import { readOne } from './readStored';
import { holdBase, listRecordRevisions, type Base } from './revisions';

interface Row {
  id: string;
  kind: RecordKind;
  doc: Record<string, unknown>;
}

const TITLES: Record<RecordKind, string> = {
  trial: 'A coupon’s trial',
  cureTest: 'A cure-depth test',
  testSetRun: 'A run of the test set',
  sizeSeries: 'A series of sizes',
  metalLot: 'A lot of metal',
  mold: 'A mold',
  moldTest: 'A test of a mold’s material',
  recipe: 'A recipe',
  slip: 'A slip from the bench',
  scrapBatch: 'A taking-in of old records',
};
/** What a record names that may not be there any more. */
const NAMED: Partial<Record<RecordKind, string>> = {
  metalLot: 'metal of that kind',
  mold: 'pattern or resin of that kind',
};
const stored = (kind: RecordKind) => ({
  kind,
  schema: BENCH_RECORD_SCHEMAS[kind] as z.ZodType<BenchRecord<RecordKind>>,
  nameOf: () => TITLES[kind],
  jsonOf: ({ id, doc }: Row): unknown => ({ ...doc, id }),
});

/** Everything that was tried with resins, by kind, oldest first. */
export async function listRecords(db: Queryable): Promise<Records> {
  const { rows } = await db.query<Row>('SELECT id, kind, doc FROM bench_record ORDER BY created_at, id');
  const lists = emptyRecords();
  const unread: Records['unread'] = [];
  for (const row of rows) {
    const found = readOne(row, stored(row.kind));
    if ('read' in found) (lists[row.kind] as unknown[]).push(found.read);
    else unread.push(found.unread);
  }
  return { lists, revisions: await listRecordRevisions(db), unread };
}

/** All records with the moment since when each is kept, for an archive. */
export async function exportRecords(
  db: Queryable,
): Promise<{ lists: Record<RecordKind, KeptRecord[]>; unread: Records['unread'] }> {
  const { rows } = await db.query<Row & { at: Date }>(
    'SELECT id, kind, doc, created_at AS at FROM bench_record',
  );
  const lists = Object.fromEntries(RECORD_KINDS.map((kind) => [kind, [] as KeptRecord[]])) as Record<
    RecordKind,
    KeptRecord[]
  >;
  const unread: Records['unread'] = [];
  for (const row of rows) {
    const found = readOne(row, stored(row.kind));
    if ('read' in found) lists[row.kind].push({ createdAt: row.at.toISOString(), record: found.read });
    else unread.push(found.unread);
  }
  return { lists, unread };
}
export async function restoreRecord(
  db: Queryable,
  kind: RecordKind,
  { createdAt, record }: KeptRecord,
): Promise<void> {
  await keepRecord(db, kind, record, 'any');
  await db.query('UPDATE bench_record SET created_at = $2 WHERE id = $1', [record.id, createdAt]);
}

/** One record; undefined for none. */
export async function findRecord<K extends RecordKind>(
  db: Queryable,
  kind: K,
  id: string,
): Promise<BenchRecord<K> | undefined> {
  const { rows } = await db.query<Row>('SELECT id, kind, doc FROM bench_record WHERE kind = $1 AND id = $2', [
    kind,
    id,
  ]);
  const found = rows[0] && readOne(rows[0], stored(kind));
  return found && 'read' in found ? (found.read as unknown as BenchRecord<K>) : undefined;
}

/** Adds or replaces a record. Refuses one whose resin or printer is not there, or that takes another kind's place. */
export async function keepRecord<K extends RecordKind>(
  db: Queryable,
  kind: K,
  given: unknown,
  base: Base,
): Promise<{ record: BenchRecord<K>; revision: number }> {
  const record = parseOrRefuse(BENCH_RECORD_SCHEMAS[kind], given);
  const { id, ...doc } = record;
  const { rows: had } = await db.query<Row & { revision: number }>(
    'SELECT id, kind, doc, revision FROM bench_record WHERE id = $1 FOR UPDATE',
    [id],
  );
  if (had[0] && had[0].kind !== kind) throw new Refusal('ID_TAKEN', { what: 'record' });
  const held = had[0] && { value: { ...had[0].doc, id } as unknown, revision: had[0].revision };
  if (held && !holdBase(held, base, record)) return { record, revision: held.revision };
  if (held && kind === 'recipe') holdRecipe(had[0]!.doc, record as BenchRecord<'recipe'>);
  const before = had[0] && readOne(had[0], stored(kind));
  if (base !== 'any')
    refuseNewFaults(
      before && 'read' in before ? recordFaults(kind, before.read as never) : [],
      recordFaults(kind, record as never),
    );
  try {
    const { rows } = await db.query<{ revision: number }>(
      `INSERT INTO bench_record (id, kind, doc) VALUES ($1, $2, $3)
       ON CONFLICT (id) DO UPDATE SET doc = excluded.doc, revision = bench_record.revision + 1 RETURNING revision`,
      [id, kind, JSON.stringify(doc)],
    );
    return { record, revision: rows[0]!.revision };
  } catch (error) {
    if (isForeignKeyViolation(error))
      throw new Refusal('NOT_FOUND', {
        what: NAMED[kind] ?? 'resin or printer of that kind',
      });
    throw error;
  }
}

/** A version of a recipe stays as it was made: pours count for it. Its name, its note and whether it is used may change. */
function holdRecipe(had: Record<string, unknown>, record: BenchRecord<'recipe'>): void {
  const fixed = ['version', 'says', 'castClass', 'alloyId'] as const;
  if (fixed.some((field) => !isDeepStrictEqual(had[field], JSON.parse(JSON.stringify(record[field])))))
    throw new Refusal('ID_TAKEN', { what: 'recipe' });
}

/** Takes a record away; one that is gone already is no fault. */
export async function removeRecord(db: Queryable, kind: RecordKind, id: string): Promise<void> {
  await db.query('DELETE FROM bench_record WHERE kind = $1 AND id = $2', [kind, id]);
}

/** Printed pieces and castings of recorded pours, by resin and class. */
export async function listYields(db: Queryable): Promise<PourYield[]> {
  const { rows } = await db.query<PourYield>(
    `SELECT resin_id AS "resinId", cast_class AS "castClass", sum(printed_good)::integer AS "printedGood",
       sum(printed_of)::integer AS "printedOf", sum(cast_good)::integer AS "castGood",
       sum(cast_of)::integer AS "castOf"
     FROM pour_yield GROUP BY 1, 2 ORDER BY 1, 2`,
  );
  return rows;
}
