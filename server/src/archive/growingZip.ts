import { PassThrough, Readable } from 'node:stream';
import { finished } from 'node:stream/promises';
import { ZipFile } from 'yazl';
import type { LaidAside } from '../files/blobFiles';

/** The same moment in every archive (the earliest that a zip can say), so that the same shop gives the same bytes. */
const ALWAYS = { mtime: new Date(1980, 0, 1), forceDosTimestamp: true } as const;

/** A zip that is read while it is made, entry after entry; of any size and any number of files. */
export class GrowingZip {
  private readonly zip = new ZipFile();
  private entry: Readable | undefined;
  /** What is to be read of it so far. Nothing is taken in faster than it is read here. */
  readonly bytes = this.zip.outputStream as Readable;

  constructor() {
    // Whoever reads hears of it; where nobody does yet, it must not end the process.
    this.bytes.on('error', () => undefined);
  }

  /** Resolves when the entry was taken in whole, so that no more than one is held at a time. */
  async add(path: string, entry: Readable, compress = true): Promise<void> {
    this.entry = entry;
    if (this.bytes.destroyed) throw this.bytes.errored ?? new Error('nobody reads this zip any more');
    this.zip.addReadStream(entry, path, { ...ALWAYS, compress });
    try {
      await finished(entry, { writable: false });
    } catch (error) {
      // Whoever reads would wait for the rest of it.
      this.bytes.destroy(error as Error);
      throw error;
    }
  }
  addText(path: string, text: string): Promise<void> {
    return this.add(path, Readable.from([Buffer.from(text)]));
  }
  end(): void {
    this.zip.end();
  }
  /** Nobody reads on. */
  stop(): void {
    this.entry?.destroy();
    this.bytes.destroy();
  }

  /** What is written while `work` adds entries is laid aside; what comes after that stays here to be read. */
  async aside(
    work: () => Promise<void>,
    keep: (bytes: AsyncIterable<Uint8Array>) => Promise<LaidAside>,
  ): Promise<LaidAside> {
    const side = new PassThrough();
    const kept = keep(side);
    // Whoever keeps it may fail first; then nothing can be added any more.
    kept.catch(() => this.stop());
    this.bytes.pipe(side, { end: false });
    try {
      await work();
    } catch (error) {
      side.end();
      await kept.then(
        ({ remove }) => remove(),
        (why: unknown) => Promise.reject(why as Error),
      );
      throw error;
    }
    this.bytes.unpipe(side);
    side.end();
    return kept;
  }
}
