import { randomBytes, createHash, randomUUID } from 'node:crypto';
import { cp, mkdir, mkdtemp, open, readdir, readFile, rm, stat, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { emptyPourDoc, type PourList, type ShopState } from '@zero-pour/contracts';
import { pino } from 'pino';
import { afterAll, afterEach, beforeAll, beforeEach, describe, expect, it } from 'vitest';
import { openTestShop, type TestShop } from '../testing/testShop';
import { findWayBack } from './putBack';
import { startRescue } from './rescue';
import { ShopDamagedError } from './shopDamaged';

/** The embedded database's own pages (PostgreSQL, block size). */
const PAGE = 8192;
let whole: string;
let files: Record<'pour' | 'resin' | 'pour_pkey', string>;
/** A shop with the demo in a backup, and two changes accepted since; copied for each test. */
beforeAll(async () => {
  whole = await mkdtemp(path.join(tmpdir(), 'zero-pour-damage-'));
  const shop = await openTestShop(whole);
  await shop.ask('POST', '/demo');
  await shop.shop.services.backups.makeNow();
  await shop.ask('POST', '/pours', { id: randomUUID(), doc: emptyPourDoc() });
  const photo = new Uint8Array(randomBytes(1000));
  await shop.ask('PUT', `/blobs/${createHash('sha256').update(photo).digest('hex')}`, photo, { 'Content-Type': 'image/png' }); // prettier-ignore
  const { rows } = await shop.shop.services.db.query<{ name: string; at: string }>("SELECT relname AS name, pg_relation_filepath(oid) AS at FROM pg_class WHERE relname IN ('pour', 'resin', 'pour_pkey')"); // prettier-ignore
  files = Object.fromEntries(rows.map(({ name, at }) => [name, at])) as typeof files;
  await shop.shop.services.db.exec('CHECKPOINT');
  await shop.close();
});
afterAll(() => rm(whole, { recursive: true, force: true }));

let folder: string;
const opened: { close(): Promise<void> }[] = [];
beforeEach(async () => {
  folder = await mkdtemp(path.join(tmpdir(), 'zero-pour-damaged-'));
  await cp(whole, folder, { recursive: true });
});
afterEach(async () => {
  for (const one of opened.splice(0)) await one.close();
  await rm(folder, { recursive: true, force: true });
});
const at = (name: string): string => path.join(folder, 'database', name);
async function zero(name: string, page: number): Promise<void> {
  const file = await open(at(name), 'r+');
  await file.write(new Uint8Array(PAGE), 0, PAGE, page * PAGE);
  await file.close();
}
const start = async (): Promise<TestShop> => {
  const shop = await openTestShop(folder);
  opened.push(shop);
  return shop;
};
const damageOf = async (): Promise<ShopDamagedError> => {
  const error = await openTestShop(folder).then((shop) => shop.close(), (reason: unknown) => reason); // prettier-ignore
  expect(error).toBeInstanceOf(ShopDamagedError);
  return error as ShopDamagedError;
};

describe.skipIf(process.env['ZP_TEST_DATABASE_URL'] !== undefined)(
  'a database of which a disk lost something',
  () => {
    it('a page of pours that reads as empty: what is gone is counted, what is whole is named', async () => {
      await zero(files.pour, 0);
      const { message, opens } = await damageOf();
      expect(opens).toBe(true);
      expect(message).toMatch(/\d+ of 16 pours are gone/);
      expect(message).toMatch(/All 8 resins.* are there/);
    });
    it('a table that was cut off', async () => {
      await writeFile(at(files.resin), '');
      expect((await damageOf()).message).toContain('8 of 8 resins are gone');
    });
    it.each([
    ['a file of a table that is missing', () => rm(at(files.pour))],
    ['a lost log', async () => { await rm(at('pg_wal'), { recursive: true }); await mkdir(at('pg_wal')); }],
    ['no database at all', () => rm(path.join(folder, 'database'), { recursive: true })],
    ['an empty folder where it was', async () => { await rm(path.join(folder, 'database'), { recursive: true }); await mkdir(path.join(folder, 'database')); }],
    ['one half-copied', () => rm(at('global'), { recursive: true })],
  ] as const)('%s: a sentence of ours, and never a new shop', async (_, damage) => {
    await damage();
    const { message } = await damageOf();
    expect(message).toMatch(/^The shop’s database .* (does not open|is gone in part)/);
    expect(message).not.toMatch(/abort|initialize|ENOENT|relation/i);
  }); // prettier-ignore
    it('empty folders that a copy lost are put back, and nothing else is said', async () => {
      for (const name of ['pg_notify', 'pg_twophase', 'pg_tblspc', 'pg_replslot', 'pg_dynshmem']) await rm(at(name), { recursive: true }); // prettier-ignore
      const shop = await start();
      expect(((await shop.ask('GET', '/shop')).body as ShopState).lists.resin).toHaveLength(8);
    });
    it('an index alone: made anew, and every pour is found again', async () => {
      await zero(files.pour_pkey, 1);
      const shop = await start();
      const { pours } = (await shop.ask('GET', '/pours')).body as PourList;
      expect(pours.length).toBeGreaterThan(10);
      expect((await shop.ask('GET', `/pours/${pours[0]!.id}`)).status).toBe(200);
    });
  },
);

describe.skipIf(process.env['ZP_TEST_DATABASE_URL'] !== undefined)('the way back', () => {
  const log = pino({ level: 'silent' });
  const options = () => ({ dataFolder: folder, webFolder: path.join(folder, 'no-page'), port: 0, log, demoShop: () => Promise.reject(new Error('none')) }); // prettier-ignore

  it('is the newest whole backup with what was accepted since, chosen in the browser; the damaged files stay', async () => {
    const before = await readdir(path.join(folder, 'backups'));
    await writeFile(path.join(folder, 'backups', 'zero-pour backup 2099-01-01 1200.zip'), 'torn');
    await zero(files.pour, 0);
    const damage = await damageOf();
    const rescue = await startRescue(options(), damage, log);
    opened.push({ close: rescue.stop });
    const page = async (): Promise<string> => (await fetch(rescue.address)).text();
    let text = '';
    for (let n = 0; n < 200 && !text.includes('Put the shop back'); n++) {
      text = await page();
      await new Promise((go) => setTimeout(go, 50));
    }
    expect(text).toContain('of 16 pours are gone');
    expect(text).toContain('2099-01-01 1200.zip');
    expect(text).toContain('2 changes that were accepted since');
    expect((await fetch(`${rescue.address}/api/shop`)).status).toBe(503);
    expect((await fetch(`${rescue.address}/rescue/back`, { method: 'POST', headers: { Origin: 'http://elsewhere.example' } })).status).toBeGreaterThanOrEqual(400); // prettier-ignore
    await fetch(`${rescue.address}/rescue/back`, { method: 'POST', redirect: 'manual' });
    const shop = await rescue.done;
    opened.push({ close: () => shop.stop() });
    expect(shop.address).toBe(rescue.address);
    const { rows } = await shop.services.db.query<{ n: number }>('SELECT count(*)::integer AS n FROM pour');
    expect(rows[0]!.n).toBe(16);
    const names = await readdir(folder);
    expect(names.some((name) => name.startsWith('damaged-'))).toBe(true);
    expect((await readdir(path.join(folder, 'backups'))).filter((name) => before.includes(name))).toEqual(
      before,
    );
    // It is the same shop to its pages, and what it holds now goes into a backup soon.
    const kept = JSON.parse(await readFile(path.join(folder, 'safekeeping.json'), 'utf8')) as { shopId: string; atOnce: boolean }; // prettier-ignore
    expect(kept).toMatchObject({ shopId: shop.services.shopId, atOnce: true });
  });

  it('is to go on with what is there, where somebody chooses that', async () => {
    await zero(files.pour, 0);
    const rescue = await startRescue(options(), await damageOf(), log);
    opened.push({ close: rescue.stop });
    await fetch(`${rescue.address}/rescue/go-on`, { method: 'POST', redirect: 'manual' });
    const shop = await rescue.done;
    await shop.stop();
    // From here on that is what it has.
    await start();
  });

  it('is none where there is no backup, and that is said', async () => {
    await rm(path.join(folder, 'backups'), { recursive: true });
    expect(await findWayBack(folder)).toBeNull();
  });

  it('is not offered for a database that is whole', async () => {
    const shop = await start();
    expect((await stat(at('PG_VERSION'))).isFile()).toBe(true);
    expect((await shop.ask('GET', '/safety')).body).toMatchObject({
      standing: 'behind',
      wrongCount: 0,
      wrong: null,
    });
  });
});
