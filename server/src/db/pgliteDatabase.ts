import type { PGlite, Transaction } from '@electric-sql/pglite';
import type { Answer, Database, Queryable } from './database';
import { Lanes } from './lanes';

/** What can be asked of the embedded database, and of a transaction on it. */
const queryable = (on: Pick<Transaction, 'query' | 'exec'>): Queryable => ({
  query: <R>(text: string, values?: unknown[]): Promise<Answer<R>> => on.query<R>(text, values),
  exec: async (text) => void (await on.exec(text)),
});

/** The embedded database: one connection, so that everything takes turns. */
export function pgliteDatabase(db: PGlite): Database {
  const lanes = new Lanes();
  const { query, exec } = queryable(db);
  return {
    query: (text, values) => lanes.run('read', () => query(text, values)),
    exec: (text) => lanes.run('read', () => exec(text)),
    transaction: (work) => lanes.run('change', () => db.transaction((tx) => work(queryable(tx)))),
    close: () => lanes.run('read', () => db.close()),
  };
}
