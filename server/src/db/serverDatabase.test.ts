import { randomUUID } from 'node:crypto';
import { setTimeout as wait } from 'node:timers/promises';
import { emptyPourDoc, usualResin, type Pour } from '@zero-pour/contracts';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { createTestDatabase, dropTestDatabase } from '../testing/testDatabase';
import { openTestShop, type TestShop } from '../testing/testShop';
import type { Database } from './database';
import { openDatabase } from './openDatabase';
import { connectToServer } from './serverDatabase';
import { ServerLine } from './serverLine';

describe('several at once, on whichever database', () => {
  let test: TestShop;
  beforeAll(async () => {
    test = await openTestShop();
  });
  afterAll(() => test.close());
  const all = <T>(n: number, work: (i: number) => Promise<T>): Promise<T[]> =>
    Promise.all(Array.from({ length: n }, (_, i) => work(i)));

  it('never get the same number, nor leave one out', async () => {
    const made = await all(25, () => test.ask('POST', '/pours', { id: randomUUID(), doc: emptyPourDoc() }));
    expect(made.map((m) => (m.body as Pour).number).sort((a, b) => a - b)).toEqual(
      Array.from({ length: 25 }, (_, i) => i + 1),
    );
  });

  it('change different fields of one pour, and none is lost', async () => {
    const id = randomUUID();
    await test.ask('POST', '/pours', { id, doc: emptyPourDoc() });
    await all(25, (i) =>
      test.ask('PATCH', `/pours/${id}`, {
        changes: [
          { path: ['print', 'pieces', `l1/${i + 1}`], version: 2, value: { outcome: 'good', note: `${i}` } },
        ],
      }),
    );
    const { doc }: Pour = (await test.ask('GET', `/pours/${id}`)).body;
    expect(Object.keys(doc.print.pieces)).toHaveLength(25);
  });

  it('keep one thing under one name', async () => {
    const resin = { ...usualResin('low-wax'), name: 'Skerry Low-Ash' };
    const answers = await all(8, () => test.ask('PUT', `/shop/resin/${randomUUID()}`, resin));
    expect(answers.map((a) => a.status).sort()).toEqual([200, ...Array<number>(7).fill(409)]);
  });

  it('bring the demo into an empty shop once', async () => {
    const own = await openTestShop();
    const answers = await all(2, () => own.ask('POST', '/demo'));
    expect(answers.map((a) => a.status).sort()).toEqual([200, 409]);
    await own.close();
  });
});

const hasServer = process.env['ZP_TEST_DATABASE_URL'] !== undefined;
describe.skipIf(!hasServer)('a PostgreSQL server', () => {
  let url: string;
  let db: Database;
  beforeAll(async () => {
    url = (await createTestDatabase(`zp_${randomUUID().replaceAll('-', '')}`))!;
    db = await connectToServer(url);
  });
  afterAll(async () => {
    await db.close();
    await dropTestDatabase(url);
  });

  it('hands values out as the embedded database does', async () => {
    const question = `SELECT 1.5::numeric AS mm, 3::bigint AS n, 4::integer AS i, '{"a": [1]}'::jsonb AS doc,
      '2026-11-20T10:00:00Z'::timestamptz AS at, true AS yes, null AS none, 'x' AS text`;
    const embedded = (await openDatabase('memory')).db;
    const [here, there] = await Promise.all([embedded.query(question), db.query(question)]);
    await embedded.close();
    expect(there.rows).toEqual(here.rows);
    expect(there.rows[0]).toMatchObject({ mm: 1.5, n: 3, i: 4, doc: { a: [1] }, yes: true });
  });

  it('is migrated once by three processes that come at the same time', async () => {
    const opened = await Promise.all([1, 2, 3].map(() => openDatabase({ serverUrl: url })));
    const { rows } = await db.query<{ n: number }>('SELECT count(*) AS n FROM migration');
    expect(opened.map(({ migration }) => migration)).toEqual([rows[0]!.n, rows[0]!.n, rows[0]!.n]);
    await Promise.all(opened.map((one) => one.db.close()));
  });

  it('keeps all of a transaction, or nothing', async () => {
    await db.exec('CREATE TABLE kept (n integer PRIMARY KEY)');
    await db.transaction((tx) => tx.query('INSERT INTO kept VALUES ($1)', [1]));
    const broken = db.transaction(async (tx) => {
      await tx.query('INSERT INTO kept VALUES ($1)', [2]);
      await tx.query('INSERT INTO kept VALUES ($1)', [1]);
    });
    await expect(broken).rejects.toMatchObject({ code: '23505' });
    expect((await db.query('SELECT n FROM kept')).rows).toEqual([{ n: 1 }]);
  });

  it('may cut connections: the next question finds a new one', async () => {
    await db.query('SELECT 1');
    const admin = await connectToServer(process.env['ZP_TEST_DATABASE_URL']!);
    await admin.exec(
      `SELECT pg_terminate_backend(pid) FROM pg_stat_activity WHERE datname = '${new URL(url).pathname.slice(1)}'`,
    );
    await admin.close();
    const ask = () => db.query<{ n: number }>('SELECT 7 AS n').then(({ rows }) => rows[0]!.n);
    await expect.poll(() => ask().catch(() => 0)).toBe(7);
  });

  it.each([0, 5, 30, 100])('is left %i ms after the line to it was begun, connected or not', async (ms) => {
    const leads: boolean[] = [];
    const line = new ServerLine(url, { onNotice: () => undefined, onLead: (is) => void leads.push(is) });
    await wait(ms);
    await line.stop();
    expect(leads.at(-1)).toBe(false);
  });

  it('that is not there is said at once', async () => {
    await expect(connectToServer('postgres://zero@127.0.0.1:9/none')).rejects.toMatchObject({
      code: 'ECONNREFUSED',
    });
  });
});
