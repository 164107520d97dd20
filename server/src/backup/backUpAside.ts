import { Refusal } from '@zero-pour/contracts';
import { constants } from 'node:fs';
import { cp, mkdtemp, readdir, rm } from 'node:fs/promises';
import path from 'node:path';
import { Worker } from 'node:worker_threads';
import type { Database } from '../db/database';
import { refuseWithoutRoomFor, sizeOfTree } from '../files/room';
import type { BackedUp } from './backUp';
import type { BackupAnswer, BackupOrder } from './backupThread';

/** What folders in the data folder begin with that are made for one backup alone. */
export const COPIES = 'backup-reads-';

/** Copies that a stopped process left: in nobody's use. The caller holds the data folder. */
export async function removeCopies(dataFolder: string): Promise<void> {
  for (const name of await readdir(dataFolder))
    if (name.startsWith(COPIES)) await rm(path.join(dataFolder, name), { recursive: true, force: true });
}

/**
 * A backup of the embedded database: its files are copied while nobody writes (a second or so for a shop of 10,000 pours), and
 * everything after that is done from the copy, by a thread of its own. Reading it here would hold everybody up for as long as it takes.
 */
export async function backUpAside(
  db: Database,
  dataFolder: string,
  folder: string,
  now: Date,
): Promise<BackedUp> {
  const database = path.join(dataFolder, 'database');
  await refuseWithoutRoomFor(await sizeOfTree(database), dataFolder);
  const copy = await mkdtemp(path.join(dataFolder, COPIES));
  try {
    await db.exec('CHECKPOINT');
    // Nothing else is asked of the database while a transaction is open: it has one connection.
    await db.transaction(() => cp(database, copy, { recursive: true, mode: constants.COPYFILE_FICLONE }));
    const answer = await inThread({ database: copy, files: path.join(dataFolder, 'files'), folder, now });
    if ('why' in answer) throw new Refusal('BACKUP_FAILED', { why: answer.why });
    return answer.made;
  } finally {
    await rm(copy, { recursive: true, force: true });
  }
}

function inThread(order: BackupOrder): Promise<BackupAnswer> {
  const worker = new Worker(new URL('./backupThread.mjs', import.meta.url), { workerData: order });
  return new Promise<BackupAnswer>((resolve, reject) => {
    worker.once('message', resolve);
    worker.once('error', reject);
    worker.once('exit', (code) => reject(new Error(`the thread that writes it ended (${code})`)));
  }).finally(() => worker.terminate());
}
