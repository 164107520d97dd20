import type {
  FactName,
  MadeWith,
  PourList,
  RecordFacts,
  RecordLines,
  RecordQuery,
} from '@zero-pour/contracts';
import { recordLine } from '@zero-pour/plan';
import { escapeLike, type Queryable } from './database';
import { POUR_COLUMNS, STORED_POUR, type PourRow } from './pourStore';
import { readEach, readOne } from './readStored';

export const MATCHES = `NOT p.discarded
  AND ($1 = '' OR p.number::text = $1
    OR p.alloy_id IN (SELECT id FROM alloy WHERE name ILIKE '%' || $1 || '%')
    OR p.resin_id IN (SELECT id FROM resin WHERE name ILIKE '%' || $1 || '%')
    OR p.id IN (SELECT pour_id FROM pour_words WHERE words LIKE '%' || lower($1) || '%')
    OR p.id IN (SELECT pp.pour_id FROM pour_pattern pp JOIN pattern t ON t.id = pp.pattern_id
                WHERE t.name ILIKE '%' || $1 || '%'))
  AND ($2::uuid IS NULL OR p.alloy_id = $2::uuid)
  AND ($3::text IS NULL OR p.told_facts -> 'flaws' ? $3::text)
  AND ($4::text IS NULL OR p.told_facts -> 'zones' ? $4::text)
  AND ($5::text IS NULL OR p.told_facts ? $5::text
    AND ($6::numeric IS NULL OR (p.told_facts ->> $5)::numeric >= $6::numeric)
    AND ($7::numeric IS NULL OR (p.told_facts ->> $5)::numeric <= $7::numeric))
  AND ($8::timestamptz IS NULL OR p.poured_at >= $8::timestamptz)
  AND ($9::timestamptz IS NULL OR p.poured_at < $9::timestamptz)`;
export const FROM =
  'FROM pour p LEFT JOIN alloy a ON a.id = p.alloy_id LEFT JOIN resin r ON r.id = p.resin_id';

export const filterOf = ({
  text,
  alloyId,
  flaw,
  zone,
  fact,
  from,
  to,
  since,
  until,
}: RecordQuery): unknown[] => [escapeLike(text), alloyId, flaw, zone, fact, from, to, since, until];

/** A number that is sorted by; the usual one stands in columns of its own. */
const SORTED_BY = (name: FactName): string =>
  name === 'sharePercent'
    ? 'p.sellable::double precision / nullif(p.looked, 0)'
    : `(p.told_facts ->> '${name}')::numeric`;

const orderOf = ({ sort, down }: RecordQuery): string => {
  const way = down ? 'DESC' : 'ASC';
  return sort === 'number' ? `p.number ${way}` : `${SORTED_BY(sort)} ${way} NULLS LAST, p.number DESC`;
};

/** A page of those that match, with further columns of each, and the count of all. What a pour does not know comes last, either way. */
async function searchRows<R extends PourRow>(
  db: Queryable,
  query: RecordQuery,
  more = '',
): Promise<{ rows: R[]; total: number }> {
  const filter = filterOf(query);
  const order = orderOf(query);
  // Found and counted in one pass over what is small; only the page's documents are read.
  const { rows } = await db.query<R & { total: number }>(
    `WITH hit AS MATERIALIZED (
       SELECT p.id, count(*) OVER () AS total, a.name AS alloy, r.name AS resin ${FROM}
       WHERE ${MATCHES} ORDER BY ${order} LIMIT $10 OFFSET $11)
     SELECT ${POUR_COLUMNS}, hit.total ${more} FROM hit JOIN pour p ON p.id = hit.id ORDER BY ${order}`,
    [...filter, query.limit, query.offset],
  );
  const total = rows[0]?.total ?? (query.offset > 0 ? await countPours(db, filter) : 0);
  return { rows: rows.map(({ total: _, ...row }) => row as unknown as R), total: Number(total) };
}

/** All pours that match, a page of them. */
export async function searchPours(db: Queryable, query: RecordQuery): Promise<PourList> {
  const { rows, total } = await searchRows(db, query);
  const { read, unread } = readEach(rows, STORED_POUR);
  return { pours: read, total, unread };
}

interface LineRow extends PourRow {
  alloy: string | null;
  resin: string | null;
  patterns: Record<string, string> | null;
}

/** The same as lines: each says by itself what it is, so that a page needs nothing else of the shop. */
export async function searchLines(db: Queryable, query: RecordQuery): Promise<RecordLines> {
  const { rows, total } = await searchRows<LineRow>(
    db,
    query,
    `, hit.alloy, hit.resin, (SELECT jsonb_object_agg(t.id, t.name) FROM pour_pattern pp
       JOIN pattern t ON t.id = pp.pattern_id WHERE pp.pour_id = p.id) AS patterns`,
  );
  const found = rows.map(({ alloy, resin, patterns, ...row }) => ({
    one: readOne(row, STORED_POUR),
    names: {
      alloy: alloy ?? undefined,
      resin: resin ?? undefined,
      patternOf: (id: string) => (patterns?.[id] === undefined ? undefined : { id, name: patterns[id] }),
    },
  }));
  return {
    lines: found.flatMap(({ one, names }) => ('read' in one ? recordLine(one.read, names) : [])),
    total,
    unread: found.flatMap(({ one }) => ('unread' in one ? one.unread : [])),
  };
}

/** How many match, where a page beyond the last of them was asked for. */
async function countPours(db: Queryable, filter: readonly unknown[]): Promise<number> {
  const { rows } = await db.query<{ total: number }>(`SELECT count(*) AS total ${FROM} WHERE ${MATCHES}`, [...filter]); // prettier-ignore
  return rows[0]?.total ?? 0;
}

/** One pour of the record as a row of a table. */
export interface RecordRow {
  number: number;
  pouredAt: Date | null;
  alloy: string | null;
  resin: string | null;
  castClass: string | null;
  patterns: string | null;
  facts: RecordFacts | null;
}

const ROWS = 500;

/** Every pour that matches as a row, whatever page is asked for: without its document, and so many at a time that nobody else waits for all of them. */
export async function* recordRows(db: Queryable, query: RecordQuery): AsyncGenerator<RecordRow[]> {
  for (let after: number | undefined = 0; after !== undefined;) {
    const rows = await rowsAfter(db, query, after);
    if (rows.length > 0) yield rows;
    after = rows.length < ROWS ? undefined : rows.at(-1)!.number;
  }
}
async function rowsAfter(db: Queryable, query: RecordQuery, number: number): Promise<RecordRow[]> {
  const { rows } = await db.query<RecordRow>(
    `SELECT p.number, p.poured_at AS "pouredAt", a.name AS alloy, r.name AS resin,
       p.cast_class AS "castClass", p.told_facts AS facts,
       (SELECT string_agg(t.name || ' ×' || pp.count, ', ' ORDER BY t.name) FROM pour_pattern pp
        JOIN pattern t ON t.id = pp.pattern_id WHERE pp.pour_id = p.id) AS patterns
     ${FROM} WHERE ${MATCHES} AND p.number > $10 ORDER BY p.number LIMIT ${ROWS}`,
    [...filterOf(query), number],
  );
  return rows;
}

/** How castings came out by metal, class and what they were made with: recorded pours of which castings were looked at. */
export async function listMadeWith(db: Queryable): Promise<MadeWith[]> {
  const { rows } = await db.query<MadeWith>(
    `WITH made AS (
       SELECT alloy_id AS "alloyId", cast_class AS "castClass", resin_id AS "resinId", powder_fact AS "powderId",
         programme_fact AS "programmeId", recipe_fact AS "recipeId", count(*)::integer AS pours,
         sum(looked)::integer AS looked, sum(sellable)::integer AS sellable, max(number) AS "lastNumber"
       FROM pour WHERE NOT discarded AND recorded_at IS NOT NULL AND looked IS NOT NULL AND alloy_id IS NOT NULL
       GROUP BY 1, 2, 3, 4, 5, 6)
     SELECT made.*, pour.id AS "lastPourId" FROM made JOIN pour ON pour.number = made."lastNumber"
     ORDER BY 1, 2, 10 DESC`,
  );
  return rows;
}
