import path from 'node:path';
import { pino } from 'pino';
import { readArchive } from '../archive/readArchive';
import { writeArchive } from '../archive/writeArchive';
import { findWayBack } from '../damage/putBack';
import { putShopBack } from '../damage/rescue';
import { FolderTakenError } from '../db/folderTaken';
import { ROOT } from '../root';
import { openShop, type OpenShop } from '../openShop';
import { backUp } from './backUp';
import { moveShop } from './moveShop';

const dataFolder = path.resolve(process.env['ZP_DATA'] ?? path.join(ROOT, 'data'));
const port = Number(process.env['ZP_PORT'] ?? 4680);
const log = pino({ level: process.env['ZP_LOG'] ?? 'warn' });
const open = (): Promise<OpenShop> => openShop({ dataFolder, log, databaseUrl: process.env['DATABASE_URL'] });

/** The zip of a shop that is open: from the one who has it open. */
async function askedOf(address: string): Promise<AsyncIterable<Uint8Array>> {
  const answer = await fetch(`${address}/api/archive.zip`).catch(() => undefined);
  if (!answer?.ok || !answer.body)
    throw new Error(`${dataFolder} is open in another Zero Pour, and none answers at ${address}: set ZP_PORT to its port, or stop it.`); // prettier-ignore
  return answer.body;
}

async function backupTo(folder: string): Promise<void> {
  const shop = await open().catch((error: unknown) => {
    if (error instanceof FolderTakenError) return undefined;
    throw error;
  });
  try {
    const archive = shop ? writeArchive(shop.db, shop.files) : await askedOf(`http://127.0.0.1:${port}`);
    const { file, size, pours, entries, bytes, missing, dropped } = await backUp(archive, folder, new Date());
    console.log(`${file}: ${(size / 1e6).toFixed(1)} MB, ${pours} pours, ${entries} entries and ${bytes} files of bytes, opened and read again.`); // prettier-ignore
    if (missing > 0) console.log(`${missing} files of bytes were damaged where they are kept, and are not in it.`); // prettier-ignore
    if (dropped.length > 0) console.log(`Dropped by the rule: ${dropped.join(', ')}.`);
  } finally {
    await shop?.close();
  }
}

async function restoreFrom(file: string): Promise<void> {
  const shop = await open();
  try {
    const head = await readArchive(shop.db, shop.files, file);
    console.log(`${Object.keys(head.files).filter((name) => name.startsWith('pours/')).length} pours and all else of ${file} are in ${dataFolder} now.`); // prettier-ignore
  } finally {
    await shop.close();
  }
}

/** A shop whose database is damaged: its newest whole backup in its place, and what was accepted since over it. */
async function putTheShopBack(): Promise<void> {
  const way = await findWayBack(dataFolder);
  if (way === null) throw new Error(`There is no whole backup of ${dataFolder} where its backups are kept.`);
  for (const said of way.broken) console.log(`Not whole: ${said}`);
  const demoShop = (): never => {
    throw new Error('a shop that is put back is not filled');
  };
  for (const said of await putShopBack({ dataFolder, webFolder: '', port: 0, demoShop, log }, way, log)) console.log(said); // prettier-ignore
}

/** The same shop into an empty place: another data folder, or a PostgreSQL server (bytes go into the data folder of ZP_MOVE_FILES). Counted on both sides. */
async function moveTo(to: string): Promise<void> {
  const isServer = /^postgres(ql)?:/.test(to);
  const files = process.env['ZP_MOVE_FILES'];
  if (isServer && files === undefined) throw new Error('Say where bytes go beside that server: ZP_MOVE_FILES=FOLDER, the ZP_DATA of those who use it.'); // prettier-ignore
  const target = isServer
    ? { dataFolder: path.resolve(files!), databaseUrl: to }
    : { dataFolder: path.resolve(to) };
  const from = await open();
  try {
    const { rows, tables, blobs } = await moveShop(from, { ...target, log });
    console.log(`${rows} rows of ${tables} tables, and ${blobs} files of bytes, are in the new place too, counted on both sides. The shop stays in ${dataFolder} as well until you take it away.`); // prettier-ignore
  } finally {
    await from.close();
  }
}

const [command, named] = process.argv.slice(2);
try {
  if (command === 'backup') await backupTo(path.resolve(named ?? path.join(dataFolder, '..', 'backups')));
  else if (command === 'move' && named) await moveTo(named);
  else if (command === 'restore' && named === '--back') await putTheShopBack();
  else if (command === 'restore' && named) await restoreFrom(path.resolve(named));
  else throw new Error('npm run backup -- [FOLDER], npm run restore -- FILE into a data folder that is empty, npm run restore -- --back where it is damaged, or npm run move -- TO, an empty folder or a PostgreSQL server.'); // prettier-ignore
} catch (error) {
  console.error(error instanceof Error ? error.message : error);
  process.exitCode = 1;
}
