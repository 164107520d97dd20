import { Refusal } from '@zero-pour/contracts';
import type { Readable } from 'node:stream';
import { open, type Entry, type ZipFile } from 'yauzl';

/** No shop has more files, or a document that is larger. */
const ENTRIES_MOST = 400_000;
const TEXT_BYTES_MOST = 128_000_000;
/** All documents together: so much, or so many times what the zip itself is. What a shop writes shrinks to a tenth; what is made to burst, to a thousandth. */
const TEXTS_BYTES_MOST = 1_500_000_000;
const UNPACKS_MOST = 60;

const broken = (why: string): Refusal => new Refusal('ZIP_BROKEN', { why });

/** A zip that lies on the disk, with its entries by name: read as they are wanted, never as a whole. */
export class OpenZip {
  private readonly entries = new Map<string, Entry>();
  /** Those that were read as text; each counts once, however often it is read. */
  private readonly texts = new Set<string>();
  private textBytes = 0;
  private constructor(
    private readonly zip: ZipFile,
    private readonly textsMost: number,
  ) {}

  /** Reads what is in it. Refuses what is no zip, is cut off, or holds more than any shop. */
  static open(file: string, textsMost = TEXTS_BYTES_MOST): Promise<OpenZip> {
    return new Promise((resolve, reject) => {
      open(file, { lazyEntries: true, autoClose: false }, (error, zip) => {
        if (error) return reject(broken('it is no zip, or was cut off'));
        if (zip.entryCount > ENTRIES_MOST) {
          zip.close();
          return reject(broken('it holds more files than any shop'));
        }
        const opened = new OpenZip(zip, textsMost);
        zip.on('entry', (entry: Entry) => {
          opened.entries.set(entry.fileName, entry);
          zip.readEntry();
        });
        zip.on('end', () => resolve(opened));
        zip.on('error', () => reject(broken('its list of files cannot be read')));
        zip.readEntry();
      });
    });
  }

  get names(): string[] {
    return [...this.entries.keys()];
  }

  /** The bytes of an entry as they come; undefined where there is none. */
  stream(name: string): Promise<Readable> | undefined {
    const entry = this.entries.get(name);
    return (
      entry &&
      new Promise((resolve, reject) => {
        this.zip.openReadStream(entry, (error, stream) =>
          error ? reject(broken(`${name} cannot be read`)) : resolve(stream),
        );
      })
    );
  }

  /** An entry as text; undefined where there is none. Refuses one that would unpack to more than any document. */
  async text(name: string): Promise<string | undefined> {
    const size = this.entries.get(name)?.uncompressedSize ?? 0;
    if (!this.texts.has(name)) this.textBytes += size;
    this.texts.add(name);
    const most = Math.max(this.textsMost, UNPACKS_MOST * this.zip.fileSize);
    if (size > TEXT_BYTES_MOST || this.textBytes > most) throw broken(`${name} is larger than any document`);
    const stream = await this.stream(name);
    if (!stream) return undefined;
    const chunks: Buffer[] = [];
    try {
      for await (const chunk of stream) chunks.push(chunk as Buffer);
    } catch {
      throw broken(`${name} is damaged`);
    }
    return Buffer.concat(chunks).toString('utf8');
  }

  close(): void {
    this.zip.close();
  }
}
