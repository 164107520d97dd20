import { Refusal, type NewPattern, type Pattern, type PatternChange } from '@zero-pour/contracts';
import type { Queryable } from './database';

const COLUMNS =
  'id, name, file_name AS "fileName", file_hash AS "fileHash", measure, note, former_id AS "formerId", ' +
  'class_override AS "classOverride", created_at AS "createdAt"';

type Row = Omit<Pattern, 'createdAt'> & { createdAt: Date };
const toPattern = (row: Row): Pattern => ({ ...row, createdAt: row.createdAt.toISOString() });

/** Newest first. */
export async function listPatterns(db: Queryable): Promise<Pattern[]> {
  const { rows } = await db.query<Row>(`SELECT ${COLUMNS} FROM pattern ORDER BY created_at DESC, name`);
  return rows.map(toPattern);
}

/** Keeps a pattern whose bytes are kept; keeping the same id again changes nothing. */
export async function addPattern(db: Queryable, pattern: NewPattern, createdAt: string): Promise<Pattern> {
  const { rows: blobs } = await db.query('SELECT 1 FROM blob WHERE hash = $1', [pattern.fileHash]);
  if (blobs.length === 0) throw new Refusal('NOT_FOUND', { what: 'file with these bytes' });
  if (pattern.formerId !== null) await findPattern(db, pattern.formerId);
  await db.query(
    `INSERT INTO pattern (id, name, file_name, file_hash, measure, note, former_id, class_override, created_at)
     VALUES ($1, $2, $3, $4, $5, $6, $7, $8, $9) ON CONFLICT (id) DO NOTHING`,
    [
      pattern.id,
      pattern.name,
      pattern.fileName,
      pattern.fileHash,
      JSON.stringify(pattern.measure),
      pattern.note,
      pattern.formerId,
      pattern.classOverride,
      createdAt,
    ],
  );
  return findPattern(db, pattern.id);
}

export async function findPattern(db: Queryable, id: string): Promise<Pattern> {
  const { rows } = await db.query<Row>(`SELECT ${COLUMNS} FROM pattern WHERE id = $1`, [id]);
  if (!rows[0]) throw new Refusal('NOT_FOUND', { what: 'pattern' });
  return toPattern(rows[0]);
}

export async function changePattern(db: Queryable, id: string, change: PatternChange): Promise<Pattern> {
  await db.query('UPDATE pattern SET name = $2, note = $3, class_override = $4 WHERE id = $1', [
    id,
    change.name,
    change.note,
    change.classOverride,
  ]);
  return findPattern(db, id);
}
