import {
  pourDocSchema,
  tellPour,
  TELLS_VERSION,
  upgradePour,
  upgradeUsed,
  type OpeningTold,
  type PouredCast,
  type ToldCause,
  type PouredPrint,
  type PouredSizes,
} from '@zero-pour/contracts';
import type { Database, Queryable } from './database';
import { keepNamed, tellsColumns } from './pourStore';

/** Pours renewed in one step at the start. */
const AT_ONCE = 100;

/** The newest teach the most, and so many are enough: of all together, and of each printer with each resin, or of each resin. */
const NEWEST = 100;
const NEWEST_OF_EACH = 30;

/** What pours are alike in, as the indexes of migration 0031 have it. */
const GROUP = {
  told_print: `(coalesce(resin_id::text, '') || ' ' || coalesce(print_printer, ''))`,
  told_sizes: `(coalesce(resin_id::text, '') || ' ' || coalesce(alloy_id::text, ''))`,
} as const;

/** Ids of the newest pours of which a column is told: of all, and of each group. Goes from group to group along the index. */
function newestTold(told: keyof typeof GROUP): string {
  const from = `FROM pour WHERE ${told} IS NOT NULL AND NOT discarded`;
  const group = GROUP[told];
  return `WITH RECURSIVE alike AS (
      (SELECT ${group} AS key ${from} ORDER BY 1 LIMIT 1)
      UNION ALL
      SELECT (SELECT ${group} ${from} AND ${group} > alike.key ORDER BY 1 LIMIT 1) FROM alike WHERE alike.key IS NOT NULL)
    SELECT newest.id FROM alike CROSS JOIN LATERAL
      (SELECT id ${from} AND ${group} = alike.key ORDER BY number DESC LIMIT ${NEWEST_OF_EACH}) AS newest
    UNION (SELECT id ${from} ORDER BY number DESC LIMIT ${NEWEST})`;
}

/** What the newest pours tell of their prints, oldest first: those that were started. */
export async function listPouredPrints(db: Queryable): Promise<PouredPrint[]> {
  const { rows } = await db.query<{ told: PouredPrint }>(
    `SELECT told_print AS told FROM pour WHERE id IN (${newestTold('told_print')})
     ORDER BY told_print ->> 'startedAt', number`,
  );
  return rows.map(({ told }) => told);
}

/** What pours of a pattern tell of their prints, the newest so many. */
export async function listPrintsOfPattern(db: Queryable, patternId: string): Promise<PouredPrint[]> {
  const { rows } = await db.query<{ told: PouredPrint }>(
    `SELECT told_print AS told FROM pour p JOIN pour_pattern pp ON pp.pour_id = p.id
     WHERE pp.pattern_id = $1 AND NOT discarded AND told_print IS NOT NULL ORDER BY number DESC LIMIT ${NEWEST_OF_EACH}`,
    [patternId],
  );
  return rows.map(({ told }) => told);
}

/** What the newest pours tell of sizes, oldest first: those whose printed scale is known and of which something was measured. */
export async function listPouredSizes(db: Queryable): Promise<PouredSizes[]> {
  const { rows } = await db.query<{ told: PouredSizes }>(
    `SELECT told_sizes AS told FROM pour WHERE id IN (${newestTold('told_sizes')})
     ORDER BY told_sizes ->> 'at', number`,
  );
  return rows.map(({ told }) => told);
}

/** What pours but one said of the causes of their castings' flaws, each answer with how often it was given. */
export async function listToldCauses(db: Queryable, exceptId: string | undefined): Promise<ToldCause[]> {
  const { rows } = await db.query<ToldCause>(
    // Of an answer that confirms, what was likely then no longer matters: alike answers are one.
    `SELECT e.key AS flaw, CASE WHEN e.value ? 'confirmed' THEN e.value - 'chances' ELSE e.value END AS said,
       count(*)::integer AS times
     FROM pour, jsonb_each(told_cast -> 'why') e
     WHERE NOT discarded AND told_cast ? 'why' AND ($1::uuid IS NULL OR id <> $1::uuid)
     GROUP BY 1, 2 ORDER BY min(number)`,
    [exceptId ?? null],
  );
  return rows;
}

/** How flasks of a metal were opened, the newest first, at most so many. */
export async function listOpenings(db: Queryable, alloyId: string, most: number): Promise<OpeningTold[]> {
  const { rows } = await db.query<OpeningTold>(
    `SELECT told_cast #>> '{invest,boric,school}' <> 'none' AS hardened, f.value #> '{pour,opened}' AS opened
     FROM pour, jsonb_array_elements(told_cast -> 'flasks') f
     WHERE NOT discarded AND alloy_id = $1 AND f.value #> '{pour,opened}' IS NOT NULL
     ORDER BY number DESC LIMIT $2`,
    [alloyId, most],
  );
  return rows;
}

/** Castings of a metal and class that were looked at and of which a temperature was read, the newest first. */
export async function listHeatCasts(
  db: Queryable,
  { alloyId, castClass, except }: { alloyId: string; castClass: string; except: string },
  most: number,
): Promise<PouredCast[]> {
  const { rows } = await db.query<{ told: PouredCast }>(
    `SELECT told_cast AS told FROM pour
     WHERE NOT discarded AND alloy_id = $1 AND cast_class = $2 AND looked IS NOT NULL
       AND (told_facts ? 'flaskC' OR told_facts ? 'metalC') AND id <> $3 AND told_cast IS NOT NULL
     ORDER BY number DESC LIMIT $4`,
    [alloyId, castClass, except, most],
  );
  return rows.map(({ told }) => told);
}

/** Segments of each programme of the shop: hands-on moments of an older document are named by them. */
async function programmeSegments(db: Queryable): Promise<Map<string, unknown>> {
  const { rows } = await db.query<{ id: string; segments: unknown }>('SELECT id, segments FROM programme');
  return new Map(rows.map(({ id, segments }) => [id, segments]));
}

interface OldRow {
  id: string;
  number: number;
  doc: unknown;
  used: { programme?: { segments?: unknown } } | null;
}

/** Brings one pour to the present version of its document and of what it tells. One that does not read stays as it is. */
async function renew(tx: Queryable, row: OldRow, segmentsOf: Map<string, unknown>): Promise<void> {
  const { id, number, used } = row;
  const programmeId = (row.doc as { burnout?: { programmeId?: string } } | null)?.burnout?.programmeId;
  const segments = used?.programme?.segments ?? segmentsOf.get(programmeId ?? '');
  const read = pourDocSchema.safeParse(upgradePour(row.doc, { segments }));
  if (!read.success) {
    await tx.query('UPDATE pour SET told_version = $2 WHERE id = $1', [id, TELLS_VERSION]);
    return;
  }
  const doc = read.data;
  await tx.query(
    `UPDATE pour SET doc = $2, used = $3, told_print = $4, told_sizes = $5, told_castings = $6, told_yields = $7,
       told_cast = $8, told_facts = $9, told_version = $10 WHERE id = $1`,
    [
      id,
      JSON.stringify(doc),
      used && JSON.stringify(upgradeUsed(used)),
      ...tellsColumns(tellPour({ id, number, doc })),
    ],
  );
  await keepNamed(tx, id, doc);
}

/**
 * Renews pours whose document, or what they tell, is of an earlier version. Those that do not read are left, and asked
 * again when this version is another one. Returns how many there were.
 */
export async function renewPours(db: Database): Promise<number> {
  for (let renewed = 0; ;) {
    const count = await db.transaction(async (tx) => {
      const { rows } = await tx.query<OldRow>(
        'SELECT id, number, doc, used FROM pour WHERE told_version < $1 ORDER BY number LIMIT $2 FOR UPDATE',
        [TELLS_VERSION, AT_ONCE],
      );
      const segmentsOf = rows.length > 0 ? await programmeSegments(tx) : new Map<string, unknown>();
      for (const row of rows) await renew(tx, row, segmentsOf);
      return rows.length;
    });
    renewed += count;
    if (count < AT_ONCE) return renewed;
  }
}
