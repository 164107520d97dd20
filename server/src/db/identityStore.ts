import { randomUUID } from 'node:crypto';
import type { Queryable } from './database';

/** The id of this shop; a new shop is given one. */
export async function identifyShop(db: Queryable): Promise<string> {
  const found = await db.query<{ id: string }>('SELECT id FROM shop_identity');
  if (found.rows[0]) return found.rows[0].id;
  // Two processes on one server may come at once: the first one's stays.
  await db.query('INSERT INTO shop_identity (id) VALUES ($1) ON CONFLICT DO NOTHING', [randomUUID()]);
  const { rows } = await db.query<{ id: string }>('SELECT id FROM shop_identity');
  return rows[0]!.id;
}
