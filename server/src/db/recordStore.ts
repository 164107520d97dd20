import {
  emptyRecords,
  parseOrRefuse,
  BENCH_RECORD_SCHEMAS,
  Refusal,
  type BenchRecord,
  type PourYield,
  type RecordKind,
  type RecordLists,
} from '@zero-pour/contracts';
import { isForeignKeyViolation, type Queryable } from './database';

interface Row {
  id: string;
  kind: RecordKind;
  doc: Record<string, unknown>;
}

/** Everything that was tried with resins, by kind, oldest first. */
export async function listRecords(db: Queryable): Promise<RecordLists> {
  const { rows } = await db.query<Row>('SELECT id, kind, doc FROM bench_record ORDER BY created_at, id');
  const lists = emptyRecords();
  for (const { id, kind, doc } of rows) (lists[kind] as unknown[]).push({ ...doc, id });
  return lists;
}

/** Adds or replaces a record. Refuses one whose resin or printer is not there. */
export async function keepRecord<K extends RecordKind>(
  db: Queryable,
  kind: K,
  given: unknown,
): Promise<BenchRecord<K>> {
  const record = parseOrRefuse(BENCH_RECORD_SCHEMAS[kind], given);
  const { id, ...doc } = record;
  try {
    await db.query(
      `INSERT INTO bench_record (id, kind, doc) VALUES ($1, $2, $3)
       ON CONFLICT (id) DO UPDATE SET doc = excluded.doc WHERE bench_record.kind = excluded.kind`,
      [id, kind, JSON.stringify(doc)],
    );
  } catch (error) {
    if (isForeignKeyViolation(error))
      throw new Refusal('NOT_FOUND', { what: 'resin or printer of that kind' });
    throw error;
  }
  return record;
}

/** Takes a record away; one that is gone already is no fault. */
export async function removeRecord(db: Queryable, kind: RecordKind, id: string): Promise<void> {
  await db.query('DELETE FROM bench_record WHERE kind = $1 AND id = $2', [kind, id]);
}

/** Printed pieces and castings of recorded pours, by resin and class. */
export async function listYields(db: Queryable): Promise<PourYield[]> {
  const { rows } = await db.query<PourYield>(
    `SELECT resin_id AS "resinId", cast_class AS "castClass", sum(printed_good)::integer AS "printedGood",
       sum(printed_of)::integer AS "printedOf", sum(cast_good)::integer AS "castGood", sum(cast_of)::integer AS "castOf"
     FROM resin_yield GROUP BY resin_id, cast_class ORDER BY resin_id, cast_class`,
  );
  return rows;
}
