import type { PGlite, Transaction } from '@electric-sql/pglite';
import type { Answer, Database, Queryable } from './database';

/** What can be asked of the embedded database, and of a transaction on it. */
const queryable = (on: Pick<Transaction, 'query' | 'exec'>): Queryable => ({
  query: <R>(text: string, values?: unknown[]): Promise<Answer<R>> => on.query<R>(text, values),
  exec: async (text) => void (await on.exec(text)),
});

/** The embedded database: one connection, so transactions wait for each other by themselves. */
export const pgliteDatabase = (db: PGlite): Database => ({
  ...queryable(db),
  transaction: (work) => db.transaction((tx) => work(queryable(tx))),
  close: () => db.close(),
});
