import { open, readdir } from 'node:fs/promises';
import path from 'node:path';

/** What a system answers that does not let a folder be opened or flushed (Windows; some network shares). */
const FOLDERS_NOT_FLUSHED = new Set(['EISDIR', 'EPERM', 'EACCES', 'EINVAL', 'ENOTSUP']);

/** Puts a file's bytes on the disk, so that a power cut does not lose them. */
export async function flushFile(file: string): Promise<void> {
  const handle = await open(file, 'r+');
  await handle.sync().finally(() => handle.close());
}

/** Puts a folder's list of names on the disk: what was made, renamed or removed in it stays so. */
export async function flushFolder(folder: string): Promise<void> {
  try {
    const handle = await open(folder, 'r');
    await handle.sync().finally(() => handle.close());
  } catch (error) {
    if (!FOLDERS_NOT_FLUSHED.has((error as NodeJS.ErrnoException).code ?? '')) throw error;
  }
}

/** Puts everything below a folder on the disk, files before the folders that list them. */
export async function flushTree(folder: string): Promise<void> {
  for (const entry of await readdir(folder, { withFileTypes: true })) {
    const full = path.join(folder, entry.name);
    if (entry.isDirectory()) await flushTree(full);
    else if (entry.isFile()) await flushFile(full);
  }
  await flushFolder(folder);
}
