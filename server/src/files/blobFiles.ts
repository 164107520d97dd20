import { createHash, randomUUID } from 'node:crypto';
import { createReadStream, type ReadStream } from 'node:fs';
import { mkdir, open, readdir, rename, rm, stat } from 'node:fs/promises';
import path from 'node:path';
import { pipeline } from 'node:stream/promises';
import { Refusal } from '@zero-pour/contracts';
import { flushFolder } from './flush';

/** Pattern files of 300 MB are the largest that are taken. */
export const BLOB_BYTES_MAX = 300_000_000;
/** A whole shop with its meshes and photos. */
const ASIDE_BYTES_MAX = 20_000_000_000;
const PARTIAL = 'partial-';
/** Nothing is written for longer. */
const PARTIAL_MS_MOST = 24 * 3_600_000;

/** Bytes that lie in a file until they are taken away. */
export interface LaidAside {
  file: string;
  remove: () => Promise<void>;
}

/**
 * Bytes by their SHA-256, each in its own file. A file appears under its name only when it is whole and on the
 * disk: written beside, flushed, compared with its hash, then moved. What a disk or a hand damaged since is found
 * before it is handed out, and counts as not kept.
 */
export class BlobFiles {
  /** Files whose bytes were compared with their hash, by what would change with the bytes. */
  private readonly whole = new Map<string, string>();

  private constructor(private readonly folder: string) {}

  /** Makes the folder, and clears what a stopped process left half-written; in a shared one only what nobody can be writing any more. */
  static async open(folder: string, isShared = false): Promise<BlobFiles> {
    await mkdir(folder, { recursive: true });
    await flushFolder(path.dirname(folder));
    for (const name of (await readdir(folder)).filter((one) => one.startsWith(PARTIAL))) {
      const file = path.join(folder, name);
      const age = isShared ? Date.now() - ((await stat(file).catch(notThere))?.mtimeMs ?? 0) : Infinity;
      if (age > PARTIAL_MS_MOST) await rm(file, { force: true });
    }
    return new BlobFiles(folder);
  }

  /** Beside whoever has the folder open: what is half-written there may be his. */
  static beside(folder: string): BlobFiles {
    return new BlobFiles(folder);
  }

  private pathOf(hash: string): string {
    return path.join(this.folder, hash.slice(0, 2), hash);
  }

  /** Keeps a stream of bytes under the hash it must have. Returns the count of bytes. */
  async keep(hash: string, bytes: AsyncIterable<Uint8Array>): Promise<number> {
    const target = this.pathOf(hash);
    const partial = path.join(this.folder, `${PARTIAL}${randomUUID()}`);
    await mkdir(path.dirname(target), { recursive: true });
    try {
      const count = await this.write(partial, hash, bytes);
      await rename(partial, target);
      await flushFolder(path.dirname(target));
      await flushFolder(this.folder);
      this.whole.set(hash, await standing(target));
      return count;
    } finally {
      await rm(partial, { force: true });
    }
  }

  /** Keeps a stream beside the others while it is looked into; what is left of it by a stopped process is cleared at the next start. */
  async keepAside(bytes: AsyncIterable<Uint8Array>): Promise<LaidAside> {
    const file = path.join(this.folder, `${PARTIAL}${randomUUID()}`);
    const remove = (): Promise<void> => rm(file, { force: true });
    try {
      const handle = await open(file, 'w');
      let count = 0;
      try {
        for await (const chunk of bytes) {
          count += chunk.byteLength;
          if (count > ASIDE_BYTES_MAX) throw new Refusal('BODY_TOO_LARGE', { limit: '20 GB' });
          await handle.writeFile(chunk);
        }
      } finally {
        await handle.close();
      }
      return { file, remove };
    } catch (error) {
      await remove();
      throw error;
    }
  }

  private async write(partial: string, hash: string, bytes: AsyncIterable<Uint8Array>): Promise<number> {
    const sum = createHash('sha256');
    const file = await open(partial, 'w');
    let count = 0;
    try {
      for await (const chunk of bytes) {
        count += chunk.byteLength;
        if (count > BLOB_BYTES_MAX) throw new Refusal('BODY_TOO_LARGE', { limit: '300 MB' });
        sum.update(chunk);
        await file.writeFile(chunk);
      }
      await file.sync();
    } finally {
      await file.close();
    }
    if (sum.digest('hex') !== hash) throw new Refusal('HASH_MISMATCH');
    return count;
  }

  /**
   * Byte count of a file whose bytes are what its name says, or null when there is none, or a damaged one. Compares
   * them the first time, and again whenever the file has changed; 300 MB take about a second.
   */
  async size(hash: string): Promise<number | null> {
    const file = this.pathOf(hash);
    const found = await stat(file).catch(notThere);
    if (found === null) return null;
    const now = await standing(file);
    if (this.whole.get(hash) !== now) {
      if ((await hashOf(file)) !== hash) return null;
      this.whole.set(hash, now);
    }
    return found.size;
  }

  read(hash: string): ReadStream {
    return createReadStream(this.pathOf(hash));
  }
}

function notThere(error: NodeJS.ErrnoException): null {
  if (error.code === 'ENOENT' || error.code === 'ENOTDIR') return null;
  throw error;
}

/** What changes when somebody writes into a file. */
async function standing(file: string): Promise<string> {
  const { ino, size, mtimeMs, ctimeMs } = await stat(file);
  return `${ino} ${size} ${mtimeMs} ${ctimeMs}`;
}

async function hashOf(file: string): Promise<string> {
  const sum = createHash('sha256');
  await pipeline(createReadStream(file), sum);
  return sum.digest('hex');
}
