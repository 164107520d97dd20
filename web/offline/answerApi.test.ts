import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { answerApi, cacheOf, CACHED_READS, firstReads, FROM_CACHE } from './answerApi';

/** A cache that is a map, since Node has none. */
class FakeCache {
  readonly kept = new Map<string, string>();
  async put(address: string, answer: Response): Promise<void> {
    this.kept.set(address, await answer.text());
  }
  async match(address: string): Promise<Response | undefined> {
    const text = this.kept.get(address);
    return text === undefined ? undefined : new Response(text);
  }
}
const ORIGIN = 'http://127.0.0.1:4680';
const ask = (address: string): Promise<Response> => answerApi(new Request(`${ORIGIN}${address}`));
const bodyOf = async (address: string): Promise<unknown> => (await ask(address)).json();

const SHOP = 'shop-a';
let stores: Map<string, FakeCache>;
let answering: string | null;
let cache: FakeCache;
let answers: Record<string, unknown> | undefined;
beforeEach(async () => {
  stores = new Map();
  answering = SHOP;
  const open = async (name: string): Promise<FakeCache> => {
    if (!stores.has(name)) stores.set(name, new FakeCache());
    return stores.get(name)!;
  };
  cache = await open(cacheOf(SHOP));
  vi.stubGlobal('caches', { open });
  vi.stubGlobal('fetch', async (request: Request) => {
    if (!answers) throw new TypeError('no answer');
    const body = answers[new URL(request.url).pathname];
    const headers: HeadersInit = answering === null ? {} : { 'Zero-Pour-Shop': answering };
    return body === undefined
      ? new Response('none', { status: 500, headers })
      : Response.json(body, { headers });
  });
});
afterEach(() => vi.unstubAllGlobals());

const pour = (id: string, changedAt: string, note = '') => ({ id, changedAt, note });

describe('reads of the API', () => {
  it('are those that show the board, a pour and the bench, and no files', () => {
    const id = '5f1c2a30-8a0e-4c55-9d3b-1a2b3c4d5e6f';
    for (const address of ['/api/shop', '/api/prints', `/api/pours/${id}`])
      expect(CACHED_READS.test(address)).toBe(true);
    for (const address of ['/api/blobs/abc', '/api/pours', '/api/health', `/api/pours/${id}/discarded`])
      expect(CACHED_READS.test(address)).toBe(false);
  });

  it('are answered by Zero Pour while it is there, and from what was last read while it is not', async () => {
    answers = { '/api/shop': { openPours: [], n: 1 } };
    expect(await bodyOf('/api/shop')).toEqual({ openPours: [], n: 1 });
    answers = { '/api/shop': { openPours: [], n: 2 } };
    expect(await bodyOf('/api/shop')).toEqual({ openPours: [], n: 2 });
    answers = undefined;
    expect(await bodyOf('/api/shop')).toEqual({ openPours: [], n: 2 });
  });

  it('keep no refusal in the place of an answer', async () => {
    answers = { '/api/sizes': [1] };
    await ask('/api/sizes');
    answers = {};
    expect((await ask('/api/sizes')).status).toBe(500);
    answers = undefined;
    expect(await bodyOf('/api/sizes')).toEqual([1]);
  });

  it('fail as without a network for what was never read', async () => {
    answers = undefined;
    expect((await ask('/api/records')).type).toBe('error');
    expect((await ask('/api/shop')).type).toBe('error');
  });
});

describe('two shops on one port', () => {
  it('are kept apart: away, it is the last one that is shown', async () => {
    answers = { '/api/shop': { openPours: [], of: 'a' } };
    await ask('/api/shop');
    answering = 'shop-b';
    answers = { '/api/shop': { openPours: [], of: 'b' } };
    await ask('/api/shop');
    answers = undefined;
    expect(await bodyOf('/api/shop')).toEqual({ openPours: [], of: 'b' });
    expect(JSON.parse(cache.kept.get('/api/shop')!)).toEqual({ openPours: [], of: 'a' });
  });

  it('an answer that is not Zero Pour’s counts as none, and is not kept', async () => {
    answers = { '/api/shop': { openPours: [], of: 'a' } };
    await ask('/api/shop');
    answering = null;
    answers = { '/api/shop': { login: true } };
    const shown = await ask('/api/shop');
    expect(shown.headers.get(FROM_CACHE)).toBe('yes');
    expect(shown.headers.get('Zero-Pour-Shop')).toBe(SHOP);
    expect(await shown.json()).toEqual({ openPours: [], of: 'a' });
  });
});

describe('pours while Zero Pour is away', () => {
  it('are as they were last changed here, also on the board', async () => {
    answers = { '/api/shop': { openPours: [pour('a', '2026-11-20'), pour('b', '2026-11-20')] } };
    await ask('/api/shop');
    await cache.put('/api/pours/a', Response.json(pour('a', '2026-11-21', 'ticked since')));
    await cache.put('/api/pours/b', Response.json(pour('b', '2026-11-19', 'older')));
    answers = undefined;
    const { openPours } = (await bodyOf('/api/shop')) as { openPours: unknown[] };
    expect(openPours).toEqual([pour('a', '2026-11-21', 'ticked since'), pour('b', '2026-11-20')]);
  });

  it('that were never opened are those of the board', async () => {
    answers = { '/api/shop': { openPours: [pour('c', '2026-11-20')] } };
    await ask('/api/shop');
    answers = undefined;
    expect(await bodyOf('/api/pours/c')).toEqual(pour('c', '2026-11-20'));
    expect((await ask('/api/pours/d')).type).toBe('error');
  });
});

it('reads everything once when it is installed, since the page read before it was there', async () => {
  vi.stubGlobal('Request', class extends Request {
    constructor(address: string) {
      super(address.startsWith('/') ? `${ORIGIN}${address}` : address);
    }
  }); // prettier-ignore
  answers = { '/api/shop': { openPours: [] }, '/api/prints': [], '/api/sizes': [] };
  await firstReads();
  expect([...cache.kept.keys()].sort()).toEqual(['/api/prints', '/api/shop', '/api/sizes']);
});
