import { appendFile, mkdtemp, readdir, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { afterEach, beforeEach, expect, it } from 'vitest';
import { Journal, readJournal, type JournalEntry } from './journal';

let folder: string;
beforeEach(async () => {
  folder = await mkdtemp(path.join(tmpdir(), 'zero-pour-journal-'));
});
afterEach(() => rm(folder, { recursive: true, force: true }));

const entry = (n: number): JournalEntry => ({ at: '2026-11-30T10:00:00.000Z', method: 'PUT', url: `/shop/flask/${n}`, type: 'application/json', body: { n } }); // prettier-ignore
async function urls(): Promise<string[]> {
  const all: string[] = [];
  for await (const { url } of readJournal(folder)) all.push(url);
  return all;
}
const open = () => Journal.open(folder, (error) => expect.fail(String(error)));

it('keeps changes in their order, over a start, and drops only what came before a backup', async () => {
  const first = await open();
  for (const n of [1, 2, 3]) first.note(entry(n));
  await first.settled();
  const again = await open();
  again.note(entry(4));
  const drop = await again.begin();
  again.note(entry(5));
  await again.settled();
  expect(await urls()).toEqual([1, 2, 3, 4, 5].map((n) => `/shop/flask/${n}`));
  await drop();
  expect(await urls()).toEqual(['/shop/flask/5']);
  // A backup that failed drops nothing; the next one that is whole drops all before it.
  await again.begin();
  again.note(entry(6));
  await (
    await again.begin()
  )();
  expect(await urls()).toEqual([]);
});

it('leaves out a line that was torn, and goes on', async () => {
  const journal = await open();
  journal.note(entry(1));
  await journal.settled();
  const [name] = await readdir(path.join(folder, 'since-backup'));
  await appendFile(path.join(folder, 'since-backup', name!), '{"at":"2026-11-30T10');
  const drop = await journal.begin();
  journal.note(entry(2));
  await journal.settled();
  expect(await urls()).toEqual(['/shop/flask/1', '/shop/flask/2']);
  await drop();
  expect(await urls()).toEqual(['/shop/flask/2']);
});

it('has nothing where there is none, and tells a disk that refuses', async () => {
  expect(await urls()).toEqual([]);
  const refused: unknown[] = [];
  const journal = await Journal.open(folder, (error) => refused.push(error));
  await rm(path.join(folder, 'since-backup'), { recursive: true });
  journal.note(entry(1));
  await journal.settled();
  expect(refused).toHaveLength(1);
});
