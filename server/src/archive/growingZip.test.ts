import { createHash, randomBytes } from 'node:crypto';
import { createReadStream, createWriteStream, existsSync } from 'node:fs';
import { mkdtemp, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { Readable } from 'node:stream';
import { buffer } from 'node:stream/consumers';
import { pipeline } from 'node:stream/promises';
import { unzipSync, strFromU8 } from 'fflate';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import type { LaidAside } from '../files/blobFiles';
import { GrowingZip } from './growingZip';
import { OpenZip } from './zipFile';

let folder: string;
beforeEach(async () => {
  folder = await mkdtemp(path.join(tmpdir(), 'zero-pour-zip-'));
});
afterEach(() => rm(folder, { recursive: true, force: true }));

/** Made by `work` while it is read into a file. */
async function made(work: (zip: GrowingZip) => Promise<void>): Promise<string> {
  const zip = new GrowingZip();
  const file = path.join(folder, 'made.zip');
  const written = pipeline(zip.bytes, createWriteStream(file));
  await work(zip);
  zip.end();
  await written;
  return file;
}

describe('a zip that grows', () => {
  /** Where a part of it is laid. */
  const side = (): string => path.join(folder, 'side');
  const keep = async (all: AsyncIterable<Uint8Array>): Promise<LaidAside> => {
    const file = side();
    await writeFile(file, all);
    return { file, remove: () => rm(file) };
  };

  it('holds what was put in, in its order, and is the same whenever it is made', async () => {
    const bytes = randomBytes(300_000);
    const work = async (zip: GrowingZip): Promise<void> => {
      await zip.addText('head.json', '{"gannet": 1}');
      await zip.add('bytes/a', Readable.from([bytes.subarray(0, 7), bytes.subarray(7)]));
      await zip.addText('empty.json', '');
    };
    const [first, second] = [await buffer(createReadStream(await made(work))), await buffer(createReadStream(await made(work)))];
    expect(Buffer.compare(first, second)).toBe(0);
    const files = unzipSync(first);
    expect(Object.keys(files)).toEqual(['head.json', 'bytes/a', 'empty.json']);
    expect(strFromU8(files['head.json']!)).toBe('{"gannet": 1}');
    expect(Buffer.compare(files['bytes/a']!, bytes)).toBe(0);
  }); // prettier-ignore

  it('goes aside while it is made, and the rest is read on from where that ended', async () => {
    const zip = new GrowingZip();
    const bytes = randomBytes(500_000);
    await zip.aside(async () => {
      await zip.addText('a.json', 'a'.repeat(200_000));
      await zip.add('b', Readable.from([bytes]));
    }, keep);
    const rest = buffer(zip.bytes);
    await zip.addText('c.json', 'c');
    zip.end();
    const whole = Buffer.concat([await buffer(createReadStream(side())), await rest]);
    const files = unzipSync(whole);
    expect(Object.keys(files)).toEqual(['a.json', 'b', 'c.json']);
    const sum = (of: Uint8Array): string => createHash('sha256').update(of).digest('hex');
    expect(sum(files['b']!)).toBe(sum(bytes));
  });

  it('says what failed: what is put in, or where it is kept', async () => {
    const broken = new GrowingZip();
    const damaged = async (): Promise<void> => {
      await broken.addText('a.json', 'a');
      throw new Error('a page is damaged');
    };
    await expect(broken.aside(damaged, keep)).rejects.toThrow('a page is damaged');
    expect(existsSync(side())).toBe(false);
    const full = new GrowingZip();
    const noRoom = async (all: AsyncIterable<Uint8Array>): Promise<LaidAside> => {
      for await (const _ of all) throw new Error('no room');
      throw new Error('nothing came');
    };
    const endless = async (): Promise<void> => {
      for (let n = 0; n < 1000; n++) await full.add(`${n}`, Readable.from([randomBytes(200_000)]));
    };
    await expect(full.aside(endless, noRoom)).rejects.toThrow('no room');
    const gone = new GrowingZip();
    const read = buffer(gone.bytes);
    await expect(gone.add('x', createReadStream(path.join(folder, 'not there')))).rejects.toThrow('ENOENT');
    await expect(read).rejects.toThrow('ENOENT');
    const unread = new GrowingZip().add('x', createReadStream(path.join(folder, 'not there')));
    await expect(unread).rejects.toThrow('ENOENT');
  }); // prettier-ignore
});

describe('documents that would unpack without end', () => {
  it('are refused by what they say they are, before they are unpacked', async () => {
    const zeros = (bytes: number): Readable => Readable.from([Buffer.alloc(bytes, ' ')]);
    const zip = await OpenZip.open(await made((one) => one.add('history.json', zeros(130_000_000))));
    await expect(zip.text('history.json')).rejects.toThrow('larger than any document');
    zip.close();
  });

  it('are refused together, when they are many times what the zip is; read twice they count once', async () => {
    const each = 5_000_000;
    const file = await made(async (one) => {
      for (let n = 0; n < 10; n++) await one.add(`${n}`, Readable.from([Buffer.alloc(each, ' ')]));
    });
    const zip = await OpenZip.open(file, 9 * each);
    for (let again = 0; again < 12; again++) expect((await zip.text('0'))!.length).toBe(each);
    const all = async (): Promise<void> => {
      for (let n = 0; n < 10; n++) await zip.text(String(n));
    };
    await expect(all()).rejects.toThrow('9 is larger than any document');
    zip.close();
  });

  it('are read where the zip itself is as large as they make it', async () => {
    const noise = (): Readable => Readable.from([randomBytes(300_000).toString('base64')]);
    const file = await made(async (one) => {
      for (let n = 0; n < 10; n++) await one.add(`${n}`, noise());
    });
    const zip = await OpenZip.open(file, 1_000_000);
    for (let n = 0; n < 10; n++) expect((await zip.text(String(n)))!.length).toBe(400_000);
    zip.close();
  });
});
