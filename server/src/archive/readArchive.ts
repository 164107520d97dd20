import {
  ARCHIVE_FORMAT,
  ARCHIVE_VERSION,
  archiveHeadSchema,
  archivePart,
  archivePath,
  archiveSchema,
  HEAD_FILE,
  headLineSchema,
  Refusal,
  type ArchiveHead,
} from '@zero-pour/contracts';
import { createHash } from 'node:crypto';
import type { Database } from '../db/database';
import type { BlobFiles } from '../files/blobFiles';
import { readLocated, wrongAt } from './locatedJson';
import { refuseUnlessEmpty, restoreShop } from './restoreShop';
import type { ReadPart } from './readPart';
import { OpenZip } from './zipFile';

/** Where its files stand: a zip that was packed anew may have them all in a folder. */
function folderOf(zip: OpenZip): string {
  const head = zip.names.find((name) => name === HEAD_FILE || name.endsWith(`/${HEAD_FILE}`));
  if (head === undefined) throw new Refusal('ARCHIVE_NONE', { file: HEAD_FILE });
  return head.slice(0, -HEAD_FILE.length);
}

async function readHead(zip: OpenZip, folder: string): Promise<ArchiveHead> {
  const text = (await zip.text(folder + HEAD_FILE))!;
  const { format, version } = readLocated(HEAD_FILE, text, headLineSchema);
  if (format !== ARCHIVE_FORMAT)
    throw wrongAt(HEAD_FILE, text, 0, `it is “${format}”, not a shop of Zero Pour`);
  if (version > ARCHIVE_VERSION)
    throw new Refusal('FILE_NEWER', {
      file: HEAD_FILE,
      version: String(version),
      own: String(ARCHIVE_VERSION),
    });
  return readLocated(HEAD_FILE, text, archiveHeadSchema);
}

async function readPart(
  zip: OpenZip,
  folder: string,
  { files }: ArchiveHead,
  path: string,
): Promise<ReadPart> {
  const part = archivePart(path);
  const text = await zip.text(folder + path);
  if (!part || text === undefined)
    throw new Refusal('FILE_WRONG', {
      file: HEAD_FILE,
      line: '1',
      column: '1',
      why: part ? `it names ${path}, which is not in the zip` : `it names ${path}, which is not known here`,
    });
  const content = readLocated(path, text, archiveSchema(part));
  const count = Array.isArray(content) ? content.length : 1;
  if (count !== files[path])
    throw wrongAt(path, text, 0, `it holds ${count} entries, and ${HEAD_FILE} says ${files[path]}`);
  return { path, part, content, text };
}

/** Keeps the bytes of an archive; each is compared with its hash. Those that no thing names do no harm. */
async function keepBytes(zip: OpenZip, folder: string, head: ArchiveHead, files: BlobFiles): Promise<void> {
  for (const { hash, missing } of head.bytes) {
    if (missing || (await files.size(hash)) !== null) continue;
    const stream = await zip.stream(folder + archivePath.bytes(hash));
    if (!stream)
      throw new Refusal('FILE_WRONG', { file: HEAD_FILE, line: '1', column: '1', why: `it names bytes that are not in the zip (${hash.slice(0, 12)} …)` }); // prettier-ignore
    try {
      await files.keep(hash, stream as AsyncIterable<Uint8Array>);
    } catch (error) {
      if (!(error instanceof Refusal) || error.code !== 'HASH_MISMATCH') throw error;
      throw new Refusal('ZIP_BROKEN', { why: `${archivePath.bytes(hash)} is not what its name says` });
    }
  }
}

/** What a whole archive holds. */
export interface CheckedArchive {
  pours: number;
  /** Documents of all kinds, and files of bytes with those that were damaged where they were kept. */
  entries: number;
  bytes: number;
  missing: number;
}

/** Compares the bytes of an archive with their hashes, without keeping any. */
async function checkBytes(zip: OpenZip, folder: string, head: ArchiveHead): Promise<void> {
  for (const { hash, missing } of head.bytes) {
    if (missing) continue;
    const stream = await zip.stream(folder + archivePath.bytes(hash));
    const sum = createHash('sha256');
    try {
      for await (const chunk of stream ?? []) sum.update(chunk as Uint8Array);
    } catch {
      throw new Refusal('ZIP_BROKEN', { why: `${archivePath.bytes(hash)} is damaged` });
    }
    if (sum.digest('hex') !== hash)
      throw new Refusal('ZIP_BROKEN', { why: `${archivePath.bytes(hash)} is not what its name says` });
  }
}

/** Opens an archive and reads all of it, as taking it in would; nothing is kept. Refuses one that could not be taken in. */
export async function checkArchive(file: string): Promise<CheckedArchive> {
  const zip = await OpenZip.open(file);
  try {
    const folder = folderOf(zip);
    const head = await readHead(zip, folder);
    for (const part of Object.keys(head.files)) await readPart(zip, folder, head, part);
    await checkBytes(zip, folder, head);
    return {
      pours: Object.keys(head.files).filter((name) => name.startsWith('pours/')).length,
      entries: Object.values(head.files).reduce((sum, count) => sum + count, 0),
      bytes: head.bytes.length,
      missing: head.bytes.filter(({ missing }) => missing).length,
    };
  } finally {
    zip.close();
  }
}

/**
 * Brings a whole shop out of a zip that lies on the disk into an empty one: all of it or nothing. Refuses a file that is wrong
 * anywhere by its name, line and column.
 */
export async function readArchive(db: Database, files: BlobFiles, file: string): Promise<ArchiveHead> {
  await refuseUnlessEmpty(db);
  const zip = await OpenZip.open(file);
  try {
    const folder = folderOf(zip);
    const head = await readHead(zip, folder);
    const read = (part: string): Promise<ReadPart> => readPart(zip, folder, head, part);
    // All of it is read before anything is kept, and then again: so it is never held all at once.
    for (const part of Object.keys(head.files)) await read(part);
    await keepBytes(zip, folder, head, files);
    await restoreShop(db, head, read);
    return head;
  } finally {
    zip.close();
  }
}
