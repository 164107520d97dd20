import { randomUUID } from 'node:crypto';
import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { emptyPourDoc, type Pour } from '@zero-pour/contracts';
import { pino } from 'pino';
import { afterAll, beforeAll, describe, expect, it, vi } from 'vitest';
import { startShop, type RunningShop } from './start';
import { createTestDatabase, dropTestDatabase } from './testing/testDatabase';

/** Several processes on one database and one folder of bytes; here in one process, which they do not know. */
describe.skipIf(process.env['ZP_TEST_DATABASE_URL'] === undefined)('three servers on one database', () => {
  let folder: string;
  let url: string;
  const shops: RunningShop[] = [];
  const start = async (): Promise<RunningShop> => {
    const shop = await startShop({ dataFolder: folder, webFolder: folder, port: 0, databaseUrl: url, log: pino({ level: 'silent' }), demoShop: async () => (await import('@zero-pour/demo')).createDemoShop(new Date()) }); // prettier-ignore
    shops.push(shop);
    return shop;
  };
  const ask = async (n: number, method: string, at: string, body?: unknown) => {
    const response = await fetch(`${shops[n % 3]!.address}/api${at}`, { method, headers: { 'Content-Type': 'application/json' }, ...(body === undefined ? {} : { body: JSON.stringify(body) }) }); // prettier-ignore
    return { status: response.status, body: (await response.json()) as unknown };
  };
  beforeAll(async () => {
    folder = await mkdtemp(path.join(tmpdir(), 'zero-pour-together-'));
    url = (await createTestDatabase(`zp_${randomUUID().replaceAll('-', '')}`))!;
    // All at once into an empty database: one of them migrates, the others wait for it.
    await Promise.all([start(), start(), start()]);
  });
  afterAll(async () => {
    for (const shop of shops) await shop.stop();
    await dropTestDatabase(url);
    await rm(folder, { recursive: true, force: true });
  });

  it('take the demo in once, whichever is asked', async () => {
    const answers = await Promise.all([0, 1, 2].map((n) => ask(n, 'POST', '/demo', {})));
    expect(answers.map(({ status }) => status).sort()).toEqual([200, 409, 409]);
  });
  it('keep 40 changes of 40 that come at once, and number new pours without a gap', async () => {
    const id = randomUUID();
    const first = (await ask(0, 'POST', '/pours', { id, doc: emptyPourDoc() })).body as Pour;
    const changes = Array.from(
      { length: 40 },
      (_, i) =>
      ask(i, 'PATCH', `/pours/${id}`, { changes: [{ path: ['print', 'pieces', `l1/${i + 1}`], version: 2, value: { outcome: 'good', note: `${i}` } }] }), // prettier-ignore
    );
    expect((await Promise.all(changes)).every(({ status }) => status === 200)).toBe(true);
    expect(Object.keys(((await ask(1, 'GET', `/pours/${id}`)).body as Pour).doc.print.pieces)).toHaveLength(
      40,
    );
    const made = await Promise.all(Array.from({ length: 12 }, (_, i) => ask(i, 'POST', '/pours', { id: randomUUID(), doc: emptyPourDoc() }))); // prettier-ignore
    const numbers = made.map(({ body }) => (body as Pour).number).sort((a, b) => a - b);
    expect(numbers).toEqual(Array.from({ length: 12 }, (_, i) => first.number + 1 + i));
  });
  it('tell each other what was kept, once', async () => {
    const at = `/pours/${randomUUID()}`;
    const heard: string[][] = shops.map(() => []);
    const ends = shops.map(({ services }, n) =>
      services.changes.listen((change) => change.at === at && heard[n]!.push(at)),
    );
    shops[0]!.services.changes.tell(at);
    await vi.waitFor(() => expect(heard).toEqual([[at], [at], [at]]), { timeout: 5000 });
    for (const end of ends) end();
  });
  it('have one that leads; when it leaves another does, and bytes are everybody’s', async () => {
    const backups = () =>
      shops.map(({ services }) => (services.devices as unknown as { follows: boolean }).follows);
    await vi.waitFor(() => expect(backups().filter(Boolean)).toHaveLength(1), { timeout: 10_000 });
    const leader = backups().indexOf(true);
    const [gone] = shops.splice(leader, 1);
    await gone!.stop();
    await vi.waitFor(() => expect(backups().filter(Boolean)).toHaveLength(1), { timeout: 15_000 });
    await start();
    const state = (await ask(2, 'GET', '/shop')).body as { patterns: { fileHash: string }[] };
    const { status } = await fetch(`${shops[2]!.address}/api/blobs/${state.patterns[0]!.fileHash}`);
    expect(status).toBe(200);
  });
});
