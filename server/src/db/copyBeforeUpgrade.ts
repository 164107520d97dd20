import { cp, readdir, rename, rm } from 'node:fs/promises';
import path from 'node:path';
import { flushFolder, flushTree } from '../files/flush';
import { lacksRoom, sizeOfTree } from '../files/room';
import { FolderRefusedError } from './migrations';

const COPY = /^database\.before-upgrade-\d+$/;
/**
 * Copies a closed database before it is brought to this program's version, beside it and whole, so that the program that wrote it can
 * go on with it. The copy before that one goes. Throws FolderRefusedError where there is no room, and leaves everything as it is.
 */
export async function copyBeforeUpgrade(folder: string, from: number): Promise<string> {
  const parent = path.dirname(folder);
  const lack = await lacksRoom(await sizeOfTree(folder), parent);
  if (lack)
    throw new FolderRefusedError(
      `This Zero Pour is newer than the shop in ${parent}, which is copied before it is changed: ${lack.needed} are needed, ${lack.free} are free. Make room, and start again. Nothing was changed.`,
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
