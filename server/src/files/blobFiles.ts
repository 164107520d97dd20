import { createHash, randomUUID } from 'node:crypto';
import { createReadStream, type ReadStream } from 'node:fs';
import { mkdir, open, rename, rm, stat } from 'node:fs/promises';
import path from 'node:path';
import { Refusal } from '@zero-pour/contracts';

/** Pattern files of 300 MB are the largest that are taken. */
export const BLOB_BYTES_MAX = 300_000_000;

/**
 * Bytes by their SHA-256, each in its own file. A file appears under its name only when it is whole and on the
 * disk: written beside, flushed, compared with its hash, then moved.
 */
export class BlobFiles {
  constructor(private readonly folder: string) {}

  private pathOf(hash: string): string {
    return path.join(this.folder, hash.slice(0, 2), hash);
  }

  /** Keeps a stream of bytes under the hash it must have. Returns the count of bytes. */
  async keep(hash: string, bytes: AsyncIterable<Uint8Array>): Promise<number> {
    const target = this.pathOf(hash);
    const partial = path.join(this.folder, `partial-${randomUUID()}`);
    await mkdir(path.dirname(target), { recursive: true });
    try {
      const count = await this.write(partial, hash, bytes);
      await rename(partial, target);
      await flush(path.dirname(target));
      return count;
    } finally {
      await rm(partial, { force: true });
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
        await file.write(chunk);
      }
      await file.sync();
    } finally {
      await file.close();
    }
    if (sum.digest('hex') !== hash) throw new Refusal('HASH_MISMATCH');
    return count;
  }

  /** Byte count, or null when it is not kept. */
  async size(hash: string): Promise<number | null> {
    return stat(this.pathOf(hash)).then(
      (found) => found.size,
      () => null,
    );
  }

  read(hash: string): ReadStream {
    return createReadStream(this.pathOf(hash));
  }
}

/** Makes a rename last through a power cut, where the system lets a folder be flushed. */
async function flush(folder: string): Promise<void> {
  try {
    const handle = await open(folder, 'r');
    await handle.sync().finally(() => handle.close());
  } catch {
    // Windows does not open folders; there the rename itself is journalled.
  }
}
