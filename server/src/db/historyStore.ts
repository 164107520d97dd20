import {
  changedFields,
  type History,
  type KeptHistory,
  type ShopItem,
  type ShopKind,
} from '@zero-pour/contracts';
import type { Queryable } from './database';

/** Changes within this time of each other are one change: fields are kept as they are typed. */
const ONE_CHANGE = '10 minutes';
/** States shown of one item. */
const SHOWN = 50;

/** Keeps how an item stood, unless it is being edited just now or nothing differs. */
export async function rememberChange<K extends ShopKind>(
  db: Queryable,
  kind: K,
  before: ShopItem<K>,
  after: Record<string, unknown>,
): Promise<void> {
  if (changedFields(before as Record<string, unknown>, after).length === 0) return;
  await db.query(
    `INSERT INTO item_history (kind, item_id, before)
     SELECT $1, $2, $3 WHERE NOT EXISTS (
       SELECT 1 FROM item_history WHERE kind = $1 AND item_id = $2 AND at > now() - interval '${ONE_CHANGE}')`,
    [kind, before.id, JSON.stringify(before)],
  );
}

/** How an item stood before each change, newest first. */
export async function listHistory(db: Queryable, kind: ShopKind, id: string): Promise<History> {
  const { rows } = await db.query<{ at: Date; before: Record<string, unknown> }>(
    `SELECT at, before FROM item_history WHERE kind = $1 AND item_id = $2 ORDER BY at DESC LIMIT ${SHOWN}`,
    [kind, id],
  );
  return rows.map(({ at, before }) => ({ at: at.toISOString(), before }));
}

/** The whole history of all things, for an archive. */
export async function exportHistory(db: Queryable): Promise<KeptHistory[]> {
  const { rows } = await db.query<Omit<KeptHistory, 'at'> & { at: Date }>(
    'SELECT kind, item_id AS "itemId", at, before FROM item_history',
  );
  return rows.map((row) => ({ ...row, at: row.at.toISOString() }));
}
export async function restoreHistory(db: Queryable, history: readonly KeptHistory[]): Promise<void> {
  for (const { kind, itemId, at, before } of history)
    await db.query('INSERT INTO item_history (kind, item_id, at, before) VALUES ($1, $2, $3, $4)', [
      kind,
      itemId,
      at,
      JSON.stringify(before),
    ]);
}
