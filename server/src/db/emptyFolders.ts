import { mkdir } from 'node:fs/promises';
import path from 'node:path';

/** Folders of a cluster that hold nothing while it is closed, so that copying programs leave them out (PostgreSQL, "Database File Layout"). */
const EMPTY_WHEN_CLOSED = [
  'pg_commit_ts', 'pg_dynshmem', 'pg_logical/mappings', 'pg_logical/snapshots', 'pg_notify', 'pg_replslot', 'pg_serial', 'pg_snapshots',
  'pg_stat', 'pg_stat_tmp', 'pg_subtrans', 'pg_tblspc', 'pg_twophase', 'pg_wal/archive_status', 'pg_wal/summaries',
]; // prettier-ignore

/** Puts back folders that a copy lost because nothing was in them. One that had something is a loss, and is found when it is opened. */
export async function mendEmptyFolders(cluster: string): Promise<void> {
  for (const folder of EMPTY_WHEN_CLOSED) await mkdir(path.join(cluster, folder), { recursive: true });
}
