import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { readArchive } from '../archive/readArchive';
import { writeArchive } from '../archive/writeArchive';
import { countRows } from '../damage/rowTally';
import { openShop, type OpenOptions, type OpenShop } from '../openShop';
import { backUp } from './backUp';

/**
 * The same shop in an empty place too: another data folder, or a PostgreSQL server with a folder for bytes. By way of a
 * backup that was opened and read whole; then every table is counted on both sides. The shop stays where it was. Throws
 * when the place is not empty, or something did not arrive.
 */
export async function moveShop(
  from: Pick<OpenShop, 'db' | 'files'>,
  target: OpenOptions,
): Promise<{ rows: number; tables: number; blobs: number }> {
  const aside = await mkdtemp(path.join(tmpdir(), 'zero-pour-move-'));
  try {
    const { file, bytes: blobs } = await backUp(writeArchive(from.db, from.files), aside, new Date());
    const into = await openShop(target);
    try {
      await readArchive(into.db, into.files, file);
      const [before, after] = [await countRows(from.db), await countRows(into.db)];
      const arrived = new Map(after.map(({ table, rows }) => [table, rows]));
      const off = before.filter(({ table, rows }) => arrived.get(table) !== rows);
      if (off.length > 0) {
        const said = off.map(({ table, rows }) => `${table} had ${rows}, has ${arrived.get(table) ?? 0}`);
        throw new Error(`Not all of it arrived: ${said.join('; ')}. The shop is where it was; empty the new place and try again.`); // prettier-ignore
      }
      return { rows: before.reduce((sum, { rows }) => sum + rows, 0), tables: before.length, blobs };
    } finally {
      await into.close();
    }
  } finally {
    await rm(aside, { recursive: true, force: true });
  }
}
