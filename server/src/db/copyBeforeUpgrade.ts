import { cp, readdir, rename, rm, stat, statfs } from 'node:fs/promises';
import path from 'node:path';
import { flushFolder, flushTree } from '../files/flush';
import { FolderRefusedError } from './migrations';

const COPY = /^database\.before-upgrade-\d+$/;
/** Room that is left beside the copy. */
const SPARE_BYTES = 50_000_000;

async function sizeOf(folder: string): Promise<number> {
  let bytes = 0;
  for (const entry of await readdir(folder, { withFileTypes: true })) {
    const full = path.join(folder, entry.name);
    bytes += entry.isDirectory() ? await sizeOf(full) : (await stat(full)).size;
  }
  return bytes;
}

/**
 * Copies a closed database before it is brought to this program's version, beside it and whole, so that the program that wrote it can
 * go on with it. The copy before that one goes. Throws FolderRefusedError where there is no room, and leaves everything as it is.
 */
export async function copyBeforeUpgrade(folder: string, from: number): Promise<string> {
  const parent = path.dirname(folder);
  const bytes = await sizeOf(folder);
  const { bavail, bsize } = await statfs(parent);
  if (bavail * bsize < bytes + SPARE_BYTES)
    throw new FolderRefusedError(
      `This Zero Pour is newer than the shop in ${parent}, which is copied before it is changed: ${Math.ceil((bytes + SPARE_BYTES) / 1e6)} MB are needed, ${Math.floor((bavail * bsize) / 1e6)} MB are free. Make room, and start again. Nothing was changed.`,
    );
  const copy = path.join(parent, `database.before-upgrade-${from}`);
  const partial = `${copy}.part`;
  await rm(partial, { recursive: true, force: true });
  await cp(folder, partial, { recursive: true });
  await flushTree(partial);
  const older = (await readdir(parent)).filter((name) => COPY.test(name));
  await rm(copy, { recursive: true, force: true });
  await rename(partial, copy);
  await flushFolder(parent);
  for (const name of older)
    if (name !== path.basename(copy)) await rm(path.join(parent, name), { recursive: true, force: true });
  return copy;
}
