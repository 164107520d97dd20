// npm run torture -- MINUTES: writes into a shop and hurts it, over and over, with counts: what was acknowledged must never be lost, and no start be refused without a way back.
import { createHash, randomBytes, randomUUID } from 'node:crypto';
import { existsSync } from 'node:fs';
import { cp, mkdtemp, open, readdir, rm, stat, truncate } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { setTimeout as wait } from 'node:timers/promises';
import { emptyPourDoc, type Pour } from '@zero-pour/contracts';
import { buildServer } from '../../../scripts/prepare.mjs';
import { DiskImage, whyNoPowerCuts } from './diskImage';
import { killServer, sendTo, spawnServer, type Started } from './serverProcess';

const PAGE = 8192;
/** Folders that a copying program leaves out, since nothing is in them. */
const EMPTY = ['pg_notify', 'pg_twophase', 'pg_tblspc', 'pg_replslot', 'pg_dynshmem', 'pg_snapshots'];

interface Counts {
  runs: number;
  acknowledged: number;
  lost: number;
  startedWhole: number;
  putBack: number;
  refusedForGood: number;
}
const nothing = (): Counts => ({ runs: 0, acknowledged: 0, lost: 0, startedWhole: 0, putBack: 0, refusedForGood: 0 }); // prettier-ignore

interface Written {
  pourId: string;
  pieces: number[];
  blobs: string[];
}

async function start(folder: string): Promise<Started | { damaged: string; child: Started['child'] }> {
  const { child, first } = spawnServer(folder);
  let said = '';
  const rescue = new Promise<string>((resolve) =>
    child.stderr!.on('data', (chunk: Buffer) => {
      said += chunk.toString();
      const at = /how to go on, at (http:\/\/[\d.:]+\d)/.exec(said)?.[1];
      if (at) resolve(at);
    }),
  );
  const what = await Promise.race([first, rescue]);
  if (typeof what === 'string') return { damaged: what, child };
  if ('code' in what) throw new Error(what.said);
  return what;
}

/** Types into one pour and keeps photos until told to stop, or nobody answers. */
async function writeUntil(address: string, written: Written, until: () => boolean): Promise<void> {
  for (let n = written.pieces.length + 1; !until(); n++) {
    const changes = [{ path: ['print', 'pieces', `l1/${n}`], version: 2, value: { outcome: 'good', note: `piece ${n}` } }]; // prettier-ignore
    const status = await sendTo(address, 'PATCH', `/pours/${written.pourId}`, { changes }).catch(() => 0);
    if (status === 200) written.pieces.push(n);
    if (status === 0 || n > 900) return;
    if (n % 10 !== 0) continue;
    const photo = new Uint8Array(randomBytes(20_000));
    const hash = createHash('sha256').update(photo).digest('hex');
    if ((await sendTo(address, 'PUT', `/blobs/${hash}`, photo).catch(() => 0)) === 201)
      written.blobs.push(hash);
  }
}

/** Acknowledged writes that a started shop does not have. */
async function lostIn(address: string, { pourId, pieces, blobs }: Written): Promise<number> {
  const pour = (await (await fetch(`${address}/api/pours/${pourId}`)).json()) as Partial<Pour>;
  let lost = pieces.filter((n) => pour.doc?.print.pieces[`l1/${n}`]?.note !== `piece ${n}`).length;
  for (const hash of blobs) if (!(await fetch(`${address}/api/blobs/${hash}`)).ok) lost++;
  return lost;
}

async function newShop(folder: string): Promise<{ server: Started; written: Written }> {
  const server = (await start(folder)) as Started;
  const written: Written = { pourId: randomUUID(), pieces: [], blobs: [] };
  if ((await sendTo(server.address, 'POST', '/pours', { id: written.pourId, doc: emptyPourDoc() })) !== 201) throw new Error('no pour was begun'); // prettier-ignore
  await sendTo(server.address, 'POST', '/safekeeping/backup', {});
  return { server, written };
}

/** Starts a hurt shop; a damaged one is put back by the page that it shows. Counts what came of it. */
async function look(folder: string, written: Written, counts: Counts): Promise<void> {
  counts.runs++;
  counts.acknowledged += written.pieces.length + written.blobs.length;
  const begun = await start(folder).catch((error: Error) => error);
  if (begun instanceof Error) {
    counts.refusedForGood++;
    console.log(`refused: ${begun.message.slice(0, 300)}`);
    return;
  }
  try {
    const address = 'damaged' in begun ? begun.damaged : begun.address;
    if ('damaged' in begun && !(await putBack(address))) {
      counts.refusedForGood++;
      return;
    }
    counts['damaged' in begun ? 'putBack' : 'startedWhole']++;
    const lost = await lostIn(address, written);
    counts.lost += lost;
  } finally {
    await killServer(begun.child);
  }
}

async function putBack(address: string): Promise<boolean> {
  const page = async (): Promise<string> => (await fetch(address).catch(() => undefined))?.text() ?? '';
  for (let n = 0; n < 100; n++, await wait(100)) if ((await page()).includes('Put the shop back')) break;
  await fetch(`${address}/rescue/back`, { method: 'POST', redirect: 'manual' }).catch(() => undefined);
  for (let n = 0; n < 300; n++, await wait(200)) {
    const answer = await fetch(`${address}/api/health`).catch(() => undefined);
    if (answer?.ok) return true;
    if ((await page()).includes('That did not work')) return false;
  }
  return false;
}

const pick = <T>(list: readonly T[]): T => list[Math.floor(Math.random() * list.length)]!;

/** Hurts one file or folder of a closed database, as a disk or a copying program would. Says what. */
async function hurt(folder: string): Promise<string> {
  const database = path.join(folder, 'database');
  const base = path.join(database, 'base', '5');
  const files: string[] = [];
  for (const name of await readdir(base)) if ((await stat(path.join(base, name))).size >= PAGE) files.push(path.join(base, name)); // prettier-ignore
  const file = pick(files);
  switch (pick(['zero', 'cut', 'remove', 'log', 'empty', 'all'])) {
    case 'zero': {
      const pages = Math.floor((await stat(file)).size / PAGE);
      const handle = await open(file, 'r+');
      await handle.write(new Uint8Array(PAGE), 0, PAGE, Math.floor(Math.random() * pages) * PAGE);
      await handle.close();
      return 'a zeroed page';
    }
    case 'cut':
      await truncate(file, Math.floor((await stat(file)).size / 2));
      return 'a truncated file';
    case 'remove':
      await rm(file);
      return 'a missing file';
    case 'log':
      for (const name of await readdir(path.join(database, 'pg_wal'))) await rm(path.join(database, 'pg_wal', name), { recursive: true, force: true }); // prettier-ignore
      return 'a lost log';
    case 'empty':
      for (const name of EMPTY) await rm(path.join(database, name), { recursive: true, force: true });
      return 'lost empty folders';
    default:
      await rm(database, { recursive: true });
      return 'no database';
  }
}

const killed = async (folder: string, counts: Counts): Promise<string> => {
  const { server, written } = await newShop(folder);
  const writing = writeUntil(server.address, written, () => false);
  await wait(500 + Math.random() * 3000);
  await killServer(server.child);
  await writing;
  await look(folder, written, counts);
  return 'kill -9 while writing';
};
const torn = async (folder: string, counts: Counts): Promise<string> => {
  const { server, written } = await newShop(folder);
  const until = Date.now() + 1500;
  await writeUntil(server.address, written, () => Date.now() > until);
  await new Promise((resolve) => server.child.once('exit', resolve) && server.child.kill('SIGTERM'));
  const copy = `${folder}-copy`;
  await cp(folder, copy, { recursive: true });
  const what = await hurt(copy);
  await look(copy, written, counts);
  await rm(copy, { recursive: true, force: true });
  return what;
};
const powerCut = async (folder: string, counts: Counts): Promise<string> => {
  const disk = DiskImage.create(path.dirname(folder), randomUUID());
  let cut: DiskImage;
  const written: Written = { pourId: '', pieces: [], blobs: [] };
  try {
    const { server, written: own } = await newShop(path.join(disk.folder, 'data'));
    const writing = writeUntil(server.address, own, () => false);
    await wait(500 + Math.random() * 3000);
    server.child.kill('SIGSTOP');
    Object.assign(written, structuredClone(own));
    cut = disk.cutPower(path.dirname(folder), randomUUID());
    server.child.kill('SIGCONT');
    await killServer(server.child);
    await writing;
  } finally {
    disk.remove();
  }
  cut.mount();
  try {
    await look(path.join(cut.folder, 'data'), written, counts);
  } finally {
    cut.remove();
  }
  return 'a power cut while writing';
};

const minutes = Number(process.argv[2] ?? 5);
buildServer();
const until = Date.now() + minutes * 60_000;
const place = await mkdtemp(path.join(tmpdir(), 'zero-pour-torture-'));
const noCuts = whyNoPowerCuts();
if (noCuts) console.log(`No power cuts here: ${noCuts}`);
const ways = [killed, torn, torn, ...(noCuts ? [] : [powerCut])];
const table: Record<string, Counts> = {};
try {
  for (let n = 0; Date.now() < until; n++) {
    const counts = nothing();
    const folder = path.join(place, `data-${n}`);
    const what = await ways[n % ways.length]!(folder, counts);
    const sum = (table[what] ??= nothing());
    for (const key of Object.keys(counts) as (keyof Counts)[]) sum[key] += counts[key];
    if (existsSync(folder)) await rm(folder, { recursive: true, force: true });
  }
} finally {
  await rm(place, { recursive: true, force: true });
}
console.table(table);
const total = Object.values(table).reduce((sum, { lost, refusedForGood }) => sum + lost + refusedForGood, 0);
process.exitCode = total > 0 ? 1 : 0;
