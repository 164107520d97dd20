import { createInMemory, openCluster } from './cluster';
import type { Database } from './database';
import { migrate, readMigrations } from './migrations';
import { pgliteDatabase } from './pgliteDatabase';
import { connectToServer } from './serverDatabase';

/** Where the database is: a server by its address, a folder (created when absent), or this process's memory. */
export type DatabasePlace = { serverUrl: string } | { folder: string } | 'memory';

export interface OpenedDatabase {
  db: Database;
  migration: number;
}

/** Opens the database and migrates it. Throws FolderRefusedError for one that is not this program's. */
export async function openDatabase(place: DatabasePlace): Promise<OpenedDatabase> {
  const migrations = await readMigrations();
  const open = async (): Promise<Database> => {
    if (place === 'memory') return pgliteDatabase(await createInMemory(migrations));
    if ('serverUrl' in place) return connectToServer(place.serverUrl);
    return pgliteDatabase(await openCluster(place.folder, migrations));
  };
  const db = await open();
  try {
    return { db, migration: await migrate(db, migrations) };
  } catch (error) {
    await db.close();
    throw error;
  }
}
