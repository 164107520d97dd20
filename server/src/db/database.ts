import type { PGlite, Transaction } from '@electric-sql/pglite';
import { createInMemory, openCluster } from './cluster';
import { migrate, readMigrations } from './migrations';

export type Database = PGlite;
/** A database or a transaction on it: anything that answers queries. */
export type Queryable = Pick<Transaction, 'query' | 'exec'>;

/** SQLSTATE of what the database refuses. */
const codeOf = (error: unknown): string | undefined => (error as { code?: string }).code;
export const isUniqueViolation = (error: unknown): boolean => codeOf(error) === '23505';
export const isForeignKeyViolation = (error: unknown): boolean => codeOf(error) === '23503';

export interface OpenedDatabase {
  db: Database;
  migration: number;
}

/** Opens the database in a folder (created when absent), or in memory without one, and migrates it. */
export async function openDatabase(folder?: string): Promise<OpenedDatabase> {
  const migrations = await readMigrations();
  const db = await (folder === undefined ? createInMemory(migrations) : openCluster(folder, migrations));
  try {
    return { db, migration: await migrate(db, migrations) };
  } catch (error) {
    await db.close();
    throw error;
  }
}
