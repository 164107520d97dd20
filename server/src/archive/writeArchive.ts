import {
  ARCHIVE_FORMAT,
  ARCHIVE_VERSION,
  archivePath,
  HEAD_FILE,
  RECORD_KINDS,
  type ArchiveHead,
  type Unread,
} from '@zero-pour/contracts';
import { strToU8, Zip, ZipDeflate } from 'fflate';
import type { Database, Queryable } from '../db/database';
import type { BlobFiles } from '../files/blobFiles';
import { listBytes, readParts } from './readParts';

/** The same moment in every archive (the earliest that a zip can say), so that the same shop gives the same bytes. */
const ALWAYS = new Date(1980, 0, 1);
const LEVEL = 6;

/** A zip that is handed on as it grows. */
class GrowingZip {
  private readonly ready: Uint8Array[] = [];
  private failed: Error | null = null;
  private readonly zip = new Zip((error, chunk) => {
    if (error) this.failed = error;
    else this.ready.push(chunk);
  });

  begin(path: string): ZipDeflate {
    const entry = new ZipDeflate(path, { level: LEVEL });
    entry.mtime = ALWAYS;
    this.zip.add(entry);
    return entry;
  }
  addText(path: string, text: string): void {
    this.begin(path).push(strToU8(text), true);
  }
  end(): void {
    this.zip.end();
  }
  take(): Uint8Array[] {
    if (this.failed) throw this.failed;
    return this.ready.splice(0);
  }
}

/** Lines, so that a fault in a file can be shown by its line. */
const written = (content: unknown): string => `${JSON.stringify(content, null, 1)}\n`;

/**
 * A whole shop as a zip (docs/formats.md), piece by piece: settings, things with their history, patterns, records, pours with what
 * each was poured with, runs of kilns, and all bytes. Documents are of one moment; the same shop gives the same zip to the byte.
 */
export async function* writeArchive(db: Database, files: BlobFiles): AsyncGenerator<Uint8Array> {
  const zip = new GrowingZip();
  // Looked at before anything is held: comparing bytes with their hash takes its time, the first time.
  for (const { hash } of await listBytes(db)) await files.size(hash);
  const bytes = await db.transaction(async (tx) => {
    await tx.exec('SET TRANSACTION ISOLATION LEVEL REPEATABLE READ');
    const all = await listBytes(tx);
    const held: ArchiveHead['bytes'] = [];
    for (const one of all) held.push((await files.size(one.hash)) === null ? { ...one, missing: true } : one);
    await writeDocuments(zip, tx, held);
    return held;
  });
  yield* zip.take();
  for (const { hash, missing } of bytes) {
    if (missing) continue;
    const entry = zip.begin(archivePath.bytes(hash));
    for await (const chunk of files.read(hash)) {
      entry.push(chunk as Uint8Array);
      yield* zip.take();
    }
    entry.push(new Uint8Array(0), true);
    yield* zip.take();
  }
  zip.end();
  yield* zip.take();
}

const isRecord = (kind: Unread['kind']): boolean => (RECORD_KINDS as string[]).includes(kind);
/** Rows that do not read, as they stand. */
async function rowsOf(tx: Queryable, unread: readonly Unread[]): Promise<unknown[]> {
  const rows: unknown[] = [];
  for (const one of unread) {
    const table = isRecord(one.kind) ? 'bench_record' : one.kind;
    const text = `SELECT to_jsonb(t) AS row FROM ${table} t${one.id === null ? '' : ' WHERE id = $1'}`;
    const found = await tx.query<{ row: unknown }>(text, one.id === null ? [] : [one.id]);
    rows.push({ ...one, row: found.rows[0]?.row ?? null });
  }
  return rows;
}

/** The head comes first although it is known last: what it says is gathered, then everything is put in. */
async function writeDocuments(zip: GrowingZip, tx: Queryable, bytes: ArchiveHead['bytes']): Promise<void> {
  const unread: Unread[] = [];
  const entries: Record<string, number> = {};
  const texts: { path: string; text: string }[] = [];
  for await (const part of readParts(tx, (list) => unread.push(...list))) {
    entries[part.path] = part.entries;
    texts.push({ path: part.path, text: written(part.content) });
  }
  texts.push({ path: archivePath.unread, text: written(await rowsOf(tx, unread)) });
  const { rows } = await tx.query<{ pour: number }>('SELECT pour FROM numbering');
  const head: ArchiveHead = {
    format: ARCHIVE_FORMAT,
    version: ARCHIVE_VERSION,
    lastPour: rows[0]!.pour,
    files: entries,
    bytes,
    unread,
  };
  zip.addText(HEAD_FILE, written(head));
  for (const { path, text } of texts) zip.addText(path, text);
}
