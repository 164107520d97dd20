import { Refusal } from '@zero-pour/contracts';
import { createReadStream } from 'node:fs';
import { mkdtemp, rm } from 'node:fs/promises';
import path from 'node:path';
import { writeArchive } from '../archive/writeArchive';
import type { Database } from '../db/database';
import type { BlobFiles } from '../files/blobFiles';
import { backUpAside, COPIES } from './backUpAside';

/** The shop that is taken out, and where its database is. */
export interface TakenOut {
  db: Database;
  files: BlobFiles;
  dataFolder: string;
  isServer: boolean;
}

/**
 * The whole shop as one zip. The embedded database has one connection: its zip is made from a copy by a thread, as a backup is, so that
 * nobody waits for a shop of years to be read; where there is no room for the copy, from the database itself. A server has a snapshot for each.
 */
export async function* takeOut(shop: TakenOut): AsyncGenerator<Uint8Array> {
  const { db, files, dataFolder, isServer } = shop;
  if (isServer) return yield* writeArchive(db, files);
  const folder = await mkdtemp(path.join(dataFolder, COPIES));
  try {
    const made = await backUpAside(db, dataFolder, folder, new Date()).catch(unlessNoRoom);
    yield* made ? (createReadStream(made.file) as AsyncIterable<Uint8Array>) : writeArchive(db, files);
  } finally {
    await rm(folder, { recursive: true, force: true });
  }
}

function unlessNoRoom(error: unknown): undefined {
  if (error instanceof Refusal && (error.code === 'BACKUP_NO_ROOM' || error.code === 'DISK_FULL'))
    return undefined;
  throw error;
}
