/** Rows of an answer. */
export interface Answer<R> {
  rows: R[];
}

/** A database or a transaction on it: anything that answers questions. */
export interface Queryable {
  /** One statement with its values. */
  query<R>(text: string, values?: unknown[]): Promise<Answer<R>>;
  /** Any number of statements without values. */
  exec(text: string): Promise<void>;
}

/** What the application asks of a database, embedded or a server. */
export interface Database extends Queryable {
  /** All of the work is kept, or nothing of it when it throws. */
  transaction<T>(work: (tx: Queryable) => Promise<T>): Promise<T>;
  close(): Promise<void>;
}

/** A text that is looked for as it stands: of LIKE's own signs none means anything in it. */
export const escapeLike = (text: string): string => text.replace(/[\\%_]/g, '\\$&');

/** SQLSTATE of what the database refuses. */
const codeOf = (error: unknown): string | undefined => (error as { code?: string }).code;
export const isUniqueViolation = (error: unknown): boolean => codeOf(error) === '23505';
export const isForeignKeyViolation = (error: unknown): boolean => codeOf(error) === '23503';

/** Names of locks that hold between processes on one server, until the transaction ends. */
const LOCKS = { migration: 7_460_001, importing: 7_460_002 } as const;
export const holdLock = async (tx: Queryable, name: keyof typeof LOCKS): Promise<void> =>
  tx.exec(`SELECT pg_advisory_xact_lock(${LOCKS[name]})`);
