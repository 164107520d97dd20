import type { Database } from './database';

/** The log may grow to this before it is folded into the tables: what a start after a power cut has to read again. */
export const LOG_BYTES_MAX = 32 * 1024 * 1024;
const LOOK_EVERY_MS = 60_000;

/** Bytes of log since the last checkpoint. */
export async function logBytes(db: Pick<Database, 'query'>): Promise<number> {
  const { rows } = await db.query<{ bytes: number }>(
    'SELECT pg_wal_lsn_diff(pg_current_wal_insert_lsn(), redo_lsn) AS bytes FROM pg_control_checkpoint()',
  );
  return Number(rows[0]?.bytes ?? 0);
}

/** Makes a checkpoint when the log has grown long. Returns whether it did. */
export async function checkpointWhenLong(db: Database, bytesMax = LOG_BYTES_MAX): Promise<boolean> {
  if ((await logBytes(db)) <= bytesMax) return false;
  await db.exec('CHECKPOINT');
  return true;
}

/**
 * Looks after the log while the shop is open: the embedded database has no process of its own that would, and without
 * one the log grows until the next start. Returns how to stop.
 */
export function keepLogShort(db: Database, onError: (error: unknown) => void): () => void {
  const timer = setInterval(() => void checkpointWhenLong(db).catch(onError), LOOK_EVERY_MS);
  timer.unref();
  return () => clearInterval(timer);
}
