import { randomUUID } from 'node:crypto';
import { readFile, stat } from 'node:fs/promises';
import { createServer } from 'node:net';
import { request as httpsRequest } from 'node:https';
import path from 'node:path';
import { emptyPourDoc, type NetworkState, type ToldChange } from '@zero-pour/contracts';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { openTestShop, type TestShop } from '../testing/testShop';
import { certificateFor } from './certificate';
import { hashPasscode, isPasscode } from './passcode';
import { Sessions } from './sessions';

const PASSCODE = 'gannet yard 7';
let test: TestShop;
let port: number;
let ca: string;

const freePort = (): Promise<number> =>
  new Promise((resolve) => {
    const server = createServer().listen(0, '127.0.0.1', () => {
      const { port: free } = server.address() as { port: number };
      server.close(() => resolve(free));
    });
  });

interface Asked {
  status: number;
  cookie: string | undefined;
  body: string;
}
/** Asks over the network as a browser on the page does; what is given goes over the usual headers. */
function ask(
  method: string,
  at: string,
  body?: unknown,
  headers: Record<string, string | undefined> = {},
): Promise<Asked> {
  const usual: Record<string, string | undefined> = {
    Host: `127.0.0.1:${port}`,
    ...(method === 'GET' ? {} : { Origin: `https://127.0.0.1:${port}` }),
    'Sec-Fetch-Site': 'same-origin',
    'Content-Type': 'application/json',
  };
  const sent = Object.entries({ ...usual, ...headers }).filter(
    (entry): entry is [string, string] => entry[1] !== undefined,
  );
  return new Promise((resolve, reject) => {
    const asked = httpsRequest(
      {
        host: '127.0.0.1',
        port,
        path: at,
        method,
        ca,
        agent: false,
        servername: '',
        headers: Object.fromEntries(sent),
      },
      (response) => {
        let text = '';
        response.on('data', (chunk: Buffer) => (text += chunk.toString()));
        response.on('error', reject);
        response.on('end', () =>
          resolve({ status: response.statusCode!, cookie: response.headers['set-cookie']?.[0], body: text }),
        );
      },
    );
    asked.on('error', reject);
    asked.end(body === undefined ? undefined : JSON.stringify(body));
  });
}
const signIn = (passcode: string, name = 'bench phone') => ask('POST', '/api/sign-in', { passcode, name });
const holding = (asked: Asked) => ({ Cookie: asked.cookie!.split(';')[0]! });
const state = async (): Promise<NetworkState> => (await test.ask('GET', '/network')).body;
const turnOn = (address = '127.0.0.1') => test.ask('PUT', '/network/on', { address, port });

beforeAll(async () => {
  test = await openTestShop();
  port = await freePort();
});
afterAll(() => test.close());

describe('the network', () => {
  it('is off until somebody turns it on, and not without a passcode', async () => {
    expect(await state()).toMatchObject({ url: null, hasPasscode: false, devices: [] });
    expect((await turnOn()).body).toMatchObject({ error: { code: 'PASSCODE_FIRST' } });
    expect((await test.ask('PUT', '/network/passcode', { passcode: 'short' })).status).toBe(422);
    await expect(ask('GET', '/')).rejects.toThrow('ECONNREFUSED');
  });

  it('opens on an address of this machine only, over HTTPS with its own certificate', async () => {
    await test.ask('PUT', '/network/passcode', { passcode: PASSCODE });
    expect((await turnOn('192.0.2.77')).body).toMatchObject({ error: { code: 'ADDRESS_NOT_HERE' } });
    expect((await turnOn()).body).toMatchObject({ url: `https://127.0.0.1:${port}/`, trouble: null });
    ca = await readFile(path.join(test.folder, 'network/cert.pem'), 'utf8');
    expect((await state()).fingerprint).toMatch(/^([0-9A-F]{2}:){31}[0-9A-F]{2}$/);
    // The page itself tells nothing of the shop; here it is not built.
    expect((await ask('GET', '/')).status).toBe(503);
    expect((await stat(path.join(test.folder, 'network/key.pem'))).mode & 0o077).toBe(0);
  });

  it('keeps the passcode as a hash alone', async () => {
    const { rows } = await test.shop.services.db.query('SELECT * FROM network_door');
    expect(JSON.stringify(rows)).not.toContain('gannet');
  });

  it('says why when its port is taken', async () => {
    const taken = createServer();
    await new Promise<void>((resolve) => taken.listen(0, '127.0.0.1', resolve));
    const other = (taken.address() as { port: number }).port;
    const answer = await test.ask('PUT', '/network/on', { address: '127.0.0.1', port: other });
    expect(answer.body).toMatchObject({
      url: null,
      trouble: expect.stringContaining('Another program') as unknown,
    });
    taken.close();
    expect((await turnOn()).body).toMatchObject({ trouble: null });
  });
});

describe('over the network', () => {
  it('nothing is told without a session', async () => {
    for (const at of [
      '/api/shop',
      '/api/pours',
      '/api/changes',
      '/api/health',
      '/api/blobs/abc',
      '/api/nothing',
    ])
      expect(await ask('GET', at)).toMatchObject({ status: 401 });
    expect((await ask('POST', '/api/demo', {})).status).toBe(401);
    expect(await ask('GET', '/api/shop', undefined, { Cookie: '__Host-zero-pour=made-up' })).toMatchObject({
      status: 401,
    });
  });

  it('the passcode opens the shop, and its cookie is bound to the address and out of scripts’ reach', async () => {
    const signed = await signIn(PASSCODE);
    expect(signed.status).toBe(204);
    expect(signed.cookie).toMatch(/^__Host-zero-pour=[\w-]{43};/);
    for (const part of ['Secure', 'HttpOnly', 'SameSite=Strict', 'Path=/'])
      expect(signed.cookie).toContain(part);
    expect(await ask('GET', '/api/shop', undefined, holding(signed))).toMatchObject({ status: 200 });
    expect((await state()).devices).toMatchObject([{ name: 'bench phone' }]);
  });

  it('another name, another site’s page and another port are refused, with a good session too', async () => {
    const held = holding(await signIn(PASSCODE));
    const refused = async (headers: Record<string, string | undefined>, method = 'GET') =>
      (await ask(method, '/api/shop', undefined, { ...held, ...headers })).status;
    expect(await refused({ Host: `zero-pour.example:${port}` })).toBe(403);
    expect(await refused({ Host: '127.0.0.1' })).toBe(403);
    expect(await refused({ Origin: 'https://elsewhere.example' })).toBe(403);
    expect(await refused({ Origin: `http://127.0.0.1:${port}` })).toBe(403);
    expect(await refused({ Origin: `https://127.0.0.1:${port + 1}` })).toBe(403);
    expect(await refused({ 'Sec-Fetch-Site': 'cross-site' })).toBe(403);
    expect(await refused({ 'Sec-Fetch-Site': 'same-site' })).toBe(403);
    const unnamed = await ask(
      'POST',
      '/api/sign-in',
      { passcode: PASSCODE, name: '' },
      { Origin: undefined },
    );
    expect(unnamed.status).toBe(403);
  });

  it('how it is set up is neither told nor changed', async () => {
    const held = holding(await signIn(PASSCODE));
    for (const [method, at] of [
      ['GET', '/api/network'],
      ['PUT', '/api/network/passcode'],
      ['DELETE', '/api/network/on'],
      ['DELETE', '/api/network/devices'],
    ] as const)
      expect(
        await ask(method, at, method === 'PUT' ? { passcode: 'mine alone' } : undefined, held),
      ).toMatchObject({ status: 403 });
    expect((await signIn(PASSCODE)).status).toBe(204);
  });

  it('a session that was signed out or ended opens nothing any more, however often it is shown', async () => {
    const [one, two] = [await signIn(PASSCODE, 'one'), await signIn(PASSCODE, 'two')];
    expect((await ask('POST', '/api/sign-out', {}, holding(one))).status).toBe(204);
    for (let n = 0; n < 2; n++)
      expect((await ask('GET', '/api/shop', undefined, holding(one))).status).toBe(401);
    const { id } = (await state()).devices.find(({ name }) => name === 'two')!;
    expect((await ask('GET', '/api/shop', undefined, holding(two))).status).toBe(200);
    await test.ask('DELETE', `/network/devices/${id}`);
    expect((await ask('GET', '/api/shop', undefined, holding(two))).status).toBe(401);
  });

  it('ending all ends what they listen to, and a new passcode does too', async () => {
    const held = holding(await signIn(PASSCODE));
    const cut = ask('GET', '/api/changes', undefined, held).then(
      () => 'ended',
      () => 'ended',
    );
    const soon = new Promise((resolve) => setTimeout(() => resolve('goes on'), 300));
    expect(await Promise.race([cut, soon])).toBe('goes on');
    expect((await test.ask('DELETE', '/network/devices')).body).toMatchObject({ devices: [] });
    expect(await cut).toBe('ended');
    const again = holding(await signIn(PASSCODE));
    await test.ask('PUT', '/network/passcode', { passcode: PASSCODE });
    expect((await ask('GET', '/api/shop', undefined, again)).status).toBe(401);
  });

  const countAnew = async (): Promise<void> => {
    await test.ask('DELETE', '/network/on');
    await turnOn();
  };

  it('wrong codes are counted, and after five of them the right one is not looked at either', async () => {
    await countAnew();
    for (let n = 0; n < 5; n++) expect((await signIn(`wrong code ${n}`)).status).toBe(403);
    const late = await signIn(PASSCODE);
    expect([late.status, JSON.parse(late.body)]).toMatchObject([429, { error: { code: 'TOO_MANY_TRIES' } }]);
    // Turned off and on again it counts anew: only somebody at this machine can do that.
    await test.ask('DELETE', '/network/on');
    await expect(signIn(PASSCODE)).rejects.toThrow('ECONNREFUSED');
    await turnOn();
    expect((await signIn(PASSCODE)).status).toBe(204);
  });

  it('wrong codes that come all at once are counted before any is looked at', async () => {
    await countAnew();
    const all = await Promise.all(Array.from({ length: 12 }, (_, n) => signIn(`guess ${n}`)));
    expect(all.filter(({ status }) => status === 403)).toHaveLength(5);
    expect(all.filter(({ status }) => status === 429)).toHaveLength(7);
  });
});

describe('what others keep', () => {
  it('is told to all pages, in order, with the window that did it', async () => {
    const told: ToldChange[] = [];
    const stop = test.shop.services.changes.listen((change) => told.push(change));
    const id = randomUUID();
    await test.ask('POST', '/pours', { id, doc: emptyPourDoc() });
    await test.ask('PATCH', `/pours/${id}`, { changes: [{ path: ['brief', 'note'], value: 'x', version: 2 }] }, { 'Zero-Pour-Window': 'w1' }); // prettier-ignore
    await test.ask('PATCH', `/pours/${id}`, { changes: 'none' });
    await test.ask('GET', '/shop');
    await expect.poll(() => told).toHaveLength(2);
    stop();
    expect(told[1]).toMatchObject({ at: `/pours/${id}`, by: 'w1', count: told[0]!.count + 1 });
  });

  it('arrives as server-sent events that begin with how far it is', async () => {
    const going = new AbortController();
    const { body } = await fetch(`${test.shop.address}/api/changes`, { signal: going.signal });
    const reader = body!.pipeThrough(new TextDecoderStream()).getReader();
    const read = async () => JSON.parse((await reader.read()).value!.replace(/^data: /, '')) as ToldChange;
    const first = await read();
    await test.ask('POST', '/pours', { id: randomUUID(), doc: emptyPourDoc() });
    expect(await read()).toEqual({ ...first, count: first.count + 1, at: '/pours' });
    going.abort();
  });
});

describe('sessions', () => {
  it('end by themselves: after a month, and when they are not used for ten days', async () => {
    let now = Date.parse('2026-11-24T08:00:00Z');
    const days = (n: number): void => void (now += n * 86_400_000);
    const sessions = new Sessions(test.shop.services.db, () => new Date(now));
    const [used, idle] = [await sessions.begin('used'), await sessions.begin('idle')];
    for (const later of [9, 9, 9]) {
      days(later);
      expect(await sessions.find(used)).toBeDefined();
    }
    expect(await sessions.find(idle)).toBeUndefined();
    days(4);
    expect(await sessions.find(used)).toBeUndefined();
  });
});

describe('the certificate', () => {
  it('is kept while it holds, and made anew for another address, or when it is old or damaged', async () => {
    const folder = path.join(test.folder, 'certificates');
    const now = new Date();
    const first = await certificateFor(folder, '127.0.0.1', now);
    expect(await certificateFor(folder, '127.0.0.1', now)).toEqual(first);
    const other = await certificateFor(folder, '127.0.0.2', now);
    expect(other.fingerprint).not.toBe(first.fingerprint);
    const inAYear = new Date(now.getTime() + 370 * 86_400_000);
    expect((await certificateFor(folder, '127.0.0.2', inAYear)).fingerprint).not.toBe(other.fingerprint);
  });
});

describe('a passcode', () => {
  it('is itself alone, whatever keyboard typed its marks', async () => {
    const kept = await hashPasscode('Flüsse ok');
    expect(await isPasscode('Flu\u0308sse ok', kept)).toBe(true);
    expect(await isPasscode('Flusse ok', kept)).toBe(false);
    expect(await isPasscode('Flüsse ok', 'plain:Flüsse ok')).toBe(false);
    expect(await hashPasscode('Flüsse ok')).not.toBe(kept);
  });
});
