import { spawn, type ChildProcess } from 'node:child_process';
import { createHash, randomBytes, randomUUID } from 'node:crypto';
import { mkdir, mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { setTimeout as wait } from 'node:timers/promises';
import { fileURLToPath } from 'node:url';
import { emptyPourDoc, type Pour, type ShopState } from '@zero-pour/contracts';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { openDatabase } from './db/openDatabase';
import { DiskImage, whyNoPowerCuts } from './testing/diskImage';
import { killServer, sendTo, spawnServer } from './testing/serverProcess';
import { openTestShop } from './testing/testShop';

const whyNot = whyNoPowerCuts();
const CUTS = { writing: 11, starting: 8, checkpoint: 2, newCluster: 2 };
const TIMEOUT = 600_000;
const checkpointing = fileURLToPath(new URL('./testing/checkpointing.ts', import.meta.url));

let place: string;
beforeAll(async () => {
  place = await mkdtemp(path.join(tmpdir(), 'zero-pour-power-'));
});
afterAll(() => rm(place, { recursive: true, force: true }));

/** A cut disk with what had been acknowledged before. */
interface Cut<T> {
  disk: DiskImage;
  kept: T;
}

/** Cuts the power under a process: it stands still meanwhile, and goes on after. */
function cutUnder<T>(child: ChildProcess, disk: DiskImage, kept: T): Cut<T> {
  const name = randomUUID();
  child.kill('SIGSTOP');
  try {
    return { disk: disk.cutPower(place, name), kept };
  } finally {
    child.kill('SIGCONT');
  }
}

interface Acknowledged {
  pourId: string;
  pieces: number[];
  blobs: string[];
}

/** Types into one pour and keeps photos, one after the other, until told to stop. */
async function writeOn(address: string, done: Acknowledged, until: () => boolean): Promise<void> {
  expect(await sendTo(address, 'POST', '/pours', { id: done.pourId, doc: emptyPourDoc() })).toBe(201);
  for (let n = 1; !until(); n = (n % 900) + 1) {
    const changes = [
      { path: ['print', 'pieces', `l1/${n}`], version: 2, value: { outcome: 'good', note: `piece ${n}` } },
    ];
    if ((await sendTo(address, 'PATCH', `/pours/${done.pourId}`, { changes })) === 200) done.pieces.push(n);
    if (n % 10 !== 0) continue;
    const photo = new Uint8Array(randomBytes(20_000));
    const hash = createHash('sha256').update(photo).digest('hex');
    if ((await sendTo(address, 'PUT', `/blobs/${hash}`, photo)) === 201) done.blobs.push(hash);
  }
}

/** Everything acknowledged that a started shop does not have. */
async function lostOf(folder: string, { pourId, pieces, blobs }: Acknowledged): Promise<string[]> {
  const test = await openTestShop(folder);
  try {
    const pour: Pour = (await test.ask('GET', `/pours/${pourId}`)).body;
    const lost = pieces.filter((n) => pour.doc.print.pieces[`l1/${n}`]?.note !== `piece ${n}`).map(String);
    for (const hash of blobs) if ((await test.ask('GET', `/blobs/${hash}`)).status !== 200) lost.push(hash);
    return lost;
  } finally {
    await test.close();
  }
}

/** Mounts each cut disk, looks at it, and takes it away. */
async function eachCut<T>(cuts: readonly Cut<T>[], look: (folder: string, kept: T) => Promise<void>) {
  for (const { disk, kept } of cuts) {
    disk.mount();
    try {
      await look(path.join(disk.folder, 'data'), kept);
    } finally {
      disk.remove();
    }
  }
}

if (whyNot !== null) console.log(`Power cuts are not tried here: ${whyNot}.`);

describe.skipIf(whyNot !== null)('a power cut', () => {
  it(
    'while writing, and again in the middle of the start after it: starts, and nothing acknowledged is lost',
    async () => {
      const disk = DiskImage.create(place, 'writing');
      const { child, first } = spawnServer(path.join(disk.folder, 'data'));
      const started = await first;
      if (!('address' in started)) throw new Error(started.said);
      const done: Acknowledged = { pourId: randomUUID(), pieces: [], blobs: [] };
      const cuts: Cut<Acknowledged>[] = [];
      const writing = writeOn(started.address, done, () => cuts.length >= CUTS.writing);
      while (cuts.length < CUTS.writing) {
        await wait(150 + Math.random() * 700);
        const soFar = { ...done, pieces: [...done.pieces], blobs: [...done.blobs] };
        cuts.push(cutUnder(child, disk, soFar));
      }
      await writing;
      await killServer(child);
      disk.remove();
      expect(done.pieces.length).toBeGreaterThan(CUTS.writing * 5);

      // The last cut disk is started again and again, and cut in the middle of each start.
      const last = cuts.at(-1)!;
      const starts: Cut<Acknowledged>[] = [];
      last.disk.mount();
      for (let n = 0; n < CUTS.starting; n++) {
        const starting = spawnServer(path.join(last.disk.folder, 'data'));
        await wait(400 + (2200 * n) / CUTS.starting);
        starts.push(cutUnder(starting.child, last.disk, last.kept));
        await killServer(starting.child);
      }
      last.disk.remove();

      const looked = [...cuts.slice(0, -1), ...starts];
      const acknowledged = looked.reduce((sum, { kept }) => sum + kept.pieces.length + kept.blobs.length, 0);
      console.log(`${looked.length} cut disks, ${acknowledged} acknowledged writes looked for on them.`);
      await eachCut(looked, async (folder, kept) => {
        expect(await lostOf(folder, kept)).toEqual([]);
      });
    },
    TIMEOUT,
  );

  it(
    'around a checkpoint loses nothing',
    async () => {
      const disk = DiskImage.create(place, 'checkpoint');
      const folder = path.join(disk.folder, 'data');
      await mkdir(folder);
      const child = spawn(process.execPath, [
        '--import',
        'tsx',
        checkpointing,
        path.join(folder, 'database'),
      ]);
      let said = '';
      child.stdout.on('data', (chunk: Buffer) => (said += chunk.toString()));
      child.stderr.on('data', (chunk: Buffer) => (said += chunk.toString()));
      const kept = (): number =>
        Math.max(0, ...said.split('\n').slice(0, -1).map(Number).filter(Number.isFinite));
      const checkpoints = (): number => said.split('checkpoint').length - 1;
      const cuts: Cut<number>[] = [];
      for (let n = 1; n <= CUTS.checkpoint; n++) {
        for (const before = checkpoints(); checkpoints() < before + 2; await wait(3))
          if (child.exitCode !== null) throw new Error(said);
        cuts.push(cutUnder(child, disk, kept()));
      }
      await killServer(child);
      disk.remove();
      await eachCut(cuts, async (cutFolder, n) => {
        const { db } = await openDatabase({ folder: path.join(cutFolder, 'database') });
        const { rows } = await db.query<{ n: number }>('SELECT count(*) AS n FROM counted');
        await db.close();
        expect(n).toBeGreaterThan(20);
        expect(rows[0]!.n).toBeGreaterThanOrEqual(n);
      });
    },
    TIMEOUT,
  );

  it(
    'while a shop is made anew leaves a folder that starts, empty',
    async () => {
      const cuts: Cut<null>[] = [];
      for (let n = 0; n < CUTS.newCluster; n++) {
        const disk = DiskImage.create(place, `new-${n}`);
        const { child } = spawnServer(path.join(disk.folder, 'data'));
        await wait(1000 + 900 * n);
        cuts.push(cutUnder(child, disk, null));
        await killServer(child);
        disk.remove();
      }
      await eachCut(cuts, async (folder) => {
        const test = await openTestShop(folder);
        const state: ShopState = (await test.ask('GET', '/shop')).body;
        await test.close();
        expect([state.openPours, state.patterns]).toEqual([[], []]);
      });
    },
    TIMEOUT,
  );
});
