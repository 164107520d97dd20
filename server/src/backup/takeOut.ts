import { randomUUID } from 'node:crypto';
import { createReadStream } from 'node:fs';
import { rm } from 'node:fs/promises';
import path from 'node:path';
import { writeArchive } from '../archive/writeArchive';
import type { Database } from '../db/database';
import type { BlobFiles } from '../files/blobFiles';
import { asRefusal } from '../services/asRefusal';
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
 * nobody waits for a shop of years to be read; where no copy can be made (there is no room), it is read from the database itself, which
 * says what is wrong if that fails too. A server has a snapshot for each.
 */
export async function* takeOut(shop: TakenOut): AsyncGenerator<Uint8Array> {
  const { db, files, dataFolder, isServer } = shop;
  if (isServer) return yield* writeArchive(db, files);
  const folder = path.join(dataFolder, `${COPIES}${randomUUID()}`);
  try {
    const made = await backUpAside(db, dataFolder, folder, new Date()).catch(unlessRefused);
    yield* made ? (createReadStream(made.file) as AsyncIterable<Uint8Array>) : writeArchive(db, files);
  } finally {
    await rm(folder, { recursive: true, force: true });
  }
}

/** What is known to go wrong is no reason not to try without a copy. */
function unlessRefused(error: unknown): undefined {
  if (!asRefusal(error)) throw error;
}
