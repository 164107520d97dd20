import {
  ARCHIVE_FORMAT,
  ARCHIVE_VERSION,
  archivePath,
  HEAD_FILE,
  RECORD_KINDS,
  type ArchiveHead,
  type Unread,
} from '@zero-pour/contracts';
import { createReadStream } from 'node:fs';
import type { Database, Queryable } from '../db/database';
import type { BlobFiles } from '../files/blobFiles';
import { GrowingZip } from './growingZip';
import { listBytes, readParts } from './readParts';

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
  const { documents, bytes } = await db.transaction(async (tx) => {
    await tx.exec('SET TRANSACTION ISOLATION LEVEL REPEATABLE READ');
    const held = await heldBytes(tx, files);
    // Not handed on from here: whoever takes it may take long, and nobody else has the embedded database meanwhile.
    const laid = await zip.aside(
      () => addDocuments(zip, tx, held),
      (all) => files.keepAside(all),
    );
    return { documents: laid, bytes: held };
  });
  try {
    yield* createReadStream(documents.file);
    const adding = addBytes(zip, files, bytes);
    // What fails there is told by the zip's own stream.
    adding.catch((error: Error) => zip.bytes.destroy(error));
    yield* zip.bytes;
    await adding;
  } finally {
    zip.stop();
    await documents.remove();
  }
}

async function heldBytes(tx: Queryable, files: BlobFiles): Promise<ArchiveHead['bytes']> {
  const held: ArchiveHead['bytes'] = [];
  for (const one of await listBytes(tx))
    held.push((await files.size(one.hash)) === null ? { ...one, missing: true } : one);
  return held;
}

async function addBytes(zip: GrowingZip, files: BlobFiles, bytes: ArchiveHead['bytes']): Promise<void> {
  // Pictures are as small already as they will be.
  for (const { hash, missing, mediaType } of bytes)
    if (!missing) await zip.add(archivePath.bytes(hash), files.read(hash), !mediaType.startsWith('image/'));
  zip.end();
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

/** How many entries each file will have, and what does not read. */
async function countParts(tx: Queryable): Promise<{ entries: Record<string, number>; unread: Unread[] }> {
  const [entries, unread]: [Record<string, number>, Unread[]] = [{}, []];
  for await (const part of readParts(tx, (list) => unread.push(...list))) entries[part.path] = part.entries;
  return { entries, unread };
}

/** The head comes first although it is known last: everything is read twice, so that it is never held all at once. */
async function addDocuments(zip: GrowingZip, tx: Queryable, bytes: ArchiveHead['bytes']): Promise<void> {
  const { entries, unread } = await countParts(tx);
  const { rows } = await tx.query<{ pour: number }>('SELECT pour FROM numbering');
  const head: ArchiveHead = {
    format: ARCHIVE_FORMAT,
    version: ARCHIVE_VERSION,
    lastPour: rows[0]!.pour,
    files: entries,
    bytes,
    unread,
  };
  await zip.addText(HEAD_FILE, written(head));
  for await (const part of readParts(tx, () => undefined))
    await zip.addText(part.path, written(await part.content()));
  await zip.addText(archivePath.unread, written(await rowsOf(tx, unread)));
}
