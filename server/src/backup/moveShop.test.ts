import { randomUUID } from 'node:crypto';
import { mkdtemp, readdir, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { pino } from 'pino';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { openShop } from '../openShop';
import { createTestDatabase, dropTestDatabase } from '../testing/testDatabase';
import { openTestShop, type TestShop } from '../testing/testShop';
import { moveShop } from './moveShop';

const log = pino({ level: 'silent' });

/** From the database under test into another of its kind, and from a server into a folder. */
describe('a shop that moves', () => {
  let shop: TestShop;
  let folder: string;
  let url: string | undefined;
  beforeAll(async () => {
    shop = await openTestShop();
    await shop.ask('POST', '/demo', {});
    folder = await mkdtemp(path.join(tmpdir(), 'zero-pour-moved-'));
    url = await createTestDatabase(`zp_${randomUUID().replaceAll('-', '')}`);
  });
  afterAll(async () => {
    await shop.close();
    if (url) await dropTestDatabase(url);
    await rm(folder, { recursive: true, force: true });
  });
  const pourNumbers = async (target: { dataFolder: string; databaseUrl?: string | undefined }) => {
    const opened = await openShop({ ...target, log });
    const { rows } = await opened.db.query<{ number: number }>('SELECT number FROM pour ORDER BY number');
    await opened.close();
    return rows.map(({ number }) => number);
  };

  it('is whole in the new place, every table and every file of bytes counted', async () => {
    const target = { dataFolder: path.join(folder, 'same'), databaseUrl: url, log };
    const moved = await moveShop(shop.shop.services, target);
    expect(moved.rows).toBeGreaterThan(100);
    expect(moved.tables).toBeGreaterThan(10);
    expect(moved.blobs).toBeGreaterThan(5);
    expect(await pourNumbers(target)).toEqual(Array.from({ length: 15 }, (_, n) => 17 + n));
    // A second time the place is not empty, and nothing of it is touched.
    await expect(moveShop(shop.shop.services, target)).rejects.toThrow(/empty/i);
    expect(await pourNumbers(target)).toHaveLength(15);
  });
  it('moves into a folder, from whichever database it had', async () => {
    const target = { dataFolder: path.join(folder, 'own'), log };
    const { rows } = await moveShop(shop.shop.services, target);
    expect(rows).toBeGreaterThan(100);
    expect(await pourNumbers(target)).toHaveLength(15);
    expect(await readdir(target.dataFolder)).toContain('database');
  });
});
