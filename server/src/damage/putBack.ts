import { existsSync } from 'node:fs';
import { mkdir, readdir, rename } from 'node:fs/promises';
import path from 'node:path';
import type { Logger } from 'pino';
import { checkArchive, readArchive, type CheckedArchive } from '../archive/readArchive';
import { listBackups } from '../backup/backupKeeper';
import { backupFolderOf, keepSafekeeping, readSafekeeping } from '../backup/safekeepingFile';
import { flushFolder } from '../files/flush';
import { openShop } from '../openShop';
import { readJournal } from '../backup/journal';

export interface WayBack {
  file: string;
  at: string;
  holds: CheckedArchive;
  /** Newer backups that cannot be taken in, each with why. */
  broken: string[];
  /** Changes that were accepted since. */
  since: number;
}

/** The newest backup that is whole, and how much was accepted since; null where there is none. Reads backups whole: takes its time. */
export async function findWayBack(dataFolder: string): Promise<WayBack | null> {
  const folder = backupFolderOf(dataFolder, await readSafekeeping(dataFolder));
  const broken: string[] = [];
  for (const { name, at } of await listBackups(folder)) {
    const file = path.join(folder, name);
    try {
      const holds = await checkArchive(file);
      let since = 0;
      for await (const _ of readJournal(dataFolder)) since++;
      return { file, at, holds, broken, since };
    } catch (error) {
      broken.push(`${name}: ${(error as Error).message}`);
    }
  }
  return null;
}

/** A folder beside the database that is not there yet. */
function asideFolder(dataFolder: string, now: Date): string {
  const day = now.toISOString().slice(0, 10);
  for (let n = 1; ; n++) {
    const folder = path.join(dataFolder, `damaged-${day}${n === 1 ? '' : `-${n}`}`);
    if (!existsSync(folder)) return folder;
  }
}

/** Sets what is left of a database aside, whole: a person who knows databases may want it. */
async function setAside(dataFolder: string, aside: string): Promise<void> {
  await mkdir(aside);
  if ((await readdir(dataFolder)).includes('database')) await rename(path.join(dataFolder, 'database'), path.join(aside, 'database')); // prettier-ignore
  await flushFolder(aside);
  await flushFolder(dataFolder);
}

/**
 * Puts a backup in the place of a damaged database, which is set aside; returns where to. The shop stays the same one to its pages. What
 * was accepted since is put over it by `replay`, once the shop is served.
 */
export async function putBack(dataFolder: string, way: WayBack, log: Logger, now: Date): Promise<string> {
  const kept = await readSafekeeping(dataFolder);
  const aside = asideFolder(dataFolder, now);
  const prepare = (): Promise<void> => setAside(dataFolder, aside);
  const shop = await openShop({ dataFolder, log, prepare, acceptLoss: true });
  try {
    await readArchive(shop.db, shop.files, way.file);
    if (kept.shopId !== null) {
      await shop.db.query('DELETE FROM shop_identity');
      await shop.db.query('INSERT INTO shop_identity (id) VALUES ($1)', [kept.shopId]);
    }
    await keepSafekeeping(dataFolder, { ...kept, since: kept.since ?? now.toISOString(), atOnce: true });
  } finally {
    await shop.close();
  }
  return aside;
}
