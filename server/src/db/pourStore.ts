import {
  pourSchema,
  Refusal,
  pouredAt,
  tellPour,
  TELLS_VERSION,
  unreadSentence,
  type Pour,
  type PourDoc,
  type PourTells,
  type UsedItems,
} from '@zero-pour/contracts';
import { isForeignKeyViolation, type Queryable } from './database';
import { readEach, readOne, type Listed } from './readStored';

export interface PourRow {
  id: string;
  number: number;
  doc: unknown;
  used: UsedItems | null;
  discarded: boolean;
  createdAt: Date;
  changedAt: Date;
}

export const POUR_COLUMNS = `p.id, p.number, p.doc, p.used, p.discarded, p.created_at AS "createdAt", p.changed_at AS "changedAt"`;

/** A row as it is read. */
export const STORED_POUR = {
  schema: pourSchema,
  kind: 'pour',
  nameOf: ({ number }: PourRow) => `Pour ${number}`,
  jsonOf: ({ used, createdAt, changedAt, ...row }: PourRow): unknown => ({
    ...row,
    ...(used ? { used } : {}),
    createdAt: createdAt.toISOString(),
    changedAt: changedAt.toISOString(),
  }),
} as const;

const PAGE = 200;

/** Pours that are neither recorded nor discarded. */
export async function listOpenPours(db: Queryable): Promise<Listed<Pour>> {
  const { rows } = await db.query<PourRow>(
    `SELECT ${POUR_COLUMNS} FROM pour p WHERE recorded_at IS NULL AND NOT discarded ORDER BY number`,
  );
  return readEach(rows, STORED_POUR);
}

/** Pours of any kind that come after a number, a page of them; `last`: the number to go on from, null where none follow. */
export async function listPourPage(
  db: Queryable,
  after: number,
): Promise<Listed<Pour> & { last: number | null }> {
  const { rows } = await db.query<PourRow>(
    `SELECT ${POUR_COLUMNS} FROM pour p WHERE number > $1 ORDER BY number LIMIT ${PAGE}`,
    [after],
  );
  return { ...readEach(rows, STORED_POUR), last: rows.length < PAGE ? null : rows.at(-1)!.number };
}

/** Numbers of all pours, in order. */
export async function listPourNumbers(db: Queryable): Promise<number[]> {
  const { rows } = await db.query<{ number: number }>('SELECT number FROM pour ORDER BY number');
  return rows.map(({ number }) => number);
}
/** The pour of a number as it reads, or why it does not; neither for none. */
export async function readPourNumbered(db: Queryable, number: number): Promise<Listed<Pour>> {
  const { rows } = await db.query<PourRow>(`SELECT ${POUR_COLUMNS} FROM pour p WHERE number = $1`, [number]);
  return readEach(rows, STORED_POUR);
}

/** One pour; locked for a change that follows, where `forChange`. Refuses one that does not read. */
export async function findPour(db: Queryable, id: string, forChange = false): Promise<Pour> {
  const { rows } = await db.query<PourRow>(
    `SELECT ${POUR_COLUMNS} FROM pour p WHERE id = $1${forChange ? ' FOR UPDATE' : ''}`,
    [id],
  );
  if (!rows[0]) throw new Refusal('NOT_FOUND', { what: 'pour' });
  const found = readOne(rows[0], STORED_POUR);
  if ('unread' in found) throw new Refusal('UNREADABLE', { sentence: unreadSentence(found.unread) });
  return found.read;
}

/** The pour of a number, as a code on a label says it. */
export async function findPourId(db: Queryable, number: number): Promise<string> {
  const { rows } = await db.query<{ id: string }>('SELECT id::text FROM pour WHERE number = $1', [number]);
  if (!rows[0]) throw new Refusal('NOT_FOUND', { what: `pour ${number}` });
  return rows[0].id;
}

/** What is derived from the document, in the order of the statements below. */
function derived(id: string, number: number, doc: PourDoc, used: UsedItems | undefined): unknown[] {
  return [
    JSON.stringify(doc),
    used ? JSON.stringify(used) : null,
    doc.brief.zeroAt ?? null,
    pouredAt(doc) ?? null,
    doc.result.doneAt ?? null,
    ...tellsColumns(tellPour({ id, number, doc })),
  ];
}

/** What a pour tells, for the columns told_print, told_sizes, told_castings, told_yields, told_cast, told_facts and told_version. */
export const tellsColumns = ({ print, sizes, castings, yields, cast, facts }: PourTells): unknown[] => [
  print && JSON.stringify(print),
  sizes && JSON.stringify(sizes),
  JSON.stringify(castings),
  yields && JSON.stringify(yields),
  cast && JSON.stringify(cast),
  JSON.stringify(facts),
  TELLS_VERSION,
];

/** Patterns and flasks that it names; counts of one pattern on several lines of the brief add up. */
export async function keepNamed(db: Queryable, id: string, doc: PourDoc): Promise<void> {
  const counts = new Map<string, number>();
  for (const { patternId, count } of doc.brief.lines)
    counts.set(patternId, (counts.get(patternId) ?? 0) + count);
  await db.query('DELETE FROM pour_pattern WHERE pour_id = $1', [id]);
  await db.query(
    'INSERT INTO pour_pattern (pour_id, pattern_id, count) SELECT $1, * FROM unnest($2::uuid[], $3::int[])',
    [id, [...counts.keys()], [...counts.values()]],
  );
  const flasks = doc.flasks.flatMap(({ key, sprue }) =>
    sprue.flaskId ? [[key, sprue.flaskId] as const] : [],
  );
  await db.query('DELETE FROM pour_flask WHERE pour_id = $1', [id]);
  await db.query(
    'INSERT INTO pour_flask (pour_id, key, flask_id) SELECT $1, * FROM unnest($2::text[], $3::uuid[])',
    [id, flasks.map(([key]) => key), flasks.map(([, flaskId]) => flaskId)],
  );
}

/** Something that the document names is not in the shop. */
function refuseUnknown(error: unknown): never {
  if (isForeignKeyViolation(error)) {
    const { constraint } = error as { constraint?: string };
    throw new Refusal('NOT_FOUND', {
      what: /pour_(\w+?)(_id)?_fkey/.exec(constraint ?? '')?.[1] ?? 'thing that this pour names',
    });
  }
  throw error;
}

interface NewPour {
  id: string;
  doc: PourDoc;
  used?: UsedItems | undefined;
  /** Its own number, when it comes with one. */
  number?: number;
  at: string;
  /** Of one that comes out of an archive. */
  changedAt?: string;
  discarded?: boolean;
}

/** The number of a new pour, kept in a row that is locked before it is read: none is given out twice. */
async function takeNumber(db: Queryable, own: number | undefined): Promise<number> {
  const { rows } = await db.query<{ number: number }>(
    `UPDATE numbering SET pour = CASE WHEN $1::integer IS NULL THEN pour + 1 ELSE greatest(pour, $1::integer) END
     RETURNING coalesce($1::integer, pour) AS number`,
    [own ?? null],
  );
  return rows[0]!.number;
}

/** Whether this very pour is there; another one under its id is refused. */
async function isThere(db: Queryable, { id, doc }: NewPour): Promise<boolean> {
  const { rows } = await db.query<{ same: boolean }>(
    'SELECT doc = $2::jsonb AS same FROM pour WHERE id = $1',
    [id, JSON.stringify(doc)],
  );
  if (rows[0]?.same === false) throw new Refusal('ID_TAKEN', { what: 'pour' });
  return rows.length > 0;
}

/**
 * Adds a pour under the next number, or under its own when it has one. Adding the very same again changes nothing;
 * another one under the same id is refused. Within a transaction of the caller's.
 */
export async function addPour(db: Queryable, pour: NewPour): Promise<void> {
  // Held until the end, so that one that was sent twice at once is found the second time.
  await db.query('SELECT pour FROM numbering FOR UPDATE');
  if (await isThere(db, pour)) return;
  const number = await takeNumber(db, pour.number);
  await db
    .query(
      `INSERT INTO pour (id, doc, used, zero_at, poured_at, recorded_at, told_print, told_sizes, told_castings,
         told_yields, told_cast, told_facts, told_version, created_at, number, changed_at, discarded)
       VALUES ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10, $11, $12, $13, $14, $15, $16, $17)`,
      [
        pour.id,
        ...derived(pour.id, number, pour.doc, pour.used),
        pour.at,
        number,
        pour.changedAt ?? pour.at,
        pour.discarded ?? false,
      ],
    )
    .catch(refuseUnknown);
  await keepNamed(db, pour.id, pour.doc).catch(refuseUnknown);
}

/** Replaces the document of a pour and what is derived from it. */
export async function keepPourDoc(
  db: Queryable,
  { id, number }: Pick<Pour, 'id' | 'number'>,
  doc: PourDoc,
  used: UsedItems | undefined,
): Promise<void> {
  await db
    .query(
      `UPDATE pour SET doc = $2, used = $3, zero_at = $4, poured_at = $5, recorded_at = $6, told_print = $7,
         told_sizes = $8, told_castings = $9, told_yields = $10, told_cast = $11,
         told_facts = $12, told_version = $13, changed_at = now() WHERE id = $1`,
      [id, ...derived(id, number, doc, used)],
    )
    .catch(refuseUnknown);
  await keepNamed(db, id, doc).catch(refuseUnknown);
}

export async function markDiscarded(db: Queryable, id: string, discarded: boolean): Promise<void> {
  await db.query('UPDATE pour SET discarded = $2, changed_at = now() WHERE id = $1', [id, discarded]);
}
