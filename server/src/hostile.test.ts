import { randomUUID } from 'node:crypto';
import { Socket } from 'node:net';
import { emptyPourDoc, type Pour, type PourList } from '@zero-pour/contracts';
import { afterAll, beforeAll, describe, expect, it, vi } from 'vitest';
import { openTestShop, type TestShop } from './testing/testShop';

let test: TestShop;
beforeAll(async () => {
  test = await openTestShop();
  await test.ask('POST', '/demo');
});
afterAll(() => test.close());

describe('what comes from outside', () => {
  it('nested five thousand deep is refused with a sentence, and others are answered', async () => {
    const deep = `${'{"a":'.repeat(5000)}1${'}'.repeat(5000)}`;
    const [answer, other] = await Promise.all([
      fetch(`${test.shop.address}/api/pours`, { method: 'POST', headers: { 'Content-Type': 'application/json' }, body: deep }), // prettier-ignore
      test.ask('GET', '/health'),
    ]);
    expect(answer.status).toBe(422);
    expect(((await answer.json()) as { error: { sentence: string } }).error.sentence).toContain(
      'nested too deep',
    );
    expect(other.status).toBe(200);
  });

  it.each(['%', '_', '\\', '%%', 'a_b'])('“%s” is looked for as it stands', async (text) => {
    const id = randomUUID();
    const doc = emptyPourDoc();
    doc.brief.note = `there is ${text} in it`;
    await test.ask('POST', '/pours', { id, doc });
    const found = (await test.ask('GET', `/pours?limit=50&text=${encodeURIComponent(text)}`))
      .body as PourList;
    const all = (await test.ask('GET', '/pours?limit=50')).body as PourList;
    expect(found.total).toBeLessThan(all.total);
    const said = (pour: Pour): string => JSON.stringify(pour).replaceAll('\\\\', '\\');
    expect(found.pours.every((pour) => said(pour).includes(text))).toBe(true);
    expect((await test.ask('GET', `/find?words=${encodeURIComponent(text)}`)).status).toBe(200);
  });

  it('gets pages that load nothing from elsewhere, sit in no frame, and send forms nowhere else', async () => {
    const { headers } = await fetch(`${test.shop.address}/api/health`);
    const policy = Object.fromEntries(headers.get('content-security-policy')!.split(';').map((part) => { const [name, ...values] = part.trim().split(' '); return [name, values.join(' ')]; })); // prettier-ignore
    expect(policy).toMatchObject({
      'default-src': "'self'",
      'base-uri': "'none'",
      'form-action': "'self'",
      'frame-ancestors': "'none'",
      'object-src': "'none'",
    });
    expect(policy['script-src']).not.toMatch(/unsafe-inline|https?:|\*/);
    expect(headers.get('x-content-type-options')).toBe('nosniff');
    expect(headers.get('x-powered-by')).toBeNull();
  });
});

describe('what goes outside', () => {
  it('is nothing: a shop that is begun, asked and backed up speaks to this machine alone', async () => {
    const called: string[] = [];
    const connect = Socket.prototype.connect as (this: Socket, ...args: unknown[]) => Socket;
    const spy = vi.spyOn(Socket.prototype, 'connect').mockImplementation(function (
      this: Socket,
      ...args: unknown[]
    ) {
      const [to] = (Array.isArray(args[0]) ? args[0] : args) as unknown[];
      const { path: at, host } = (typeof to === 'object' ? to : {}) as { path?: string; host?: string };
      called.push(at ?? host ?? 'localhost');
      return connect.apply(this, args);
    } as typeof Socket.prototype.connect);
    const own = await openTestShop();
    try {
      await own.ask('POST', '/demo');
      for (const at of ['/shop', '/prices', '/about', '/safety', '/tables', '/records', '/prints', '/sizes', '/devices', '/pours?limit=20', '/find?words=sterling']) expect((await own.ask('GET', at)).status).toBe(200); // prettier-ignore
      await own.ask('POST', '/safekeeping/backup', {});
    } finally {
      await own.close();
      spy.mockRestore();
    }
    const elsewhere = called.filter((to) => !/^(127\.0\.0\.1|localhost|::1)$|^\0|^\//.test(to));
    expect(elsewhere).toEqual([]);
    expect(called.length).toBeGreaterThan(0);
  });
});
