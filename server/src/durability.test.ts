import type { ChildProcess } from 'node:child_process';
import { createHash, randomBytes, randomUUID } from 'node:crypto';
import { mkdtemp, readdir, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { emptyPourDoc, type Pour, type ShopState } from '@zero-pour/contracts';
import { afterEach, beforeEach, expect, it } from 'vitest';
import { openDatabase } from './db/openDatabase';
import { lockFolder } from './db/folderLock';
import { FolderTakenError } from './db/folderTaken';
import { killServer, sendTo, spawnServer, type Ended, type Started } from './testing/serverProcess';

let folder: string;
const started: ChildProcess[] = [];

beforeEach(async () => {
  folder = await mkdtemp(path.join(tmpdir(), 'zero-pour-durable-'));
});
afterEach(async () => {
  for (const child of started.splice(0)) child.kill('SIGKILL');
  await rm(folder, { recursive: true, force: true });
});

/** Starts the real server on the test's folder; its address, or its exit code and last words. */
function start(): Promise<Started | Ended> {
  const { child, first } = spawnServer(folder);
  started.push(child);
  return first;
}
async function mustStart(): Promise<Started> {
  const result = await start();
  if ('code' in result) throw new Error(result.said);
  return result;
}

it('keeps everything that was answered, through kill -9 in the middle of writing', async () => {
  const first = await mustStart();
  const id = randomUUID();
  const photo = new Uint8Array(randomBytes(300_000));
  const hash = createHash('sha256').update(photo).digest('hex');
  expect(await sendTo(first.address, 'POST', '/pours', { id, doc: emptyPourDoc() })).toBe(201);
  expect(await sendTo(first.address, 'PUT', `/blobs/${hash}`, photo)).toBe(201);
  const acknowledged: number[] = [];
  const write = async (n: number): Promise<void> => {
    const status = await sendTo(first.address, 'PATCH', `/pours/${id}`, {
      changes: [
        { path: ['print', 'pieces', `l1/${n}`], version: 2, value: { outcome: 'good', note: `piece ${n}` } },
      ],
    });
    if (status === 200) acknowledged.push(n);
  };
  for (let n = 1; n <= 25; n++) await write(n);
  const unanswered = [26, 27, 28].map((n) => write(n).catch(() => undefined));
  await killServer(first.child);
  await Promise.all(unanswered);

  const second = await mustStart();
  const pour = (await (await fetch(`${second.address}/api/pours/${id}`)).json()) as Pour;
  for (const n of acknowledged) expect(pour.doc.print.pieces[`l1/${n}`]?.note).toBe(`piece ${n}`);
  expect(acknowledged.length).toBeGreaterThanOrEqual(25);
  const back = new Uint8Array(await (await fetch(`${second.address}/api/blobs/${hash}`)).arrayBuffer());
  expect(createHash('sha256').update(back).digest('hex')).toBe(hash);
});

it('refuses a second process on the same folder in one clear sentence, and leaves the first alone', async () => {
  const first = await mustStart();
  const second = await start();
  expect(second).toMatchObject({ code: 1 });
  expect('said' in second && second.said).toContain(
    `already open in another Zero Pour (process ${first.child.pid})`,
  );
  expect((await fetch(`${first.address}/api/health`)).status).toBe(200);
});

it('stops gracefully on SIGTERM and gives the folder back', async () => {
  const first = await mustStart();
  await sendTo(first.address, 'PUT', `/shop/kiln/${randomUUID()}`, {
    name: 'Kiln 9',
    litres: 3,
    maxC: 900,
    maxRampCPerH: 300,
    coolTauH: 3,
    costPerH: 0,
    note: '',
  });
  const code = await new Promise((resolve) => {
    first.child.once('exit', resolve);
    first.child.kill('SIGTERM');
  });
  expect(code).toBe(0);
  const second = await mustStart();
  const state = (await (await fetch(`${second.address}/api/shop`)).json()) as ShopState;
  expect(state.lists.kiln.map((k) => k.name)).toEqual(['Kiln 9']);
});

it('holds the lock within one process too, and frees it', async () => {
  const lock = await lockFolder(folder);
  await expect(lockFolder(folder)).rejects.toThrow(FolderTakenError);
  await lock.release();
  await (await lockFolder(folder)).release();
});

it('migrates a new folder once, and does not open one from a newer version', async () => {
  const at = path.join(folder, 'database');
  const { db } = await openDatabase({ folder: at });
  await db.query("INSERT INTO migration (number, name) VALUES (9000, '9000_later.sql')");
  await db.close();
  expect(await readdir(folder)).toEqual(['database']);
  await expect(openDatabase({ folder: at })).rejects.toThrow(/newer Zero Pour/);
});
