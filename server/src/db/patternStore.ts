import {
  listedPatternSchema,
  patternSchema,
  Refusal,
  unreadSentence,
  type ListedPattern,
  type NewPattern,
  type Pattern,
  type PatternChange,
} from '@zero-pour/contracts';
import type { Queryable } from './database';
import { holdBase, type Base } from './revisions';
import { readEach, readOne, type Listed } from './readStored';

const columns = (measure: string, sprues: string): string =>
  `id, name, file_name AS "fileName", file_hash AS "fileHash", ${measure} AS measure, note, former_id AS "formerId",
   class_override AS "classOverride", ${sprues} AS sprues, created_at AS "createdAt"`;
const COLUMNS = columns('measure', 'sprues');
/** The points are taken out by the database: of thousands of patterns they need not even be parsed. */
const LISTED_COLUMNS = columns("measure - 'supportPointsMm'", "sprues #- '{piece,supportPointsMm}'");

type Dated<P extends ListedPattern> = Omit<P, 'createdAt'> & { createdAt: Date };
type Row = Dated<Pattern>;
type ListedRow = Dated<ListedPattern>;
const HOW = {
  kind: 'pattern',
  nameOf: ({ name }: ListedRow) => `Pattern “${name}”`,
  jsonOf: (row: ListedRow): unknown => ({ ...row, createdAt: row.createdAt.toISOString() }),
} as const;
const STORED = { ...HOW, schema: patternSchema };

/** Newest first. */
export async function listPatterns(db: Queryable): Promise<Listed<Pattern>> {
  const { rows } = await db.query<Row>(`SELECT ${COLUMNS} FROM pattern ORDER BY created_at DESC, name`);
  return readEach(rows, STORED);
}

/** Patterns listed at once. */
const PAGE = 500;

type Revised<P> = Listed<P> & { revisions: Record<string, number> };
const revisionsOf = (rows: readonly { id: string; revision: number }[]): Record<string, number> =>
  Object.fromEntries(rows.map(({ id, revision }) => [`/patterns/${id}`, revision]));
const without = <R extends { revision: number }>({ revision: _, ...row }: R): Omit<R, 'revision'> => row;

/** A page of patterns, the newest first, after one of a page before; `next`: the last one's id, to go on from; null where none follow. */
export async function listPatternPage(
  db: Queryable,
  after: string | null,
): Promise<Revised<ListedPattern> & { next: string | null }> {
  const { rows } = await db.query<ListedRow & { revision: number }>(
    `SELECT ${LISTED_COLUMNS}, revision FROM pattern
     WHERE $1::uuid IS NULL OR created_at < (SELECT created_at FROM pattern WHERE id = $1)
       OR (created_at = (SELECT created_at FROM pattern WHERE id = $1) AND id > $1)
     ORDER BY created_at DESC, id LIMIT ${PAGE}`,
    [after],
  );
  const listed = readEach(rows.map(without), { ...HOW, schema: listedPatternSchema });
  return { ...listed, revisions: revisionsOf(rows), next: rows.length < PAGE ? null : rows.at(-1)!.id };
}

/** Those of some ids that are there, whole. */
export async function listPatternsNamed(db: Queryable, ids: readonly string[]): Promise<Revised<Pattern>> {
  const { rows } = await db.query<Row & { revision: number }>(
    `SELECT ${COLUMNS}, revision FROM pattern WHERE id = ANY($1::uuid[]) ORDER BY created_at DESC, id`,
    [ids],
  );
  return { ...readEach(rows.map(without), STORED), revisions: revisionsOf(rows) };
}

/** Up to so many patterns all come with the start; of more, those that pours in work and molds name. */
const WITH_THE_START = 20;

/** Patterns that a page begins with, and how many others there are. */
export async function listFirstPatterns(db: Queryable): Promise<Listed<Pattern> & { more: number }> {
  const { rows } = await db.query<{ n: number }>('SELECT count(*)::integer AS n FROM pattern');
  if (rows[0]!.n <= WITH_THE_START) return { ...(await listPatterns(db)), more: 0 };
  const { rows: named } = await db.query<Row>(
    `SELECT ${COLUMNS} FROM pattern WHERE id IN (
       SELECT pattern_id FROM pour_pattern pp JOIN pour p ON p.id = pp.pour_id WHERE p.recorded_at IS NULL AND NOT p.discarded
       UNION SELECT (doc ->> 'patternId')::uuid FROM bench_record WHERE kind = 'mold' AND doc ->> 'patternId' IS NOT NULL)
     ORDER BY created_at DESC, name`,
  );
  return { ...readEach(named, STORED), more: rows[0]!.n - named.length };
}

/** Keeps a pattern whose bytes are kept. Keeping the very same again changes nothing; another under its id is refused. */
export async function addPattern(db: Queryable, pattern: NewPattern, createdAt: string): Promise<Pattern> {
  await requireBytes(db, pattern.fileHash);
  if (pattern.sprues) await requireBytes(db, pattern.sprues.pieceHash);
  if (pattern.formerId !== null) await findPattern(db, pattern.formerId);
  const inserted = await db.query(
    `INSERT INTO pattern (id, name, file_name, file_hash, measure, note, former_id, class_override, created_at, sprues)
     VALUES ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10) ON CONFLICT (id) DO NOTHING RETURNING id`,
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
      jsonOrNull(pattern.sprues),
    ],
  );
  const kept = await findPattern(db, pattern.id);
  if (inserted.rows.length === 0 && !isSame(kept, pattern))
    throw new Refusal('ID_TAKEN', { what: 'pattern' });
  return kept;
}

async function requireBytes(db: Queryable, hash: string): Promise<void> {
  const { rows } = await db.query('SELECT 1 FROM blob WHERE hash = $1', [hash]);
  if (rows.length === 0) throw new Refusal('NOT_FOUND', { what: 'file with these bytes' });
}

const jsonOrNull = (value: unknown): string | null => (value == null ? null : JSON.stringify(value));

/** Name, note, class and sprues may have been changed since; the bytes and their reading may not. */
const isSame = (kept: Pattern, sent: NewPattern): boolean =>
  kept.fileHash === sent.fileHash &&
  kept.measure.unitMm === sent.measure.unitMm &&
  kept.formerId === sent.formerId;

export async function findPattern(db: Queryable, id: string): Promise<Pattern> {
  const { rows } = await db.query<Row>(`SELECT ${COLUMNS} FROM pattern WHERE id = $1`, [id]);
  if (!rows[0]) throw new Refusal('NOT_FOUND', { what: 'pattern' });
  const found = readOne(rows[0], STORED);
  if ('unread' in found) throw new Refusal('UNREADABLE', { sentence: unreadSentence(found.unread) });
  return found.read;
}

/** Changes what the shop says of a pattern, over the state that its writer had before him. */
export async function changePattern(
  db: Queryable,
  id: string,
  change: PatternChange,
  base: Base,
): Promise<{ pattern: Pattern; revision: number }> {
  const { rows: had } = await db.query<{ revision: number }>(
    'SELECT revision FROM pattern WHERE id = $1 FOR UPDATE',
    [id],
  );
  const before = await findPattern(db, id);
  const { name, note, classOverride, sprues } = before;
  const held = { value: { name, note, classOverride, sprues }, revision: had[0]!.revision };
  if (!holdBase<PatternChange>(held, base, change)) return { pattern: before, revision: held.revision };
  if (change.sprues) await requireBytes(db, change.sprues.pieceHash);
  const { rows } = await db.query<{ revision: number }>(
    `UPDATE pattern SET name = $2, note = $3, class_override = $4, sprues = $5, revision = revision + 1
     WHERE id = $1 RETURNING revision`,
    // What was typed before sprues were known says nothing of them.
    [
      id,
      change.name,
      change.note,
      change.classOverride,
      jsonOrNull(change.sprues === undefined ? sprues : change.sprues),
    ],
  );
  return { pattern: await findPattern(db, id), revision: rows[0]!.revision };
}
