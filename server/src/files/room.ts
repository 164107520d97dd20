import { Refusal } from '@zero-pour/contracts';
import { readdir, stat, statfs } from 'node:fs/promises';
import path from 'node:path';

/** Room that is left on a disk beside whatever is written. */
const SPARE_BYTES = 50_000_000;

/** Bytes of all files below a folder. */
export async function sizeOfTree(folder: string): Promise<number> {
  let bytes = 0;
  for (const entry of await readdir(folder, { withFileTypes: true })) {
    const full = path.join(folder, entry.name);
    bytes += entry.isDirectory() ? await sizeOfTree(full) : (await stat(full)).size;
  }
  return bytes;
}

/** How much is free on a folder's disk, and how much is needed, in words; null where there is room. */
export async function lacksRoom(
  bytes: number,
  folder: string,
): Promise<{ free: string; needed: string } | null> {
  const { bavail, bsize } = await statfs(folder);
  const [free, needed] = [bavail * bsize, bytes + SPARE_BYTES];
  return free >= needed
    ? null
    : { free: `${Math.floor(free / 1e6)} MB`, needed: `${Math.ceil(needed / 1e6)} MB` };
}

export async function refuseWithoutRoomFor(bytes: number, folder: string): Promise<void> {
  const lack = await lacksRoom(bytes, folder);
  if (lack) throw new Refusal('BACKUP_NO_ROOM', { folder, ...lack });
}
