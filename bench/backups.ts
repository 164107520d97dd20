import { createWriteStream } from 'node:fs';
import { mkdtemp, rm, stat } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { createDemoShop } from '@zero-pour/demo';
import { GrowingZip } from '../server/src/archive/growingZip';
import { readArchive } from '../server/src/archive/readArchive';
import { writeArchive } from '../server/src/archive/writeArchive';
import { OpenZip } from '../server/src/archive/zipFile';
import { backUp } from '../server/src/backup/backUp';
import type { Database } from '../server/src/db/database';
import { openDatabase } from '../server/src/db/openDatabase';
import { BlobFiles } from '../server/src/files/blobFiles';
import { importShop } from '../server/src/services/importShop';
import { fillYears } from './fillYears';
import { addNights } from './kilnReadings';
import { ms, table } from './table';

/** More than a zip's first form can count: sixteen bits of files, thirty-two of bytes. */
const FILES = 70_000;
const LARGE_BYTES = 4.5e9;
const PIECE = Buffer.alloc(1 << 20, 'a gannet ');
/** Pours, patterns and nights of a kiln beside the demo's. */
const SHOPS = [[0, 0, 0], [1000, 200, 1000], [10_000, 2000, 1000]] as const; // prettier-ignore

/** What a piece of work took, and the most that the process held meanwhile. */
async function watched<T>(work: () => Promise<T>): Promise<{ result: T; tookMs: number; mostMb: number }> {
  globalThis.gc?.();
  let most = process.memoryUsage().rss;
  const timer = setInterval(() => (most = Math.max(most, process.memoryUsage().rss)), 50);
  const began = performance.now();
  const result = await work().finally(() => clearInterval(timer));
  return { result, tookMs: performance.now() - began, mostMb: most / 1e6 };
}

async function measureZip(folder: string, entries: () => Iterable<[string, Readable]>) {
  const file = path.join(folder, 'made.zip');
  const zip = new GrowingZip();
  const { tookMs, mostMb } = await watched(async () => {
    const written = pipeline(zip.bytes, createWriteStream(file));
    for (const [name, bytes] of entries()) await zip.add(name, bytes, false);
    zip.end();
    await written;
  });
  const opened = await OpenZip.open(file);
  let read = 0;
  for (const name of opened.names)
    for await (const chunk of (await opened.stream(name))!) read += (chunk as Buffer).length;
  opened.close();
  const { size } = await stat(file);
  await rm(file);
  return { 'files read back': opened.names.length, 'bytes read back': read, 'zip': `${(size / 1e6).toFixed(0)} MB`, 'written in': ms(tookMs), 'at most': `${mostMb.toFixed(0)} MB` }; // prettier-ignore
}

async function openEmpty(folder: string): Promise<{ db: Database; files: BlobFiles }> {
  const { db } = await openDatabase({ folder: path.join(folder, 'database') });
  return { db, files: await BlobFiles.open(path.join(folder, 'files'), false) };
}

async function measureShop([pours, patterns, nights]: (typeof SHOPS)[number]) {
  const folder = await mkdtemp(path.join(tmpdir(), 'zero-pour-bench-'));
  const here = await openEmpty(folder);
  await importShop(here.db, here.files, () => createDemoShop(new Date()));
  await fillYears(here.db, pours, patterns);
  const { rows: kilns } = await here.db.query<{ id: string }>('SELECT id::text FROM kiln LIMIT 1');
  await addNights(here.db, kilns[0]!.id, 0, nights);
  const out = await watched(() => backUp(writeArchive(here.db, here.files), path.join(folder, 'out'), new Date())); // prettier-ignore
  await here.db.close();
  const there = await openEmpty(await mkdtemp(path.join(folder, 'back-')));
  const back = await watched(() => readArchive(there.db, there.files, out.result.file));
  const { rows } = await there.db.query<{ n: unknown }>('SELECT count(*) AS n FROM kiln_reading');
  await there.db.close();
  await rm(folder, { recursive: true, force: true });
  return {
    pours: out.result.pours,
    'readings of kilns, back again': Number(rows[0]!.n),
    'backup': `${(out.result.size / 1e6).toFixed(0)} MB`,
    'written and read': ms(out.tookMs),
    'at most': `${out.mostMb.toFixed(0)} MB`,
    'taken in': ms(back.tookMs),
    'at most then': `${back.mostMb.toFixed(0)} MB`,
  }; // prettier-ignore
}

/** Backups of shops of different ages, and zips beyond what the first form of them can count. */
export async function measureBackups(): Promise<string> {
  const folder = await mkdtemp(path.join(tmpdir(), 'zero-pour-bench-'));
  const many = function* (): Generator<[string, Readable]> {
    for (let n = 0; n < FILES; n++) yield [`bytes/${n}`, Readable.from([Buffer.from(String(n))])];
  };
  const large = function* (): Generator<[string, Readable]> {
    const pieces = function* (): Generator<Buffer> {
      for (let sent = 0; sent < LARGE_BYTES; sent += PIECE.length) yield PIECE;
    };
    yield ['bytes/large', Readable.from(pieces())];
    yield ['bytes/after', Readable.from([Buffer.from('after')])];
  };
  const zips = [await measureZip(folder, many), await measureZip(folder, large)];
  await rm(folder, { recursive: true, force: true });
  console.error(table(zips));
  const shops = [];
  for (const shop of SHOPS) {
    shops.push(await measureShop(shop));
    // The last of them takes a quarter of an hour.
    console.error(table(shops));
  }
  return `${table(zips)}\n\n${table(shops)}`;
}
