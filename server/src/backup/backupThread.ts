import { parentPort, workerData } from 'node:worker_threads';
import { writeArchive } from '../archive/writeArchive';
import { openCluster } from '../db/cluster';
import { readMigrations } from '../db/migrations';
import { pgliteDatabase } from '../db/pgliteDatabase';
import { BlobFiles } from '../files/blobFiles';
import { asRefusal } from '../services/asRefusal';
import { backUp, type BackedUp } from './backUp';

/** What the other side gives: a copy of the database that is nobody else's, the shop's files, and where the backup goes. */
export interface BackupOrder {
  database: string;
  files: string;
  folder: string;
  now: Date;
}
export type BackupAnswer = { made: BackedUp } | { why: string };

/** Reads a copy of the database and writes the backup: away from the thread that answers people. */
async function work({ database, files, folder, now }: BackupOrder): Promise<BackupAnswer> {
  const db = pgliteDatabase(await openCluster(database, await readMigrations()));
  try {
    return { made: await backUp(writeArchive(db, BlobFiles.beside(files)), folder, now) };
  } catch (error) {
    return { why: asRefusal(error)?.message ?? String((error as Error).message) };
  } finally {
    await db.close();
  }
}
parentPort!.postMessage(await work(workerData as BackupOrder));
