// @vitest-environment happy-dom
import { BUILD_HEADER, SHOP_HEADER } from '@zero-pour/contracts';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { z } from 'zod';
import { FROM_CACHE } from '../../offline/answerApi';

const SHOP = 'shop-a';
let answer: () => Response;
let sent: RequestInit[];
let reloads: number;
let api: typeof import('./request');
const ours = (body: unknown, init: ResponseInit = {}, headers: Record<string, string> = {}): Response =>
  Response.json(body, { ...init, headers: { [SHOP_HEADER]: SHOP, ...headers } });
const ask = () => api.request(z.object({ n: z.number() }), 'GET', '/shop');
const failure = (): Promise<InstanceType<typeof api.RequestError>> => ask().then(
  () => expect.unreachable('it was answered'),
  (error) => error,
); // prettier-ignore

beforeEach(async () => {
  vi.resetModules();
  sessionStorage.clear();
  sent = [];
  reloads = 0;
  vi.stubEnv('PROD', true);
  vi.stubGlobal('__BUILD__', 'this build');
  vi.stubGlobal('location', { reload: () => reloads++ });
  vi.stubGlobal('fetch', async (_: string, init: RequestInit) => {
    sent.push(init);
    return answer();
  });
  document.body.innerHTML = '<input id="typed">';
  api = await import('./request');
});

describe('an answer', () => {
  it('of this shop and this build is taken, and the shop is named from then on', async () => {
    answer = () => ours({ n: 1 }, {}, { [BUILD_HEADER]: 'this build' });
    expect(await ask()).toEqual({ n: 1 });
    await ask();
    expect(sent.map(({ headers }) => (headers as Headers).get(SHOP_HEADER))).toEqual([null, SHOP]);
    expect(reloads).toBe(0);
  });

  it('tells how far this screen’s clock is off, unless it is a kept one', async () => {
    const { clockOffMs } = await import('../time/clockOff');
    const late = { Date: new Date(Date.now() - 3_600_000).toUTCString() };
    answer = () => ours({ n: 1 }, {}, { ...late, [FROM_CACHE]: 'yes' });
    await ask();
    expect(clockOffMs.value).toBe(0);
    answer = () => ours({ n: 1 }, {}, late);
    await ask();
    expect(Math.round(clockOffMs.value / 60_000)).toBe(60);
  });

  it.each([
    ['without a shop’s name', () => Response.json({ n: 1 }), true, false],
    ['that is a page of another program', () => new Response('<h1>Log in</h1>', { status: 404 }), true, false],
    ['that does not read', () => ours({ m: 1 }), true, false],
    ['that the disk is full', () => ours({ error: { code: 'DISK_FULL', sentence: 'Full.' } }, { status: 507 }), true, false],
    ['that something broke', () => ours({ error: { code: 'INTERNAL', sentence: 'Broke.' } }, { status: 500 }), false, true],
    ['that it cannot be kept', () => ours({ error: { code: 'BAD_REQUEST', sentence: 'No.' } }, { status: 422 }), false, false],
  ])('%s', async (_, given, isOutage, isStumble) => {
    answer = given;
    const error = await failure();
    expect([error.isOutage, error.isStumble]).toEqual([isOutage, isStumble]);
  }); // prettier-ignore

  it('to what was to be kept tells why nothing is, until something is kept', async () => {
    const { keepsNothing } = await import('./keepsNothing');
    const put = () => api.request(z.object({ n: z.number() }), 'PUT', '/settings', {}).catch(() => undefined);
    const refuse = (code: string, status: number) => () => ours({ error: { code, sentence: `${code}.` } }, { status }); // prettier-ignore
    answer = refuse('BAD_REQUEST', 422);
    await put();
    expect(keepsNothing.value).toBeUndefined();
    answer = refuse('DISK_FULL', 507);
    await ask().catch(() => undefined);
    expect(keepsNothing.value).toBeUndefined();
    for (const code of ['DISK_FULL', 'FOLDER_NOT_WRITTEN', 'DATABASE_STOPPED']) {
      answer = refuse(code, 503);
      await put();
      expect(keepsNothing.value).toBe(`${code}.`);
    }
    // What is read, refused for another reason, or not answered at all says nothing of it.
    answer = () => ours({ n: 1 });
    await ask();
    answer = refuse('STALE', 409);
    await put();
    answer = () => { throw new TypeError('no way there'); }; // prettier-ignore
    await put();
    expect(keepsNothing.value).toBe('DATABASE_STOPPED.');
    answer = () => ours({ n: 1 });
    await put();
    expect(keepsNothing.value).toBeUndefined();
  });

  it('of another shop is an outage, and the page loads anew as that one', async () => {
    answer = () => ours({ n: 1 });
    await ask();
    answer = () => ours({ n: 2 }, {}, { [SHOP_HEADER]: 'shop-b' });
    expect((await failure()).isOutage).toBe(true);
    expect(reloads).toBe(1);
  });
});

describe('a whole thing', () => {
  const put = (n: number) => api.request(z.object({ n: z.number() }), 'PUT', '/shop/flask/1', { n });
  const bases = () => sent.map(({ headers }) => (headers as Headers).get('If-Match'));

  it('is written over the state that was last seen of it', async () => {
    answer = () => ours({ n: 1 }, {}, { ETag: '"4"' });
    await put(1);
    await put(2);
    expect(bases()).toEqual([null, '"4"']);
  });

  it('that was changed meanwhile comes back with the other version, and is then known', async () => {
    answer = () =>
      ours(
        { error: { code: 'STALE', sentence: 'Changed.' }, stored: { n: 9 } },
        { status: 409 },
        { ETag: '"7"' },
      );
    const error = await put(1).catch((e: InstanceType<typeof api.RequestError>) => e);
    expect(error).toMatchObject({ code: 'STALE', stored: { n: 9 }, isOutage: false });
    await put(1).catch(() => undefined);
    expect(bases()).toEqual([null, '"7"']);
  });
});

describe('a page of an earlier build', () => {
  beforeEach(() => {
    answer = () => ours({ n: 1 }, {}, { [BUILD_HEADER]: 'the next build' });
  });

  it('loads itself anew, once: a page that stays old is not loaded for ever', async () => {
    await ask();
    await ask();
    expect(reloads).toBe(1);
    vi.resetModules();
    api = await import('./request');
    await ask();
    expect(reloads).toBe(1);
  });

  it('waits until the field that is typed into is left', async () => {
    document.getElementById('typed')!.focus();
    await ask();
    expect(reloads).toBe(0);
    document.getElementById('typed')!.dispatchEvent(new FocusEvent('focusout', { bubbles: true }));
    await expect.poll(() => reloads).toBe(1);
  });

  it('is not told by what the browser kept of an earlier answer', async () => {
    answer = () => ours({ n: 1 }, {}, { [BUILD_HEADER]: 'an old build', 'Zero-Pour-From-Cache': 'yes' });
    await ask();
    expect(reloads).toBe(0);
    // But whose page it is, that tells: another shop that answers next is not written into.
    await ask();
    expect((sent[1]!.headers as Headers).get(SHOP_HEADER)).toBe(SHOP);
  });
});
