import { createWriteStream } from 'node:fs';
import { mkdir, readdir, rename, rm, stat } from 'node:fs/promises';
import path from 'node:path';
import { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { checkArchive, type CheckedArchive } from '../archive/readArchive';
import { flushFile, flushFolder } from '../files/flush';
import { refuseWithoutRoomFor } from '../files/room';
import { backupMoment, backupName, backupsToDrop } from './keepRule';

export interface BackedUp extends CheckedArchive {
  file: string;
  size: number;
  /** Older backups that were dropped by the rule. */
  dropped: string[];
}

/** A shop without a backup yet is taken to need so much: what it needs is known once there is one. */
const FIRST_BYTES = 50_000_000;

/** What the next backup is likely to need: what the newest takes, and half as much again. */
async function likelySize(folder: string, names: readonly string[]): Promise<number> {
  const newest = names
    .filter((name) => backupMoment(name) !== undefined)
    .sort()
    .at(-1);
  return newest === undefined ? FIRST_BYTES : 1.5 * (await stat(path.join(folder, newest))).size;
}

/**
 * Writes a whole shop as one zip into a folder: under another name until it is on the disk, then opened and read whole, and only then
 * called a backup; the rule then says which older ones go. Refuses where there is no room, and what cannot be taken in again.
 */
export async function backUp(archive: AsyncIterable<Uint8Array>, folder: string, now: Date): Promise<BackedUp> {
  await mkdir(folder, { recursive: true });
  const before = await readdir(folder);
  await refuseWithoutRoomFor(await likelySize(folder, before), folder);
  const name = backupName(now);
  const [file, partial] = [path.join(folder, name), path.join(folder, `.${name}.${process.pid}.part`)];
  try {
    await pipeline(Readable.from(archive), createWriteStream(partial));
    await flushFile(partial);
    const checked = await checkArchive(partial);
    const { size } = await stat(partial);
    await rename(partial, file);
    await flushFolder(folder);
    const dropped = backupsToDrop([...before.filter((one) => one !== name), name], now);
    for (const one of dropped) await rm(path.join(folder, one), { force: true });
    return { ...checked, file, size, dropped };
  } finally {
    await rm(partial, { force: true });
  }
} // prettier-ignore
