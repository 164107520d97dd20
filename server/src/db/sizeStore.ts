import type { PouredSizes } from '@zero-pour/contracts';
import type { Queryable } from './database';

/** What pours tell of sizes, oldest first: those whose printed scale is known and of which something was measured. */
export async function listPouredSizes(db: Queryable): Promise<PouredSizes[]> {
  const { rows } = await db.query<PouredSizes>(
    `SELECT pour_id AS "pourId", number, at, resin_id AS "resinId", printer_id AS "printerId",
       profile_id AS "profileId", powder_id AS "powderId", alloy_id AS "alloyId", route, finish, patterns, rotations,
       sizes, scale, castings
     FROM poured_sizes ORDER BY at, number`,
  );
  return rows;
}
