import { FLAW_KINDS, type FlawKind } from '@zero-pour/core';
import type { GroupedBy, GroupsQuery, PointsQuery, RecordGroup, RecordPoints } from '@zero-pour/contracts';
import type { Queryable } from './database';
import { filterOf, FROM, MATCHES } from './recordSearch';

/** Points that one drawing takes: the newest of them. */
const POINTS = 2000;

const isFlaw = (of: string): of is FlawKind => (FLAW_KINDS as readonly string[]).includes(of);

/** Pours that match as points of a drawing; those that do not know both of its numbers have none. */
export async function listPoints(db: Queryable, query: PointsQuery): Promise<RecordPoints> {
  const { of, along } = query;
  const x =
    along === 'day' ? 'extract(epoch FROM p.poured_at) * 1000' : `(p.told_facts ->> '${along}')::numeric`;
  // A flaw that nobody found has a share of nothing, where castings were looked at.
  const y = isFlaw(of)
    ? `CASE WHEN p.told_facts ? 'looked' OR p.told_facts -> 'shares' ? '${of}'
         THEN coalesce((p.told_facts #>> '{shares,${of}}')::numeric, 0) END`
    : `(p.told_facts ->> '${of}')::numeric`;
  const { rows } = await db.query<RecordPoints['points'][number]>(
    `SELECT * FROM (SELECT p.id, p.number, (${x})::double precision AS x, (${y})::double precision AS y,
       p.alloy_id AS "alloyId", p.resin_id AS "resinId", p.cast_class AS "castClass"
       ${FROM} WHERE ${MATCHES}) point
     WHERE x IS NOT NULL AND y IS NOT NULL ORDER BY number DESC LIMIT ${POINTS + 1}`,
    filterOf(query),
  ); // prettier-ignore
  return { points: rows.slice(0, POINTS), more: rows.length > POINTS };
}

/** What pours are grouped by, in SQL; months are the shop's own. $10: its time zone. */
const KEYS: Record<GroupedBy, string> = {
  month: "CASE WHEN NOT p.month_vague THEN to_char(p.poured_at AT TIME ZONE $10, 'YYYY-MM') END",
  alloy: 'p.alloy_id::text',
  resin: 'p.resin_id::text',
  class: 'p.cast_class',
  recipe: 'p.recipe_fact',
  flaw: 'flaw.kind',
};
const FLAWS = "CROSS JOIN LATERAL jsonb_array_elements_text(p.told_facts -> 'flaws') AS flaw(kind)";
const total = (fact: string): string => `sum((p.told_facts ->> '${fact}')::double precision)`;

/** Pours that match, taken together by what they are alike in; the newest month first, else the most pours. */
export async function listGroups(
  db: Queryable,
  query: GroupsQuery,
  timeZone: string,
): Promise<RecordGroup[]> {
  const { by } = query;
  const { rows } = await db.query<RecordGroup>(
    `SELECT ${KEYS[by]} AS key, count(*)::integer AS pours,
       coalesce(sum(p.looked), 0)::integer AS looked,
       coalesce(sum(p.sellable), 0)::integer AS sellable,
       ${total('chargeG')} AS "chargeG", ${total('backG')} AS "backG",
       ${total('finishingMin')} AS "finishingMin", ${total('clearedMin')} AS "clearedMin"
     ${FROM} ${by === 'flaw' ? FLAWS : ''}
     WHERE ${MATCHES} AND p.poured_at IS NOT NULL AND $10::text IS NOT NULL
     GROUP BY 1 ORDER BY ${by === 'month' ? '1 DESC NULLS LAST' : '2 DESC, 1'}`,
    [...filterOf(query), timeZone],
  );
  return rows;
}
