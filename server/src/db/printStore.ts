import type { PouredPrint } from '@zero-pour/contracts';
import type { Queryable } from './database';

/** What pours tell of their prints, oldest first: those that were started. */
export async function listPouredPrints(db: Queryable): Promise<PouredPrint[]> {
  const { rows } = await db.query<PouredPrint>(
    `SELECT pour_id AS "pourId", number, started_at AS "startedAt", resin_id AS "resinId", cast_class AS "castClass", route,
       print, washed_at AS "washedAt", verdicts, patterns, spares, outcomes
     FROM pour_print ORDER BY started_at, number`,
  );
  return rows.map(({ verdicts, ...row }) => (verdicts ? { ...row, verdicts } : row));
}
