import { createInMemory, openCluster } from './cluster';
import type { Database } from './database';
import { asDamage } from '../damage/shopDamaged';
import { copyBeforeUpgrade } from './copyBeforeUpgrade';
import { migrate, pendingMigrations, readMigrations, type Migration } from './migrations';
import { pgliteDatabase } from './pgliteDatabase';
import { connectToServer } from './serverDatabase';

/** Where the database is: a server by its address, a folder (created when absent), or this process's memory. */
export type DatabasePlace = { serverUrl: string } | { folder: string } | 'memory';

export interface OpenedDatabase {
  db: Database;
  migration: number;
}

/** A folder of an earlier version is copied before it is brought to this one; one that cannot be copied is left as it is. */
async function openFolder(folder: string, migrations: readonly Migration[]): Promise<Database> {
  const db = pgliteDatabase(await openCluster(folder, migrations));
  try {
    const pending = await pendingMigrations(db, migrations);
    if (pending.done === 0 || pending.left === 0) return db;
    await db.close();
    await copyBeforeUpgrade(folder, pending.done);
  } catch (error) {
    await db.close().catch(() => undefined);
    throw error;
  }
  return pgliteDatabase(await openCluster(folder, migrations));
}

/**
 * Opens the database and migrates it. Throws FolderRefusedError for one that is not this program's, ShopDamagedError for one that lost
 * some of its files.
 */
export async function openDatabase(place: DatabasePlace): Promise<OpenedDatabase> {
  const migrations = await readMigrations();
  if (place === 'memory') return migrated(pgliteDatabase(await createInMemory(migrations)), migrations);
  if ('serverUrl' in place) return migrated(await connectToServer(place.serverUrl), migrations);
  try {
    return await migrated(await openFolder(place.folder, migrations), migrations);
  } catch (error) {
    throw asDamage(error, place.folder);
  }
}

async function migrated(db: Database, migrations: readonly Migration[]): Promise<OpenedDatabase> {
  try {
    return { db, migration: await migrate(db, migrations) };
  } catch (error) {
    await db.close().catch(() => undefined);
    throw error;
  }
}
