import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { PGlite } from '@electric-sql/pglite';
import { emptyPourDoc, pieceKey } from '@zero-pour/contracts';
import { SYNCED_START, SyncedFiles } from '../server/src/db/syncedFiles';
import { ms, table } from './table';

const WRITES = 400;
const percentile = (sorted: readonly number[], share: number): number =>
  sorted[Math.min(sorted.length - 1, Math.floor(share * sorted.length))] ?? NaN;

/** Times of single commits of a pour's document, sorted, ms. */
async function timeWrites(open: (folder: string) => Promise<PGlite>): Promise<number[]> {
  const folder = await mkdtemp(path.join(tmpdir(), 'zero-pour-bench-'));
  const made = await PGlite.create({ dataDir: path.join(folder, 'database') });
  await made.exec('CREATE TABLE pour (id integer PRIMARY KEY, doc jsonb NOT NULL)');
  await made.close();
  const db = await open(path.join(folder, 'database'));
  const doc = emptyPourDoc();
  await db.query('INSERT INTO pour VALUES (1, $1)', [JSON.stringify(doc)]);
  const times: number[] = [];
  for (let n = 0; n < WRITES; n++) {
    doc.print.pieces[pieceKey('l1', (n % 900) + 1)] = { outcome: 'good', note: `piece ${n}` };
    const began = performance.now();
    await db.query('UPDATE pour SET doc = $1 WHERE id = 1', [JSON.stringify(doc)]);
    times.push(performance.now() - began);
  }
  await db.close();
  await rm(folder, { recursive: true, force: true });
  return times.sort((a, b) => a - b);
}

/** What it costs that an acknowledged write is on the disk, beside the embedded database as it ships. */
export async function measureWrites(): Promise<string> {
  const shipped = await timeWrites((folder) => PGlite.create({ dataDir: folder }));
  const flushed = await timeWrites((folder) =>
    PGlite.create({ fs: new SyncedFiles(folder), startParams: SYNCED_START }),
  );
  const row = (what: string, times: readonly number[]): Record<string, string> => ({
    'one commit of a pour’s document': what,
    median: ms(percentile(times, 0.5)),
    p95: ms(percentile(times, 0.95)),
    longest: ms(times.at(-1) ?? NaN),
  });
  return table([
    row('as it ships: nothing is flushed', shipped),
    row('flushed before it is answered', flushed),
  ]);
}
