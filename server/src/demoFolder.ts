import { existsSync } from 'node:fs';
import { mkdir, readdir, readFile, rename, writeFile } from 'node:fs/promises';
import path from 'node:path';
import { flushFile, flushFolder } from './files/flush';
import { FolderRefusedError } from './db/migrations';

/** The demo is made for the day it is started on: its dates are counted from that day. */
const DAY_FILE = 'demo-day.txt';
/** What Zero Pour itself puts into a data folder; only these are ever moved. */
const OWN = ['database', 'files', 'safekeeping.json', 'since-backup', 'backups'];
/** Of the lock that is held while this runs. */
const isLock = (name: string): boolean => name === 'lock.sock' || name.startsWith('in-use.json');

/** A folder beside the demo's that is not there yet. */
function freeName(wanted: string): string {
  for (let n = 1; ; n++) {
    const name = n === 1 ? wanted : `${wanted}-${n}`;
    if (!existsSync(name)) return name;
  }
}

/**
 * Makes a folder ready for the demo of a day ("2026-11-27"). A demo of another day is moved aside whole, with what was
 * typed into it; returns where to, or null. The caller holds the folder's lock. Throws FolderRefusedError for a folder
 * that is not a demo.
 */
export async function prepareDemoFolder(folder: string, day: string): Promise<string | null> {
  const marker = path.join(folder, DAY_FILE);
  const madeOn = existsSync(marker) ? (await readFile(marker, 'utf8')).trim() : null;
  if (madeOn === day) return null;
  const present = (await readdir(folder)).filter((name) => !isLock(name));
  if (madeOn === null && present.length > 0)
    throw new FolderRefusedError(
      `${folder} holds no demo shop. Nothing was changed. Name another folder in ZP_DATA for the demo.`,
    );
  const own = present.filter((name) => OWN.includes(name));
  const aside = own.length > 0 ? freeName(`${folder}-until-${day}`) : null;
  if (aside !== null) {
    await mkdir(aside);
    await writeFile(path.join(aside, DAY_FILE), madeOn ?? '');
    for (const name of own) await rename(path.join(folder, name), path.join(aside, name));
    await flushFolder(aside);
  }
  await writeFile(marker, day);
  await flushFile(marker);
  await flushFolder(folder);
  return aside;
}
