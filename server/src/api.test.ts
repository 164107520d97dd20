import { createHash, randomBytes, randomUUID } from 'node:crypto';
import { existsSync } from 'node:fs';
import { readdir, readFile } from 'node:fs/promises';
import { request } from 'node:http';
import path from 'node:path';
import { emptyPourDoc, ERRORS, type ChangedPour, type Pour, type ShopState } from '@zero-pour/contracts';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { openTestShop, type TestShop } from './testing/testShop';

let test: TestShop;
let ask: TestShop['ask'];
beforeAll(async () => {
  test = await openTestShop();
  ask = test.ask;
});
afterAll(() => test.close());

const flask = (name: string) => ({
  name,
  innerDiameterMm: 76,
  heightMm: 102,
  coneDiameterMm: 25,
  coneHeightMm: 12,
  perforated: false,
  note: '',
});
const hashOf = (bytes: Uint8Array): string => createHash('sha256').update(bytes).digest('hex');
const measure = {
  format: 'obj', unitMm: 1, triangles: 12, vertices: 8, closed: true, openEdges: 0, crowdedEdges: 0, turnedEdges: 0, degenerate: 0,
  shells: 1, inwardShells: 0, reversed: false, sizeMm: [10, 10, 10], areaMm2: 600, volumeMm3: 1000, volumePlusMinusMm3: 0, bodySumMm3: 1000, overlapMm3: 0, supportPointsMm: [0, 0, 0, 10, 10, 10],
}; // prettier-ignore

async function newPattern(name: string): Promise<string> {
  const bytes = new TextEncoder().encode(`v 0 0 0 # ${name}`);
  const id = randomUUID();
  await ask('PUT', `/blobs/${hashOf(bytes)}`, bytes);
  const { status } = await ask('POST', '/patterns', {
    id,
    name,
    fileName: 'a.obj',
    fileHash: hashOf(bytes),
    measure,
    note: '',
    formerId: null,
    classOverride: null,
  });
  expect(status).toBe(201);
  return id;
}
async function newPour(change: (doc: ReturnType<typeof emptyPourDoc>) => void = () => {}): Promise<Pour> {
  const doc = emptyPourDoc();
  change(doc);
  const { body } = await ask('POST', '/pours', { id: randomUUID(), doc });
  return body;
}

const POURED = ['flasks', 'f1', 'pour', 'pouredAt'];

describe('an empty shop', () => {
  it('is well and has nothing in it', async () => {
    expect((await ask('GET', '/health')).body).toMatchObject({ status: 'ok', migrations: 32 });
    const state: ShopState = (await ask('GET', '/shop')).body;
    expect([state.patterns, state.openPours, state.lists.flask]).toEqual([[], [], []]);
  });
});

describe('things of the shop', () => {
  it('are kept, changed and listed by name, numbers as numbers', async () => {
    const id = randomUUID();
    await ask('PUT', `/shop/flask/${id}`, flask('b flask'));
    await ask('PUT', `/shop/flask/${randomUUID()}`, flask('A flask'));
    const changed = await ask('PUT', `/shop/flask/${id}`, { ...flask('b flask'), heightMm: 101.6 });
    expect(changed.body).toMatchObject({ id, ...flask('b flask'), heightMm: 101.6 });
    const state: ShopState = (await ask('GET', '/shop')).body;
    expect(state.lists.flask.map((f) => f.name)).toEqual(['A flask', 'b flask']);
  });

  it.each([
    ['a name twice', flask('A flask'), 409, 'NAME_TAKEN'],
    ['a negative height', { ...flask('c'), heightMm: -1 }, 422, 'BAD_REQUEST'],
    ['a misspelt field', { ...flask('c'), hight: 3 }, 422, 'BAD_REQUEST'],
    ['half a flask', { name: 'c' }, 422, 'BAD_REQUEST'],
  ])('refuse %s', async (_, body, status, code) => {
    expect(await ask('PUT', `/shop/flask/${randomUUID()}`, body)).toMatchObject({
      status,
      body: { error: { code } },
    });
  });

  it('cannot be taken out while a pour names them', async () => {
    const id = randomUUID();
    await ask('PUT', `/shop/flask/${id}`, flask('in use'));
    const pour = await newPour((doc) => void (doc.flasks[0]!.sprue.flaskId = id));
    expect(await ask('DELETE', `/shop/flask/${id}`)).toMatchObject({
      status: 409,
      body: { error: { code: 'STILL_USED' } },
    });
    await ask('PATCH', `/pours/${pour.id}`, {
      changes: [{ path: ['flasks', 'f1', 'sprue', 'flaskId'], value: null, version: 2 }],
    });
    expect((await ask('DELETE', `/shop/flask/${id}`)).status).toBe(204);
  });

  it('keep the settings', async () => {
    const state: ShopState = (await ask('GET', '/shop')).body;
    const settings = { ...state.settings, currency: 'kr', newMetalPercent: 60 };
    await ask('PUT', '/settings', settings);
    expect(((await ask('GET', '/shop')).body as ShopState).settings).toEqual(settings);
  });
});

describe('bytes', () => {
  const bytes = new Uint8Array(randomBytes(100_000));
  const files = async (): Promise<string[]> =>
    (await readdir(path.join(test.folder, 'files'), { recursive: true })).map(String);

  it('are kept under their hash, whole, and handed out unchanged', async () => {
    const hash = hashOf(bytes);
    expect((await ask('PUT', `/blobs/${hash}`, bytes)).body).toEqual({ hash, bytes: 100_000 });
    expect((await ask('PUT', `/blobs/${hash}`, bytes)).status).toBe(201);
    const back = await fetch(`${test.shop.address}/api/blobs/${hash}`);
    expect(hashOf(new Uint8Array(await back.arrayBuffer()))).toBe(hash);
    expect(hashOf(await readFile(path.join(test.folder, 'files', hash.slice(0, 2), hash)))).toBe(hash);
  });

  it('that changed on the way leave nothing behind', async () => {
    const hash = hashOf(Uint8Array.of(1));
    expect(await ask('PUT', `/blobs/${hash}`, bytes)).toMatchObject({
      status: 422,
      body: { error: { code: 'HASH_MISMATCH' } },
    });
    expect((await ask('GET', `/blobs/${hash}`)).status).toBe(404);
    expect((await files()).filter((name) => name.includes(hash) || name.includes('partial'))).toEqual([]);
  });

  it('cut off half-way leave nothing behind', async () => {
    const hash = hashOf(bytes.subarray(1));
    await new Promise<void>((resolve) => {
      const sent = request(`${test.shop.address}/api/blobs/${hash}`, {
        method: 'PUT',
        headers: { 'Content-Length': '99999' },
      });
      sent.on('error', () => resolve());
      sent.write(bytes.subarray(1, 5000), () => setTimeout(() => sent.destroy(), 50));
    });
    await new Promise((resolve) => setTimeout(resolve, 200));
    expect((await files()).filter((name) => name.includes(hash) || name.includes('partial'))).toEqual([]);
  });

  it('that are no picture are never shown as one', async () => {
    const page = new TextEncoder().encode('<script>1</script>');
    await ask('PUT', `/blobs/${hashOf(page)}`, page, { 'Content-Type': 'text/html' });
    const back = await fetch(`${test.shop.address}/api/blobs/${hashOf(page)}`);
    expect([back.headers.get('content-type'), back.headers.get('x-content-type-options')]).toEqual([
      'application/octet-stream',
      'nosniff',
    ]);
  });

  it('must be there before a pattern names them', async () => {
    const lost = {
      id: randomUUID(),
      name: 'lost',
      fileName: 'a.obj',
      fileHash: hashOf(Uint8Array.of(9)),
      measure,
      note: '',
      formerId: null,
      classOverride: null,
    };
    expect((await ask('POST', '/patterns', lost)).status).toBe(404);
  });
});

describe('pours', () => {
  it('get the next number, once, however often they are sent', async () => {
    const first = await newPour();
    const again = await ask('POST', '/pours', { id: first.id, doc: first.doc });
    expect((again.body as Pour).number).toBe(first.number);
    expect((await newPour()).number).toBe(first.number + 1);
  });

  it('take single fields, also from two windows at once', async () => {
    const { id } = await newPour();
    await Promise.all([
      ask('PATCH', `/pours/${id}`, { changes: [{ path: ['brief', 'note'], value: 'harbour' }] }),
      ask('PATCH', `/pours/${id}`, { changes: [{ path: ['scale', 'percent'], value: 101.2 }] }),
    ]);
    const { doc }: Pour = (await ask('GET', `/pours/${id}`)).body;
    expect([doc.brief.note, doc.scale.percent]).toEqual(['harbour', 101.2]);
  });

  it.each([
    ['a value out of range', ['print', 'spares'], -2, 'BAD_REQUEST'],
    ['a field that is not there', ['print', 'spare'], 2, 'BAD_REQUEST'],
    ['a flask that is not there', ['sprue', 'flaskId'], randomUUID(), 'NOT_FOUND'],
    [
      'a pattern that is not there',
      ['brief', 'patterns'],
      [{ patternId: randomUUID(), count: 1 }],
      'NOT_FOUND',
    ],
    ['another format', ['format'], 'zero-pour/shop', 'BAD_REQUEST'],
  ])('refuse %s and stay as they were', async (_, at, value, code) => {
    const { id, doc } = await newPour();
    expect((await ask('PATCH', `/pours/${id}`, { changes: [{ path: at, value }] })).body).toMatchObject({
      refused: [{ code }],
    });
    expect(((await ask('GET', `/pours/${id}`)).body as Pour).doc).toEqual(doc);
  });

  it('keep what they were made with when the metal is poured, and let it go when that is taken back', async () => {
    const id = randomUUID();
    await ask('PUT', `/shop/flask/${id}`, flask('as poured'));
    const pour = await newPour((doc) => void (doc.flasks[0]!.sprue.flaskId = id));
    await ask('PATCH', `/pours/${pour.id}`, {
      changes: [{ path: POURED, value: new Date().toISOString(), version: 2 }],
    });
    await ask('PUT', `/shop/flask/${id}`, { ...flask('as poured'), heightMm: 60 });
    const poured: Pour = (await ask('GET', `/pours/${pour.id}`)).body;
    expect(poured.used?.flasks?.['f1']?.heightMm).toBe(102);
    const back = await ask('PATCH', `/pours/${pour.id}`, {
      changes: [{ path: POURED, value: null, version: 2 }],
    });
    expect((back.body as ChangedPour).pour.used).toBeUndefined();
  });

  it('are put aside and taken back', async () => {
    const { id } = await newPour();
    const isOpen = async () =>
      ((await ask('GET', '/shop')).body as ShopState).openPours.some((p) => p.id === id);
    await ask('PUT', `/pours/${id}/discarded`, { discarded: true });
    expect(await isOpen()).toBe(false);
    await ask('PUT', `/pours/${id}/discarded`, { discarded: false });
    expect(await isOpen()).toBe(true);
  });

  it('are found by number, pattern and flaw, a page at a time', async () => {
    const patternId = await newPattern('Tern brooch');
    const casting = {
      outcome: 'scrap' as const,
      flaws: [{ kind: 'cold shut' as const, place: 'wing' }],
      photos: [],
    };
    const pour = await newPour((doc) => {
      doc.brief.lines = [{ key: 'l1', patternId, count: 1 }];
      doc.result.castings = { 'l1/1': casting };
    });
    const numbers = async (query: string) =>
      ((await ask('GET', `/pours?${query}`)).body as { pours: Pour[]; total: number }).pours.map(
        (p) => p.number,
      );
    expect(await numbers('text=tern')).toEqual([pour.number]);
    expect(await numbers('flaw=cold%20shut')).toEqual([pour.number]);
    expect(await numbers('flaw=nodule')).toEqual([]);
    expect(await numbers('limit=1&offset=0')).toEqual([pour.number]);
    const hits = ((await ask('GET', '/find?words=TERN')).body as { hits: { kind: string; title: string }[] })
      .hits;
    expect(hits.map((h) => h.kind)).toEqual(['pour', 'pattern']);
    expect(((await ask('GET', '/find?words=%25')).body as { hits: unknown[] }).hits).toEqual([]);
  });
});

describe('what comes over the border', () => {
  it('answers every failure in one shape with a known code', async () => {
    const answers = await Promise.all([
      ask('GET', '/nowhere'),
      ask('GET', `/pours/${randomUUID()}`),
      ask('GET', '/pours/seven'),
      ask('POST', '/pours', { id: 1 }),
      ask('PUT', `/shop/teapot/${randomUUID()}`, {}),
      fetch(`${test.shop.address}/api/pours`, {
        method: 'POST',
        body: '{"id":',
        headers: { 'Content-Type': 'application/json' },
      }).then(async (r) => ({ status: r.status, body: await r.json() })),
      ask('POST', '/pours', { id: 'x'.repeat(3_000_000) }),
    ]);
    for (const { status, body } of answers) {
      const { code, sentence } = (body as { error: { code: keyof typeof ERRORS; sentence: string } }).error;
      expect(ERRORS[code].status).toBe(status);
      expect(sentence).toMatch(/\.$/);
    }
    expect(answers.map((a) => a.status)).toEqual([404, 404, 422, 422, 422, 400, 413]);
  });

  it('refuses pages and names that are not ours', async () => {
    expect((await ask('POST', '/demo', undefined, { Origin: 'http://elsewhere.example' })).status).toBe(403);
    const foreignHost = await new Promise<number>((resolve) => {
      const { port } = new URL(test.shop.address);
      request({ port, path: '/api/shop', headers: { Host: 'elsewhere.example' } }, (r) =>
        resolve(r.statusCode ?? 0),
      ).end();
    });
    expect(foreignHost).toBe(403);
  });

  it('does not put the demo into a shop that has things in it', async () => {
    expect(await ask('POST', '/demo')).toMatchObject({
      status: 409,
      body: { error: { code: 'SHOP_NOT_EMPTY' } },
    });
  });

  it('says so when the page is not built', async () => {
    expect(existsSync(path.join(test.folder, 'no-page'))).toBe(false);
    expect((await fetch(`${test.shop.address}/`)).status).toBe(503);
  });
});
