import { createHash, randomBytes, randomUUID } from 'node:crypto';
import { readdirSync, rmSync } from 'node:fs';
import { mkdir, readFile, writeFile } from 'node:fs/promises';
import { request } from 'node:http';
import path from 'node:path';
import {
  emptyPourDoc,
  SHOP_HEADER,
  usualPrinter,
  usualResin,
  type Records,
  type ShopState,
} from '@zero-pour/contracts';
import { alloysFromBook } from '@zero-pour/contracts';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { openTestShop, type TestShop } from './testing/testShop';

let test: TestShop;
let ask: TestShop['ask'];
beforeAll(async () => {
  test = await openTestShop();
  ask = test.ask;
});
afterAll(() => test.close());

const hashOf = (bytes: Uint8Array): string => createHash('sha256').update(bytes).digest('hex');
const sql = (text: string, values: unknown[] = []) => test.shop.services.db.query(text, values);
const addPour = async (): Promise<string> => {
  const id = randomUUID();
  expect((await ask('POST', '/pours', { id, doc: emptyPourDoc() })).status).toBe(201);
  return id;
};
const flask = { name: 'f', innerDiameterMm: 76, heightMm: 102, coneDiameterMm: 25, coneHeightMm: 12, perforated: false, note: '' }; // prettier-ignore

describe('rules across the fields of a thing', () => {
  const silver = alloysFromBook()[0]!;
  const id = randomUUID();
  it.each([
    ['flask', { ...flask, coneDiameterMm: 80 }, 'the cone is as wide as the flask'],
    ['flask', { ...flask, coneHeightMm: 102 }, 'the cone is as high as the flask'],
    ['alloy', { ...silver, solidusC: silver.liquidusC + 1 }, 'solid above where it is all liquid'],
    ['alloy', { ...silver, composition: { Ag: 0.9, Cu: 0.2 } }, 'add up to 110 %, not to 100 %'],
    ['alloy', { ...silver, flask: { ...silver.flask, heavy: { lowC: 600, highC: 500 } } }, 'lower temperature is above'],
    ['alloy', { ...silver, quenchWaitMin: { least: 9, most: 3 } }, 'least wait'],
    ['printer', { ...usualPrinter(), exposureLeastS: 5, exposureMostS: 4 }, 'shortest exposure'],
    ['resin', { ...usualResin('wax-rich'), blendOf: [{ resinId: id, percent: 50 }] }, 'nothing can be mixed of itself'],
    ['resin', { ...usualResin('wax-rich'), printFromC: 40, printToC: 20 }, 'lower printing temperature'],
  ])('refuse a %s: %#', async (kind, body, why) => {
    const { status, body: answer } = await ask('PUT', `/shop/${kind}/${id}`, body);
    expect(status).toBe(422);
    expect((answer as { error: { sentence: string } }).error.sentence).toContain(why);
  }); // prettier-ignore

  it('hold for bench hours, and the zone must be one', async () => {
    const { settings }: ShopState = (await ask('GET', '/shop')).body;
    const benchHours = settings.benchHours.map((day, i) =>
      i === 1 ? { ...day, fromMin: 1000, toMin: 1600 } : day,
    );
    expect((await ask('PUT', '/settings', { ...settings, benchHours })).status).toBe(422);
    expect((await ask('PUT', '/settings', { ...settings, timeZone: 'Harbour/Yard' })).status).toBe(422);
    expect((await ask('PUT', '/settings', { ...settings, timeZone: 'Pacific/Auckland' })).status).toBe(200);
  });

  it('the book’s alloys keep them', async () => {
    for (const alloy of alloysFromBook())
      expect((await ask('PUT', `/shop/alloy/${randomUUID()}`, alloy)).status).toBe(200);
  });
});

describe('what cannot be kept', () => {
  it.each([
    ['a NUL character', 'har\u0000bour'],
    ['half a character', 'har\ud800bour'],
  ])('is refused with a sentence: %s', async (_, text) => {
    const id = randomUUID();
    expect((await ask('PUT', `/shop/flask/${id}`, { ...flask, name: text })).status).toBe(422);
    const pour = await addPour();
    expect((await ask('PATCH', `/pours/${pour}`, { changes: [{ path: ['brief', 'note'], value: text }] })).status).toBe(422); // prettier-ignore
    expect((await ask('GET', `/find?words=${encodeURIComponent('a\u0000')}`)).status).toBe(422);
  });

  it('neither is a number beyond the database’s, nesting without end, nor a broken address', async () => {
    const resin = randomUUID();
    const protocolVersion = 3_000_000_000;
    expect((await ask('PUT', `/shop/resin/${resin}`, { ...usualResin('wax-rich'), protocolVersion })).status).toBe(422); // prettier-ignore
    const deep = `${'['.repeat(50_000)}${']'.repeat(50_000)}`;
    const sent = (at: string, init: RequestInit = {}) => fetch(`${test.shop.address}${at}`, init);
    const nested = await sent(`/api/pours/${randomUUID()}`, {
      method: 'PATCH',
      headers: { 'Content-Type': 'application/json' },
      body: `{"changes":[{"path":["a"],"value":${deep}}]}`,
    });
    expect(nested.status).toBe(422);
    const answers = await Promise.all(
      ['/api/pours/%E0%A4%A', '/api/%00', '/%E0%A4%A', '/api/pours?offset=1e300'].map((at) => sent(at)),
    );
    for (const { status } of answers) expect(status).toBeLessThan(500);
    expect((await ask('GET', '/health')).status).toBe(200);
  });
});

describe('a whole thing that two people change', () => {
  const put = async (at: string, body: unknown, base: string | null) => {
    const response = await fetch(`${test.shop.address}/api${at}`, {
      method: 'PUT',
      headers: { 'Content-Type': 'application/json', ...(base === null ? {} : { 'If-Match': base }) },
      body: JSON.stringify(body),
    });
    return { status: response.status, etag: response.headers.get('etag'), body: await response.json() };
  };

  it.each([
    ['flask', () => `/shop/flask/${randomUUID()}`, flask],
    ['settings', () => '/settings', undefined],
  ])('%s: the second is answered with both versions, and nothing is written over', async (_, address, given) => {
    const at = address();
    const first = given ?? ((await ask('GET', '/shop')).body as ShopState).settings;
    const field = 'name' in first ? 'name' : 'shopName';
    const known = ((await ask('GET', '/shop')).body as ShopState).revisions[at];
    const begun = await put(at, { ...first, [field]: `begun ${at}` }, known === undefined ? null : `"${known}"`);
    expect(begun.status).toBe(200);
    const mine = await put(at, { ...first, [field]: `mine ${at}` }, begun.etag);
    expect(mine.status).toBe(200);
    const theirs = await put(at, { ...first, [field]: `theirs ${at}` }, begun.etag);
    expect(theirs).toMatchObject({ status: 409, etag: mine.etag, body: { error: { code: 'STALE' }, stored: { [field]: `mine ${at}` } } });
    // Thought to be new, it is stale too; the very same again is no fault; over the known state it is kept.
    expect((await put(at, { ...first, [field]: `theirs ${at}` }, null)).status).toBe(409);
    expect(await put(at, { ...first, [field]: `mine ${at}` }, begun.etag)).toMatchObject({ status: 200, etag: mine.etag });
    expect((await put(at, { ...first, [field]: `theirs ${at}` }, theirs.etag)).status).toBe(200);
    expect((await put(at, first, 'soon')).status).toBe(400);
  });
}); // prettier-ignore

describe('an id that is taken', () => {
  it('is not answered as kept when the content is another', async () => {
    const id = await addPour();
    expect((await ask('POST', '/pours', { id, doc: emptyPourDoc() })).status).toBe(201);
    const other = { ...emptyPourDoc(), brief: { ...emptyPourDoc().brief, note: 'another' } };
    expect(await ask('POST', '/pours', { id, doc: other })).toMatchObject({
      status: 409,
      body: { error: { code: 'ID_TAKEN' } },
    });
  });

  it('by a record of another kind is refused', async () => {
    const resinId = randomUUID();
    await ask('PUT', `/shop/resin/${resinId}`, { ...usualResin('wax-rich'), name: 'of records' });
    const id = randomUUID();
    const cure = { resinId, printerId: null, measuredAt: '2026-11-20T10:00:00.000Z', wavelengthNm: 405, discs: [], vatC: null, note: '' }; // prettier-ignore
    expect((await ask('PUT', `/records/cureTest/${id}`, cure)).status).toBe(200);
    const run = { resinId, printerId: null, profileId: null, alloyId: null, powderId: null, route: 'burn out the print', moldMaterial: null, flaskC: null, stage: 'cured', measuredAt: '2026-11-20T10:00:00.000Z', lot: '', pairs: [], note: '' }; // prettier-ignore
    expect((await ask('PUT', `/records/sizeSeries/${id}`, run)).status).toBe(409);
    await sql(`UPDATE bench_record SET doc = doc - 'discs' WHERE id = $1`, [id]);
    const { lists, unread }: Records = (await ask('GET', '/records')).body;
    expect([lists.cureTest, unread.map((thing) => thing.name)]).toEqual([[], ['A cure-depth test']]);
  });
});

describe('bytes', () => {
  const keep = async (): Promise<{ hash: string; bytes: Uint8Array; file: string }> => {
    const bytes = new Uint8Array(randomBytes(200_000));
    const hash = hashOf(bytes);
    expect((await ask('PUT', `/blobs/${hash}`, bytes)).status).toBe(201);
    return { hash, bytes, file: path.join(test.folder, 'files', hash.slice(0, 2), hash) };
  };

  it('that were damaged on the disk are not handed out, and sending them again mends them', async () => {
    const { hash, bytes, file } = await keep();
    await writeFile(
      file,
      bytes.map((byte, i) => (i === 7 ? byte ^ 1 : byte)),
    );
    expect(await ask('GET', `/blobs/${hash}`)).toMatchObject({
      status: 410,
      body: { error: { code: 'DAMAGED' } },
    });
    expect((await ask('PUT', `/blobs/${hash}`, bytes)).status).toBe(201);
    expect(hashOf(await readFile(file))).toBe(hash);
    expect((await ask('GET', `/blobs/${hash}`)).status).toBe(200);
  });

  it('that cannot be read end that answer and nothing else', async () => {
    const { hash, file } = await keep();
    rmSync(file);
    await mkdir(file);
    expect((await ask('GET', `/blobs/${hash}`)).status).toBeGreaterThanOrEqual(400);
    expect((await ask('GET', '/health')).status).toBe(200);
  });

  it('whose reader goes away leave no file open', async () => {
    const bytes = new Uint8Array(randomBytes(30_000_000));
    const hash = hashOf(bytes);
    await ask('PUT', `/blobs/${hash}`, bytes);
    const openOnes = (): number => readdirSync('/proc/self/fd').length;
    const before = openOnes();
    for (let n = 0; n < 20; n++)
      await new Promise<void>((resolve) => {
        const asked = request(`${test.shop.address}/api/blobs/${hash}`, (answer) => {
          answer.once('data', () => asked.destroy());
          answer.once('close', resolve);
        });
        asked.once('error', () => resolve());
        asked.end();
      });
    await expect.poll(openOnes).toBeLessThan(before + 8);
  });
});

describe('who may ask', () => {
  const status = (headers: Record<string, string>) =>
    new Promise<number>((resolve) => {
      const { host, port } = new URL(test.shop.address);
      request({ port, path: '/api/health', headers: { Host: host, ...headers } }, (answer) =>
        resolve(answer.statusCode ?? 0),
      ).end();
    });

  it('is the page served from here, by the letter: another port of this machine is foreign', async () => {
    const { host, port } = new URL(test.shop.address);
    expect(await status({ Origin: `http://${host}` })).toBe(200);
    expect(await status({ Origin: `http://127.0.0.1:${Number(port) + 1}` })).toBe(403);
    expect(await status({ Origin: 'http://127.0.0.1' })).toBe(403);
    expect(await status({ Origin: `https://${host}` })).toBe(403);
    expect(await status({ 'Sec-Fetch-Site': 'same-site' })).toBe(403);
    expect(await status({ 'Sec-Fetch-Site': 'same-origin' })).toBe(200);
  });

  it('is refused when it shows another shop, before anything is written', async () => {
    const headers = { [SHOP_HEADER]: randomUUID() };
    const body = { ...flask, name: 'of another shop' };
    expect(await ask('PUT', `/shop/flask/${randomUUID()}`, body, headers)).toMatchObject({
      status: 409,
      body: { error: { code: 'OTHER_SHOP' } },
    });
    const { lists }: ShopState = (await ask('GET', '/shop')).body;
    expect(lists.flask.map(({ name }) => name)).not.toContain('of another shop');
  });

  it('is told which shop answers, on refusals too', async () => {
    const { shopId }: ShopState = (await ask('GET', '/shop')).body;
    for (const at of ['/shop', '/nowhere', '/pours/seven'])
      expect((await fetch(`${test.shop.address}/api${at}`)).headers.get(SHOP_HEADER)).toBe(shopId);
  });
});
