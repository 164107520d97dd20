import { randomUUID } from 'node:crypto';
import { readdir, rm, writeFile } from 'node:fs/promises';
import path from 'node:path';
import { emptyPourDoc, HEAD_FILE, type ArchiveHead, type ShopState } from '@zero-pour/contracts';
import fc from 'fast-check';
import { strFromU8, strToU8, unzipSync, zipSync, type Unzipped } from 'fflate';
import { afterAll, afterEach, beforeAll, describe, expect, it } from 'vitest';
import { openTestShop, type TestShop } from '../testing/testShop';
import { parseLocated } from './locatedJson';

const open: TestShop[] = [];
async function newShop(): Promise<TestShop> {
  const shop = await openTestShop();
  open.push(shop);
  return shop;
}
const closeAll = async (): Promise<void> => {
  for (const shop of open.splice(0)) await shop.close();
};

async function takeOut({ shop }: TestShop): Promise<Uint8Array> {
  const response = await fetch(`${shop.address}/api/archive.zip`);
  expect(response.status).toBe(200);
  return new Uint8Array(await response.arrayBuffer());
}
const takeIn = (shop: TestShop, zip: Uint8Array): Promise<{ status: number; body: never }> =>
  shop.ask('POST', '/archive', zip);
const textOf = (files: Unzipped, name: string): string => strFromU8(files[name]!);
const headOf = (zip: Uint8Array): ArchiveHead => JSON.parse(textOf(unzipSync(zip), HEAD_FILE)) as ArchiveHead;
const isEmpty = async (shop: TestShop): Promise<boolean> => {
  const { openPours, patterns, lists } = (await shop.ask('GET', '/shop')).body as ShopState;
  return openPours.length + patterns.length + Object.values(lists).flat().length === 0;
};

let demo: TestShop;
let zip: Uint8Array;
beforeAll(async () => {
  demo = await openTestShop();
  await demo.ask('POST', '/demo');
  const { lists, settings } = (await demo.ask('GET', '/shop')).body as ShopState;
  const { id, ...flask } = lists.flask[0]!;
  const base = { 'If-Match': '"1"' };
  await demo.ask('PUT', `/shop/flask/${id}`, { ...flask, note: 'dented' }, base);
  await demo.ask('PUT', '/settings', { ...settings, shopName: 'Gannet Yard' }, base);
  zip = await takeOut(demo);
}, 120_000);
afterAll(() => demo.close());
afterEach(closeAll);

describe('a whole shop', () => {
  it('taken out, in and out again is the same to the byte', async () => {
    const other = await newShop();
    const answer = await takeIn(other, zip);
    expect(answer.status).toBe(200);
    expect((answer.body as ShopState).settings.shopName).toBe('Gannet Yard');
    expect(Buffer.compare(await takeOut(other), zip)).toBe(0);
  });

  it('shows the same board, record and history afterwards, and goes on with the next number', async () => {
    const other = await newShop();
    await takeIn(other, zip);
    for (const at of [
      '/pours?limit=50&offset=0',
      '/records',
      '/yields',
      '/sizes',
      '/prints',
      '/casts/made-with',
      '/kiln-runs',
    ]) {
      const [here, there] = await Promise.all([demo.ask('GET', at), other.ask('GET', at)]);
      const plain = (body: object): object => ({ ...body, revisions: {} });
      expect(plain(there.body as object), at).toEqual(plain(here.body as object));
    }
    const { id } = ((await other.ask('GET', '/shop')).body as ShopState).lists.flask.find(
      ({ note }) => note === 'dented',
    )!;
    expect((await other.ask('GET', `/shop/flask/${id}/history`)).body).toHaveLength(1);
    const highest = headOf(zip).lastPour;
    const made = await other.ask('POST', '/pours', { id: randomUUID(), doc: emptyPourDoc() });
    expect(made.body).toMatchObject({ number: highest + 1 });
  });

  it('is readable by a person: a file a pour, and a head that counts', () => {
    const files = unzipSync(zip);
    const head = headOf(zip);
    expect(Object.keys(files)[0]).toBe(HEAD_FILE);
    expect(head.files['pours/00022.json']).toBe(1);
    expect(JSON.parse(textOf(files, 'pours/00022.json'))).toMatchObject({ number: 22, used: { alloy: { name: expect.any(String) as unknown } } }); // prettier-ignore
    expect(Object.keys(files).filter((name) => name.startsWith('bytes/'))).toHaveLength(head.bytes.length);
  });

  it('goes into an empty one only', async () => {
    expect((await takeIn(demo, zip)).body).toMatchObject({ error: { code: 'SHOP_NOT_EMPTY' } });
  });

  it('may have been packed anew, in a folder, with other things beside', async () => {
    const files = unzipSync(zip);
    const moved = Object.fromEntries(Object.entries(files).map(([name, bytes]) => [`gannet/${name}`, bytes]));
    const other = await newShop();
    expect((await takeIn(other, zipSync({ ...moved, '.DS_Store': strToU8('x') }))).status).toBe(200);
    expect(Buffer.compare(await takeOut(other), zip)).toBe(0);
  });

  it('says which bytes were damaged, and stays the same without them', async () => {
    const here = await newShop();
    await takeIn(here, zip);
    const hash = headOf(zip).bytes[0]!.hash;
    await rm(path.join(here.folder, 'files', hash.slice(0, 2), hash));
    const without = await takeOut(here);
    expect(headOf(without).bytes[0]).toMatchObject({ hash, missing: true });
    const there = await newShop();
    expect((await takeIn(there, without)).status).toBe(200);
    expect((await there.ask('GET', `/blobs/${hash}`)).status).toBe(410);
    expect(Buffer.compare(await takeOut(there), without)).toBe(0);
  });

  it('names what does not read, and holds it as it stands', async () => {
    const here = await newShop();
    await takeIn(here, zip);
    await here.shop.services.db.query(`UPDATE pour SET doc = doc - 'scale' WHERE number = 22`);
    const out = await takeOut(here);
    expect(headOf(out)).toMatchObject({ unread: [{ kind: 'pour', name: 'Pour 22' }] });
    expect(JSON.parse(textOf(unzipSync(out), 'unread.json'))).toMatchObject([{ row: { number: 22 } }]);
  });
});

describe('a wrong file changes nothing', () => {
  const changed = (change: (files: Record<string, Uint8Array>) => void): Uint8Array => {
    const files = { ...unzipSync(zip) };
    change(files);
    return zipSync(files, { level: 0 });
  };
  const edited = (name: string, edit: (text: string) => string): Uint8Array =>
    changed((files) => (files[name] = strToU8(edit(strFromU8(files[name]!)))));
  const refusals: [what: string, file: () => Uint8Array, sentence: RegExp][] = [
    ['cut off', () => zip.slice(0, zip.length / 2), /was cut off/],
    ['a picture', () => strToU8('\u0089PNG and so on'), /it is no zip/],
    ['nothing', () => new Uint8Array(0), /it is no zip/],
    ['another zip', () => zipSync({ 'a.txt': strToU8('x') }), /zero-pour.json is not in it/],
    ['of a newer version', () => edited(HEAD_FILE, (text) => text.replace('"version": 1', '"version": 7')), /version 7; this Zero Pour reads up to version 1/],
    ['of another format', () => edited(HEAD_FILE, (text) => text.replace('zero-pour/archive', 'zero-pour/pour')), /zero-pour.json, line 1, column 1: it is “zero-pour\/pour”/],
    ['without a comma', () => edited('pours/00022.json', (text) => text.replace('"number": 22,', '"number": 22')), /pours\/00022.json, line 4, column 2: a comma belongs here/],
    ['with a word for a number', () => edited('pours/00022.json', (text) => text.replace('"number": 22', '"number": "many"')), /pours\/00022.json, line 3, column 12: number is not what belongs there/],
    ['with a field that is not known', () => edited('settings.json', (text) => text.replace('{', '{"colour": "red",')), /settings.json, line 1, column 1: the whole holds what is not known here: colour/],
    ['that ends in the middle', () => edited('things/resin.json', (text) => text.slice(0, 200)), /things\/resin.json, line \d+, column \d+: .*(does not end|cut off)/],
    ['nested without end', () => edited('history.json', () => '['.repeat(5000)), /history.json, line 1, column 61: it is nested deeper/],
    ['that lacks a list', () => changed((files) => delete files['patterns.json']), /it names patterns.json, which is not in the zip/],
    ['that lacks entries', () => edited('history.json', () => '[]'), /history.json, line 1, column 1: it holds 0 entries/],
    ['with other bytes', () => changed((files) => (files[`bytes/${headOf(zip).bytes[0]!.hash}`] = strToU8('other'))), /is not what its name says/],
    ['that lacks bytes', () => changed((files) => Reflect.deleteProperty(files, `bytes/${headOf(zip).bytes[0]!.hash}`)), /names bytes that are not in the zip/],
  ]; // prettier-ignore

  it('whatever is wrong with it, and says where', async () => {
    const shop = await newShop();
    for (const [what, file, sentence] of refusals) {
      const { status, body } = await takeIn(shop, file());
      const { error } = body as { error: { sentence: string } };
      expect([what, status, error.sentence]).toEqual([what, 422, expect.stringMatching(sentence)]);
      expect(error.sentence).toContain('Nothing was taken in.');
      expect(await isEmpty(shop)).toBe(true);
    }
    const left = await readdir(path.join(shop.folder, 'files'));
    expect(left.filter((name) => name.startsWith('partial-'))).toEqual([]);
    expect((await takeIn(shop, zip)).status).toBe(200);
  }, 120_000);

  it('also when it contradicts itself, with the place of the second', async () => {
    const shop = await newShop();
    const twice = edited('pours/00021.json', (text) => text.replace('"number": 21', '"number": 22'));
    expect((await takeIn(shop, twice)).body).toMatchObject({
      error: { code: 'FILE_WRONG', sentence: expect.stringMatching(/pours\/0002\d.json, line 1.*another one has its id or its number/) as unknown },
    }); // prettier-ignore
    const nameless = edited('things/resin.json', (text) =>
      text.replace(/"id": "[^"]*"/, `"id": "${randomUUID()}"`),
    );
    expect((await takeIn(shop, nameless)).body).toMatchObject({ error: { code: 'FILE_WRONG' } });
    expect(await isEmpty(shop)).toBe(true);
  });
});

describe('the place of a fault', () => {
  it('is where a text stops being JSON', () => {
    const where = (text: string): string => {
      try {
        parseLocated('f.json', text);
        return 'fine';
      } catch (error) {
        return (error as Error).message;
      }
    };
    expect(where('{"a": 1}')).toBe('fine');
    expect(where('{"a": [1, 2}')).toMatch(/^f.json, line 1, column 12/);
    expect(where('{\n "a" 1\n}')).toMatch(/^f.json, line 2, column 6: a colon/);
    expect(where('')).toMatch(/^f.json, line 1, column 1/);
    expect(where('{"a": "\\" [[["}')).toBe('fine');
  });
});

describe('any shop', () => {
  it('comes back as it was', async () => {
    const words = fc.string({ unit: 'grapheme', maxLength: 40 }).filter((text) => !text.includes('\u0000'));
    const slip = fc.record({ text: words, sorted: fc.boolean() });
    const shopOf = fc.record({
      name: words,
      notes: fc.array(fc.record({ note: words, discarded: fc.boolean(), spares: fc.nat(500) }), {
        maxLength: 5,
      }),
      slips: fc.array(slip, { maxLength: 4 }),
      photo: fc.uint8Array({ maxLength: 60 }),
    });
    await fc.assert(
      fc.asyncProperty(shopOf, async ({ name, notes, slips, photo }) => {
        const here = await newShop();
        const { settings } = (await here.ask('GET', '/shop')).body as ShopState;
        await here.ask('PUT', '/settings', { ...settings, shopName: name });
        const hash = [...new Uint8Array(await crypto.subtle.digest('SHA-256', new Uint8Array(photo)))].map((byte) => byte.toString(16).padStart(2, '0')).join(''); // prettier-ignore
        await here.ask('PUT', `/blobs/${hash}`, photo);
        for (const { note, discarded, spares } of notes) {
          const id = randomUUID();
          const doc = emptyPourDoc();
          if (note) doc.brief.note = note;
          doc.print.spares = spares;
          await here.ask('POST', '/pours', { id, doc });
          if (discarded) await here.ask('PUT', `/pours/${id}/discarded`, { discarded });
        }
        for (const { text, sorted } of slips) {
          const at = new Date().toISOString();
          await here.ask('PUT', `/records/slip/${randomUUID()}`, { at, text, photos: [{ hash, name: 'p.jpg' }], about: null, sortedAt: sorted ? at : null }); // prettier-ignore
        }
        const out = await takeOut(here);
        const there = await newShop();
        expect((await takeIn(there, out)).status).toBe(200);
        expect(Buffer.compare(await takeOut(there), out)).toBe(0);
        await closeAll();
      }),
      { numRuns: 4, seed: 21 },
    );
  }, 240_000);
});

it('a file that was written into the folder by hand is none of the shop', async () => {
  const shop = await newShop();
  await writeFile(path.join(shop.folder, 'files', 'stray.txt'), 'x');
  expect(headOf(await takeOut(shop)).bytes).toEqual([]);
});
