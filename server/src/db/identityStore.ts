import { randomUUID } from 'node:crypto';
import type { Queryable } from './database';

/** The id of this shop; a new shop is given one. */
export async function identifyShop(db: Queryable): Promise<string> {
  const found = await db.query<{ id: string }>('SELECT id FROM shop_identity');
  if (found.rows[0]) return found.rows[0].id;
  const { rows } = await db.query<{ id: string }>('INSERT INTO shop_identity (id) VALUES ($1) RETURNING id', [
    randomUUID(),
  ]);
  return rows[0]!.id;
}
