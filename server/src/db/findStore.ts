import { SHOP_KINDS, type FindHit } from '@zero-pour/contracts';
import type { Queryable } from './database';

const LIMIT = 30;
const SHOP_PARTS = SHOP_KINDS.map(
  (kind) =>
    `SELECT '${kind}' AS kind, id::text, name AS title, note AS line, 3 AS rank FROM ${kind} WHERE name ILIKE $1`,
);
const FIND = `
  SELECT kind, id, title, line FROM (
    SELECT 'pour' AS kind, p.id::text, 'Pour ' || p.number AS title,
      concat_ws(' · ', string_agg(t.name, ', ' ORDER BY t.name), a.name) AS line, 1 AS rank
    FROM pour p LEFT JOIN alloy a ON a.id = p.alloy_id
      LEFT JOIN pour_pattern pp ON pp.pour_id = p.id LEFT JOIN pattern t ON t.id = pp.pattern_id
    WHERE NOT p.discarded
    GROUP BY p.id, a.name
    HAVING 'pour ' || p.number ILIKE $1 OR a.name ILIKE $1 OR p.doc #>> '{brief,note}' ILIKE $1 OR bool_or(t.name ILIKE $1)
    UNION ALL
    SELECT 'pattern', id::text, name, file_name, 2 FROM pattern WHERE name ILIKE $1 OR file_name ILIKE $1
    UNION ALL ${SHOP_PARTS.join(' UNION ALL ')}
  ) AS hits ORDER BY rank, title LIMIT ${LIMIT}`;

/** Pours, patterns and things of the shop whose name (or number, metal, note) contains the words. */
export async function findByWords(db: Queryable, words: string): Promise<FindHit[]> {
  const pattern = `%${words.replace(/[\\%_]/g, '\\$&')}%`;
  return (await db.query<FindHit>(FIND, [pattern])).rows;
}
