import { createHash } from 'node:crypto';
import { mkdtemp, readdir, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { Refusal } from '@zero-pour/contracts';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { BLOB_BYTES_MAX, BlobFiles } from './blobFiles';

let folder: string;
let files: BlobFiles;
beforeEach(async () => {
  folder = await mkdtemp(path.join(tmpdir(), 'zero-pour-blobs-'));
  files = await BlobFiles.open(folder);
});
afterEach(() => rm(folder, { recursive: true, force: true }));

const hashOf = (...parts: Uint8Array[]): string =>
  parts.reduce((sum, part) => sum.update(part), createHash('sha256')).digest('hex');
async function* stream(...parts: Uint8Array[]): AsyncIterable<Uint8Array> {
  yield* parts;
}
const left = async (): Promise<string[]> =>
  (await readdir(folder, { recursive: true, withFileTypes: true }))
    .filter((e) => e.isFile())
    .map((e) => e.name);
async function bytesOf(hash: string): Promise<string> {
  let text = '';
  for await (const chunk of files.read(hash)) text += String(chunk);
  return text;
}

describe('bytes by their hash', () => {
  const [a, b] = [Buffer.from('tide '), Buffer.from('table')];

  it('arrive in pieces and are whole under their name', async () => {
    const hash = hashOf(a, b);
    expect(await files.keep(hash, stream(a, b))).toBe(10);
    expect([await left(), await files.size(hash), await bytesOf(hash)]).toEqual([[hash], 10, 'tide table']);
  });

  it('may be empty, and may come twice at once', async () => {
    const none = hashOf();
    expect(await files.keep(none, stream())).toBe(0);
    const hash = hashOf(a);
    await Promise.all([files.keep(hash, stream(a)), files.keep(hash, stream(a))]);
    expect((await left()).sort()).toEqual([hash, none].sort());
  });

  it('that are not what they claim leave nothing', async () => {
    await expect(files.keep(hashOf(b), stream(a))).rejects.toThrow(Refusal);
    expect([await left(), await files.size(hashOf(b))]).toEqual([[], null]);
  });

  it('that break off leave nothing', async () => {
    async function* broken(): AsyncIterable<Uint8Array> {
      yield a;
      throw new Error('the cable was pulled');
    }
    await expect(files.keep(hashOf(a, b), broken())).rejects.toThrow('cable');
    expect(await left()).toEqual([]);
  });

  it('that are too many are refused before they are all there', async () => {
    const chunk = Buffer.alloc(60_000_000);
    let given = 0;
    async function* endless(): AsyncIterable<Uint8Array> {
      for (;;) {
        given += chunk.length;
        yield chunk;
      }
    }
    await expect(files.keep(hashOf(), endless())).rejects.toMatchObject({ code: 'BODY_TOO_LARGE' });
    expect(given).toBeLessThan(BLOB_BYTES_MAX + 2 * chunk.length);
    expect(await left()).toEqual([]);
  });

  it('are not confused by what a stopped process left behind', async () => {
    await writeFile(path.join(folder, 'partial-1234'), 'half');
    const hash = hashOf(a);
    await files.keep(hash, stream(a));
    expect(await bytesOf(hash)).toBe('tide ');
  });
});
