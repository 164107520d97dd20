import { idSchema, madeBackupSchema, momentSchema } from '@zero-pour/contracts';
import { randomUUID } from 'node:crypto';
import { existsSync } from 'node:fs';
import { readFile, rename, writeFile } from 'node:fs/promises';
import path from 'node:path';
import { z } from 'zod';
import { flushFile, flushFolder } from '../files/flush';

/** Beside the database, not in it: what must be known when the database does not open. */
const FILE = 'safekeeping.json';
const FORMAT = 'zero-pour/safekeeping';

const safekeepingSchema = z.strictObject({
  format: z.literal(FORMAT),
  version: z.literal(1),
  /** Whose folder this is; a shop that is put back stays the same one to its pages. */
  shopId: idSchema.nullable(),
  isOn: z.boolean(),
  folder: z.string().nullable(),
  last: madeBackupSchema.nullable(),
  failed: z.strictObject({ at: momentSchema, why: z.string() }).nullable(),
  since: momentSchema.nullable(),
  /** Something was taken in that no journal tells. */
  atOnce: z.boolean(),
});
export type Safekeeping = z.infer<typeof safekeepingSchema>;

const NOTHING: Safekeeping = {
  format: FORMAT, version: 1, shopId: null, isOn: true, folder: null, last: null, failed: null, since: null, atOnce: false,
}; // prettier-ignore

/** Whether a data folder was ever opened as a shop's. */
export const wasOpened = (dataFolder: string): boolean => existsSync(path.join(dataFolder, FILE));

/** What is known of a folder's backups. A file that was lost or torn is as none: backups are made anew, and found by their names. */
export async function readSafekeeping(dataFolder: string): Promise<Safekeeping> {
  const text = await readFile(path.join(dataFolder, FILE), 'utf8').catch((error: NodeJS.ErrnoException) => {
    if (error.code === 'ENOENT') return '';
    throw error;
  });
  try {
    return safekeepingSchema.parse(JSON.parse(text));
  } catch {
    return NOTHING;
  }
}

/** Written beside and moved into its place: whole, or as before. */
export async function keepSafekeeping(dataFolder: string, kept: Safekeeping): Promise<void> {
  const file = path.join(dataFolder, FILE);
  const partial = `${file}.${randomUUID()}.part`;
  await writeFile(partial, `${JSON.stringify(kept, null, 1)}\n`);
  await flushFile(partial);
  await rename(partial, file);
  await flushFolder(dataFolder);
}

/** Where backups go while nobody said where. */
export const backupFolderOf = (dataFolder: string, { folder }: Pick<Safekeeping, 'folder'>): string =>
  folder ?? path.join(dataFolder, 'backups');
