import {
  pourDocSchema,
  tellPour,
  TELLS_VERSION,
  upgradePour,
  type PouredPrint,
  type PouredSizes,
} from '@zero-pour/contracts';
import type { Database, Queryable } from './database';

/** Pours told anew in one step at the start. */
const AT_ONCE = 100;

/** What pours tell of their prints, oldest first: those that were started. */
export async function listPouredPrints(db: Queryable): Promise<PouredPrint[]> {
  const { rows } = await db.query<{ told: PouredPrint }>(
    `SELECT told_print AS told FROM pour WHERE NOT discarded AND told_print IS NOT NULL
     ORDER BY told_print ->> 'startedAt', number`,
  );
  return rows.map(({ told }) => told);
}

/** What pours tell of sizes, oldest first: those whose printed scale is known and of which something was measured. */
export async function listPouredSizes(db: Queryable): Promise<PouredSizes[]> {
  const { rows } = await db.query<{ told: PouredSizes }>(
    `SELECT told_sizes AS told FROM pour WHERE NOT discarded AND told_sizes IS NOT NULL
     ORDER BY told_sizes ->> 'at', number`,
  );
  return rows.map(({ told }) => told);
}

/**
 * Tells anew what was told by an earlier version, or never. Pours that do not read tell nothing; they are asked again
 * when this version of telling is another one. Returns how many were told.
 */
export async function tellAnew(db: Database): Promise<number> {
  for (let told = 0; ;) {
    const count = await db.transaction(async (tx) => {
      const { rows } = await tx.query<{ id: string; number: number; doc: unknown }>(
        'SELECT id, number, doc FROM pour WHERE told_version < $1 ORDER BY number LIMIT $2 FOR UPDATE',
        [TELLS_VERSION, AT_ONCE],
      );
      for (const { id, number, doc } of rows) {
        const read = pourDocSchema.safeParse(upgradePour(doc));
        const tells = read.success ? tellPour({ id, number, doc: read.data }) : { print: null, sizes: null };
        await tx.query('UPDATE pour SET told_print = $2, told_sizes = $3, told_version = $4 WHERE id = $1', [
          id,
          tells.print && JSON.stringify(tells.print),
          tells.sizes && JSON.stringify(tells.sizes),
          TELLS_VERSION,
        ]);
      }
      return rows.length;
    });
    told += count;
    if (count < AT_ONCE) return told;
  }
}
