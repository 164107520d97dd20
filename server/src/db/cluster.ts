import { createHash } from 'node:crypto';
import { constants, cpSync, existsSync } from 'node:fs';
import { mkdir, mkdtemp, readdir, readFile, rename, rm, rmdir } from 'node:fs/promises';
import path from 'node:path';
import { PGlite } from '@electric-sql/pglite';
import { flushFolder, flushTree } from '../files/flush';
import { ROOT } from '../root';
import { mendEmptyFolders } from './emptyFolders';
import { FolderRefusedError, migrate, type Migration } from './migrations';
import { PARSERS } from './parsers';
import { pgliteDatabase } from './pgliteDatabase';
import { SYNCED_START, SyncedFiles } from './syncedFiles';

const CACHE = path.join(ROOT, 'node_modules/.cache/zero-pour');

/** The database's own major version, as its folder states it, and what no folder of it is without. */
const PG_VERSION = '18';
const MUST_HAVE = ['PG_VERSION', 'global/pg_control', 'base', 'pg_wal', 'pg_xact'];
/** Left by a process that died; its content is its pid, and after a power cut it is empty and stops every start. */
const PID_FILE = 'postmaster.pid';

/**
 * A folder with an empty, migrated cluster: making one takes seconds, copying one a fraction. Kept beside the installed packages,
 * named by what it was made of.
 */
async function emptyCluster(migrations: readonly Migration[]): Promise<string> {
  const made = migrations.map((migration) => migration.checksum).join('\n');
  const hash = createHash('sha256').update(made).digest('hex').slice(0, 16);
  const folder = path.join(CACHE, `empty-${PG_VERSION}-${hash}`);
  if (existsSync(folder)) return folder;
  await mkdir(CACHE, { recursive: true });
  const partial = await mkdtemp(`${folder}.`);
  const db = await PGlite.create({ dataDir: partial });
  await migrate(pgliteDatabase(db), migrations);
  await db.close();
  await rm(path.join(partial, PID_FILE), { force: true });
  await flushTree(partial);
  // Another process may have been sooner: theirs is as good.
  await rename(partial, folder).catch(() => rm(partial, { recursive: true, force: true }));
  return folder;
}

/** A database in memory, empty and migrated. */
export async function createInMemory(migrations: readonly Migration[]): Promise<PGlite> {
  const db = await PGlite.create({ parsers: PARSERS });
  await migrate(pgliteDatabase(db), migrations);
  return db;
}

const isNothing = async (folder: string): Promise<boolean> =>
  !existsSync(folder) || (await readdir(folder)).length === 0;

/**
 * Opens the database in a folder; a folder that is not there, or empty, becomes a new one. The caller holds the data
 * folder's lock. Throws FolderRefusedError for a folder with anything else in it, and leaves that as it is.
 */
export async function openCluster(folder: string, migrations: readonly Migration[]): Promise<PGlite> {
  await removePartials(folder);
  if (await isNothing(folder)) await createCluster(folder, migrations);
  else await takeOver(folder);
  return PGlite.create({ fs: new SyncedFiles(folder), startParams: SYNCED_START, parsers: PARSERS });
}

/** A folder that was there before: ours, whole as far as can be told from outside, and on the disk. */
async function takeOver(folder: string): Promise<void> {
  await refuseOthers(folder);
  await mendEmptyFolders(folder);
  await rm(path.join(folder, PID_FILE), { force: true });
  // One copied from a backup, or written before anything was flushed, may still be on its way to the disk.
  await flushTree(folder);
}

const PARTIAL = /^database\.new-\w{6}$/;

/** What a stop in the middle of a first start left behind: of our own making, and in nobody's use. */
async function removePartials(folder: string): Promise<void> {
  const parent = path.dirname(folder);
  for (const name of (await readdir(parent)).filter((entry) => PARTIAL.test(entry)))
    await rm(path.join(parent, name), { recursive: true, force: true });
}

/** A new cluster is copied beside its place, put on the disk, and moved there whole: a stop half-way leaves nothing. */
async function createCluster(folder: string, migrations: readonly Migration[]): Promise<void> {
  const parent = path.dirname(folder);
  const partial = await mkdtemp(path.join(parent, 'database.new-'));
  cpSync(await emptyCluster(migrations), partial, { recursive: true, mode: constants.COPYFILE_FICLONE });
  await flushTree(partial);
  // Only an empty folder gives way here: rmdir refuses any other.
  if (existsSync(folder)) await rmdir(folder);
  await rename(partial, folder);
  await flushFolder(parent);
}

/** What no database is without, and this folder does not have. */
export const missingIn = (folder: string): string[] =>
  MUST_HAVE.filter((name) => !existsSync(path.join(folder, name)));

async function refuseOthers(folder: string): Promise<void> {
  const missing = missingIn(folder);
  if (missing.length > 0)
    throw new FolderRefusedError(
      `${folder} holds things, but no whole Zero Pour database (${missing[0]} is missing): a half-copied backup, or files of something else. Nothing was changed. Copy it whole, move it elsewhere, or name another folder in ZP_DATA.`,
    );
  const version = (await readFile(path.join(folder, 'PG_VERSION'), 'utf8')).trim();
  if (version !== PG_VERSION)
    throw new FolderRefusedError(
      `${folder} was written by another version of the database (${version || 'unknown'}; here ${PG_VERSION}). Nothing was changed. Start the Zero Pour that wrote it, or name another folder in ZP_DATA.`,
    );
}
