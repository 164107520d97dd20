import { createHash } from 'node:crypto';
import { existsSync } from 'node:fs';
import { mkdir, mkdtemp, readdir, readFile, rename, rm, rmdir, writeFile } from 'node:fs/promises';
import path from 'node:path';
import { fileURLToPath } from 'node:url';
import { PGlite } from '@electric-sql/pglite';
import { flushFile, flushFolder, flushTree } from '../files/flush';
import { mendEmptyFolders } from './emptyFolders';
import { FolderRefusedError, migrate, type Migration } from './migrations';
import { PARSERS } from './parsers';
import { pgliteDatabase } from './pgliteDatabase';
import { SYNCED_START, SyncedFiles } from './syncedFiles';

const CACHE = fileURLToPath(new URL('../../../node_modules/.cache/zero-pour/', import.meta.url));

/** The database's own major version, as its folder states it, and what no folder of it is without. */
const PG_VERSION = '18';
const MUST_HAVE = ['PG_VERSION', 'global/pg_control', 'base', 'pg_wal', 'pg_xact'];
/** Left by a process that died; its content is its pid, and after a power cut it is empty and stops every start. */
const PID_FILE = 'postmaster.pid';

/**
 * An empty, migrated cluster as a tar: creating one costs seconds, loading one a fraction.
 * Kept beside the installed packages, named by what it was made of.
 */
async function emptyCluster(migrations: readonly Migration[]): Promise<Blob> {
  const made = migrations.map((migration) => migration.checksum).join('\n');
  const hash = createHash('sha256').update(made).digest('hex').slice(0, 16);
  const file = path.join(CACHE, `empty-${hash}.tar`);
  if (existsSync(file)) return new Blob([await readFile(file)]);
  const db = await PGlite.create();
  await migrate(pgliteDatabase(db), migrations);
  const dump = await db.dumpDataDir('none');
  await db.close();
  await mkdir(CACHE, { recursive: true });
  const partial = `${file}.${process.pid}`;
  await writeFile(partial, new Uint8Array(await dump.arrayBuffer()));
  await flushFile(partial);
  await rename(partial, file);
  return dump;
}

/** A database in memory, empty and migrated. */
export async function createInMemory(migrations: readonly Migration[]): Promise<PGlite> {
  return PGlite.create({ loadDataDir: await emptyCluster(migrations), parsers: PARSERS });
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
  await refuseOthers(folder);
  await mendEmptyFolders(folder);
  await rm(path.join(folder, PID_FILE), { force: true });
  // A folder copied from a backup, or written before anything was flushed, may still be on its way to the disk.
  await flushTree(folder);
  return PGlite.create({ fs: new SyncedFiles(folder), startParams: SYNCED_START, parsers: PARSERS });
}

const PARTIAL = /^database\.new-\w{6}$/;

/** What a stop in the middle of a first start left behind: of our own making, and in nobody's use. */
async function removePartials(folder: string): Promise<void> {
  const parent = path.dirname(folder);
  for (const name of (await readdir(parent)).filter((entry) => PARTIAL.test(entry)))
    await rm(path.join(parent, name), { recursive: true, force: true });
}

/** A new cluster is unpacked beside its place, put on the disk, and moved there whole: a stop half-way leaves nothing. */
async function createCluster(folder: string, migrations: readonly Migration[]): Promise<void> {
  const parent = path.dirname(folder);
  const partial = await mkdtemp(path.join(parent, 'database.new-'));
  const db = await PGlite.create({ dataDir: partial, loadDataDir: await emptyCluster(migrations) });
  await db.close();
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
