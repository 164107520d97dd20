import type { BlobFiles } from '../files/blobFiles';
import { readJournal, type JournalEntry } from '../backup/journal';

export interface Replayed {
  /** Changes that were put in, and those that were refused: they stood already, or what they are of is not there. */
  put: number;
  refused: number;
}

const BLOB = /^\/blobs\/([0-9a-f]{64})$/;

/** Puts the changes of a data folder's journal into the shop that answers at an address, in their order, as they were asked for. */
export async function replay(
  dataFolder: string,
  address: string,
  files: Pick<BlobFiles, 'size' | 'read'>,
): Promise<Replayed> {
  const told: Replayed = { put: 0, refused: 0 };
  for await (const entry of readJournal(dataFolder)) {
    if (await ask(address, entry, files)) told.put++;
    else told.refused++;
  }
  return told;
}

async function ask(
  address: string,
  entry: JournalEntry,
  files: Pick<BlobFiles, 'size' | 'read'>,
): Promise<boolean> {
  const hash = BLOB.exec(entry.url)?.[1];
  const size = hash === undefined ? null : await files.size(hash);
  if (hash !== undefined && size === null) return false;
  const body = hash === undefined ? textOf(entry.body) : await bytesOf(files, hash);
  const send = (revision?: string): Promise<Response> =>
    fetch(`${address}/api${entry.url}`, {
      method: entry.method,
      headers: {
        ...(entry.type ? { 'Content-Type': entry.type } : {}),
        ...(revision ? { 'If-Match': revision } : {}),
      },
      ...(body === undefined ? {} : { body }),
    });
  const first = await send();
  await first.arrayBuffer();
  const revision = first.headers.get('etag');
  // What was accepted once goes over what the backup has, whatever its revision is there.
  if (first.status !== 409 || revision === null) return first.ok;
  const second = await send(revision);
  await second.arrayBuffer();
  return second.ok;
}

const textOf = (body: unknown): string | undefined => (body === undefined ? undefined : JSON.stringify(body));
async function bytesOf(files: Pick<BlobFiles, 'read'>, hash: string): Promise<Uint8Array<ArrayBuffer>> {
  const chunks: Uint8Array[] = [];
  for await (const chunk of files.read(hash)) chunks.push(chunk as Uint8Array);
  return new Uint8Array(Buffer.concat(chunks));
}
