import { unreadSentence, type LookedThrough } from '@zero-pour/contracts';
import { setImmediate } from 'node:timers/promises';
import type { Database } from '../db/database';
import { exportRecords } from '../db/recordStore';
import { listPatterns } from '../db/patternStore';
import { readPourNumbered, listPourNumbers } from '../db/pourStore';
import { listShop } from '../db/shopStore';
import type { BlobFiles } from '../files/blobFiles';

/** Sentences that are told; more than these are counted. */
const TOLD = 20;

/**
 * Reads everything that is kept, document by document and file by file, as a page would, and compares bytes with their hashes. Between
 * any two it lets others go first. What does not read is told, not mended.
 */
export async function lookThrough(
  db: Database,
  files: BlobFiles,
  now: () => Date,
  signal: AbortSignal,
): Promise<LookedThrough | null> {
  const began = now();
  const seen = { documents: 0, files: 0, wrong: [] as string[], wrongCount: 0 };
  const tell = (...sentences: string[]): void => {
    seen.wrongCount += sentences.length;
    seen.wrong.push(...sentences.slice(0, TOLD - seen.wrong.length));
  };
  const part = async (
    what: string,
    read: () => Promise<{ count: number; sentences: string[] }>,
  ): Promise<void> => {
    try {
      const { count, sentences } = await read();
      seen.documents += count;
      tell(...sentences);
    } catch (error) {
      tell(`${what} cannot be read: ${damageWords(error)}.`);
    }
    await setImmediate();
  };
  await part('The things of the shop', async () => {
    const { lists, unread } = await listShop(db);
    return {
      count: Object.values(lists).reduce((sum, list) => sum + list.length, 0),
      sentences: unread.map(unreadSentence),
    };
  });
  await part('Patterns', async () => counted(await listPatterns(db)));
  await part('Records of the bench', async () => {
    const { lists, unread } = await exportRecords(db);
    return {
      count: Object.values(lists).reduce((sum, list) => sum + list.length, 0),
      sentences: unread.map(unreadSentence),
    };
  });
  const numbers = await listPourNumbers(db).catch(() => []);
  for (const number of numbers) {
    if (signal.aborted) return null;
    await part(`Pour ${number}`, async () => counted(await readPourNumbered(db, number)));
  }
  await part('Logs of kilns', () => lookAtRuns(db));
  for (const hash of await listHashes(db)) {
    if (signal.aborted) return null;
    seen.files++;
    if ((await files.size(hash).catch(() => null)) === null) tell(`The bytes of ${await nameOf(db, hash)} are damaged or gone: drop the same file there again.`); // prettier-ignore
    await setImmediate();
  }
  return { at: began.toISOString(), tookS: (now().getTime() - began.getTime()) / 1000, ...seen };
}

const counted = ({ read, unread }: { read: unknown[]; unread: Parameters<typeof unreadSentence>[0][] }) => ({
  count: read.length,
  sentences: unread.map(unreadSentence),
});
const damageWords = (error: unknown): string =>
  /toast|chunk|page|block|checksum/i.test(String((error as Error).message)) ? 'the database’s files are damaged there' : 'it is not known why; the log says what was answered'; // prettier-ignore

/** A run whose readings are not as many as it says. */
async function lookAtRuns(db: Database): Promise<{ count: number; sentences: string[] }> {
  const { rows: runs } = await db.query<{ id: string; name: string; rows: number }>('SELECT id::text, name, rows FROM kiln_run WHERE NOT going ORDER BY id'); // prettier-ignore
  const sentences: string[] = [];
  for (const { id, name, rows } of runs) {
    const { rows: found } = await db.query<{ n: number }>('SELECT count(temp_c)::integer AS n FROM kiln_reading WHERE run_id = $1', [id]); // prettier-ignore
    if (found[0]!.n !== rows) sentences.push(`The kiln’s log “${name}” has ${found[0]!.n} readings where it had ${rows}.`); // prettier-ignore
    await setImmediate();
  }
  return { count: runs.length, sentences };
}

const listHashes = async (db: Database): Promise<string[]> =>
  (await db.query<{ hash: string }>('SELECT hash FROM blob ORDER BY hash')).rows.map(({ hash }) => hash);
async function nameOf(db: Database, hash: string): Promise<string> {
  const { rows } = await db.query<{ name: string }>('SELECT name FROM pattern WHERE file_hash = $1 LIMIT 1', [
    hash,
  ]);
  return rows[0] ? `pattern “${rows[0].name}”` : `a picture or file (${hash.slice(0, 8)} …)`;
}
