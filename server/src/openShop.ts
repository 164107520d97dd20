import { Refusal } from '@zero-pour/contracts';
import { mkdir, statfs } from 'node:fs/promises';
import path from 'node:path';
import type { Logger } from 'pino';
import { keepLogShort } from './db/checkpoints';
import { wasOpened } from './backup/safekeepingFile';
import { acceptRows, refuseLostRows, sumTally } from './damage/rowTally';
import { asDamage, ShopDamagedError } from './damage/shopDamaged';
import { missingIn } from './db/cluster';
import type { Database } from './db/database';
import { lockFolder } from './db/folderLock';
import { openDatabase } from './db/openDatabase';
import { renewPours } from './db/tellsStore';
import { BlobFiles } from './files/blobFiles';
import { flushFolder } from './files/flush';

export interface OpenOptions {
  dataFolder: string;
  log: Logger;
  /** A PostgreSQL server's address; the embedded database in the data folder when there is none. */
  databaseUrl?: string | undefined;
  /** Work on the folder before it is opened, while nobody else can have it. */
  prepare?: (() => Promise<void>) | undefined;
  /** Somebody decided to go on with what a damaged database still has, be it nothing. */
  acceptLoss?: boolean | undefined;
  /** The folder has become another's all the same: nothing may be written any more. */
  onLost?: (() => void) | undefined;
}
export interface OpenShop {
  db: Database;
  migration: Awaited<ReturnType<typeof openDatabase>>['migration'];
  files: BlobFiles;
  close(): Promise<void>;
}

/**
 * Takes a data folder and opens its database and files; nothing is served. Throws FolderTakenError when another process has the
 * folder, FolderRefusedError when it is not a shop's, ShopDamagedError when its database lost something.
 */
export async function openShop({ dataFolder, log, databaseUrl, prepare, acceptLoss, onLost }: OpenOptions): Promise<OpenShop> {
  await mkdir(dataFolder, { recursive: true });
  await flushFolder(path.dirname(dataFolder));
  // On a server several processes share the folder: it holds bytes by their hash, each whole or not there.
  const lock = databaseUrl ? undefined : await lockFolder(dataFolder, onLost);
  const undo: (() => Promise<void>)[] = lock ? [() => lock.release()] : [];
  const close = async (): Promise<void> => {
    for (const step of undo.splice(0).reverse()) await step();
  };
  try {
    await prepare?.();
    await refuseFullDisk(dataFolder);
    if (!databaseUrl && !acceptLoss) refuseLostDatabase(dataFolder);
    const place = databaseUrl ? { serverUrl: databaseUrl } : { folder: path.join(dataFolder, 'database') };
    const { db, migration } = await openDatabase(place);
    undo.push(() => db.close());
    if ('folder' in place) {
      const stopKeeping = keepLogShort(db, (error) => log.error({ err: error }, 'no checkpoint'));
      undo.push(async () => stopKeeping());
    }
    if (acceptLoss) await acceptRows(db);
    else await refuseLostRows(db, (what) => log.warn(what));
    await sumTally(db);
    await renewPours(db);
    const files = await BlobFiles.open(path.join(dataFolder, 'files'), databaseUrl !== undefined);
    return { db, migration, files, close };
  } catch (error) {
    await close().catch(() => undefined);
    // A database that has no room to open says the same as one that is damaged.
    await refuseFullDisk(dataFolder);
    throw databaseUrl ? error : asDamage(error, path.join(dataFolder, 'database'));
  }
} // prettier-ignore

/** A folder that was a shop's, and has no whole database any more, is neither a new shop nor somebody else's. */
function refuseLostDatabase(dataFolder: string): void {
  const folder = path.join(dataFolder, 'database');
  const [missing] = missingIn(folder);
  if (missing !== undefined && wasOpened(dataFolder))
    throw new ShopDamagedError(
      `The shop’s database in ${folder} is gone in part (${missing} is missing).`,
      false,
    );
}

/** The embedded database's log grows by pieces of 16 MB (PostgreSQL, wal_segment_size): without room for one it does not open, and would look damaged. */
const ROOM_BYTES = 20_000_000;

async function refuseFullDisk(dataFolder: string): Promise<void> {
  const { bavail, bsize } = await statfs(dataFolder);
  if (bavail * bsize < ROOM_BYTES) throw new Refusal('DISK_FULL');
}
