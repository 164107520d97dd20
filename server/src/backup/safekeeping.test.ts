import { createHash, randomUUID } from 'node:crypto';
import { chmod, mkdtemp, readFile, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { emptyPourDoc, type AboutShop, type Pour, type ShopState } from '@zero-pour/contracts';
import { pino } from 'pino';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { findWayBack } from '../damage/putBack';
import { putShopBack } from '../damage/rescue';
import { openTestShop, type TestShop } from '../testing/testShop';

let folder: string;
const opened: TestShop[] = [];
beforeEach(async () => {
  folder = await mkdtemp(path.join(tmpdir(), 'zero-pour-safe-'));
});
afterEach(async () => {
  for (const shop of opened.splice(0)) await shop.close();
  await rm(folder, { recursive: true, force: true });
});
async function open(name = 'data'): Promise<TestShop> {
  const shop = await openTestShop(path.join(folder, name));
  opened.push(shop);
  return shop;
}
async function close(shop: TestShop): Promise<void> {
  opened.splice(opened.indexOf(shop), 1);
  await shop.close();
}
const backupsOf = async (shop: TestShop): Promise<AboutShop['backups']> =>
  ((await shop.ask('GET', '/about')).body as AboutShop).backups;
const sentenceOf = (body: unknown): string => (body as { error: { sentence: string } }).error.sentence;
const FLASK = { name: 'Tall', innerDiameterMm: 80, heightMm: 120, coneDiameterMm: 30, coneHeightMm: 20, massG: 900, note: '' }; // prettier-ignore

describe('backups of a shop that is open', () => {
  it('an empty shop has none and lacks none; what is kept then waits for one, and is in it', async () => {
    const shop = await open();
    expect(await backupsOf(shop)).toMatchObject({ standing: 'none', since: null, last: null, kept: [], isOwnFolder: true }); // prettier-ignore
    await shop.ask('POST', '/pours', { id: randomUUID(), doc: emptyPourDoc() });
    await vi.waitFor(async () => expect((await backupsOf(shop)).since).not.toBeNull());
    const made = (await shop.ask('POST', '/safekeeping/backup', {})).body as AboutShop;
    expect(made.backups).toMatchObject({ standing: 'current', since: null, last: { pours: 1, missing: 0 } });
    expect(made.backups.kept).toHaveLength(1);
    expect((await shop.ask('GET', '/safety')).body).toMatchObject({ standing: 'current', keptAhead: null });
    // The machine's clock was set back by an hour since.
    await shop.shop.services.db.query(
      "UPDATE pour SET changed_at = now() + interval '1 hour' WHERE number = (SELECT max(number) FROM pour)",
    );
    const { keptAhead } = (await shop.ask('GET', '/safety')).body as { keptAhead: string };
    expect(Date.parse(keptAhead)).toBeGreaterThan(Date.now() + 3_000_000);
    await shop.shop.services.db.query('UPDATE pour SET changed_at = now() WHERE changed_at > now()');
    await shop.ask('POST', '/pours', { id: randomUUID(), doc: emptyPourDoc() });
    await vi.waitFor(async () => expect((await backupsOf(shop)).standing).toBe('behind'));
    // It knows that after a start too.
    await close(shop);
    const again = await open();
    expect((await backupsOf(again)).standing).toBe('behind');
    // One that somebody took away holds nothing any more.
    await rm(made.backups.last!.file);
    expect(await backupsOf(again)).toMatchObject({ standing: 'none', last: null, kept: [] });
  });

  it('go into a folder of the user’s choice; one that cannot be is refused, and the one before stays', async () => {
    const shop = await open();
    const other = path.join(folder, 'other disk');
    const set = (to: string | null) => shop.ask('PUT', '/safekeeping', { isOn: true, folder: to });
    expect((await set(other)).status).toBe(200);
    expect(sentenceOf((await set('backups')).body)).toContain('a whole path is needed');
    expect(sentenceOf((await set(path.join(folder, 'data', 'mine'))).body)).toContain(
      'inside the data folder',
    );
    await writeFile(path.join(folder, 'a file'), '');
    expect(sentenceOf((await set(path.join(folder, 'a file', 'x'))).body)).toContain('it cannot be written (ENOTDIR)'); // prettier-ignore
    expect((await backupsOf(shop)).folder).toBe(other);
    await shop.ask('POST', '/safekeeping/backup', {});
    expect((await backupsOf(shop)).last!.file.startsWith(other)).toBe(true);
  });

  it('that fail are remembered over a start and told, until one is made', async () => {
    const shop = await open();
    const other = path.join(folder, 'other');
    await shop.ask('PUT', '/safekeeping', { isOn: true, folder: other });
    await rm(other, { recursive: true });
    await writeFile(other, 'a disk that is gone');
    expect((await shop.ask('POST', '/safekeeping/backup', {})).status).toBe(422);
    expect((await shop.ask('GET', '/safety')).body).toMatchObject({ standing: 'failed' });
    await close(shop);
    const again = await open();
    expect((await shopSafety(again)).why).toContain('it cannot be written (EEXIST)');
    await rm(other);
    await again.ask('POST', '/safekeeping/backup', {});
    expect((await shopSafety(again)).standing).toBe('current');
  });
  const shopSafety = async (shop: TestShop) => (await shop.ask('GET', '/safety')).body as { standing: string; why: string }; // prettier-ignore

  it('are taken in by their name into an empty shop, and only there', async () => {
    const shop = await open();
    await shop.ask('POST', '/demo');
    await shop.ask('POST', '/safekeeping/backup', {});
    const { folder: at, kept } = await backupsOf(shop);
    const name = kept[0]!.name;
    expect((await shop.ask('POST', '/safekeeping/restore', { name })).status).toBe(409);
    const empty = await open('new');
    await empty.ask('PUT', '/safekeeping', { isOn: true, folder: at });
    expect((await empty.ask('POST', '/safekeeping/restore', { name: '../../etc/passwd' })).status).toBe(404);
    const state = (await empty.ask('POST', '/safekeeping/restore', { name })).body as ShopState;
    expect(state.lists.resin).toHaveLength(8);
    // Its journal cannot bring that back: a backup is due at once.
    const file = path.join(folder, 'new', 'safekeeping.json');
    await vi.waitFor(async () =>
      expect(JSON.parse(await readFile(file, 'utf8'))).toMatchObject({ atOnce: true }),
    );
  });
});

describe('everything that is kept, read through', () => {
  it('is whole in the demo; a photo that was lost and a document that does not read are named', async () => {
    const shop = await open();
    await shop.ask('POST', '/demo');
    const look = async () => ((await shop.ask('POST', '/safekeeping/look', {})).body as AboutShop).looked!;
    const whole = await look();
    expect(whole).toMatchObject({ wrongCount: 0, wrong: [] });
    expect(whole.documents).toBeGreaterThan(80);
    const { db } = shop.shop.services;
    const { rows } = await db.query<{ hash: string; name: string }>('SELECT file_hash AS hash, name FROM pattern ORDER BY name LIMIT 1'); // prettier-ignore
    await rm(path.join(folder, 'data', 'files', rows[0]!.hash.slice(0, 2), rows[0]!.hash));
    await db.query("UPDATE pour SET doc = jsonb_set(doc, '{brief}', '7') WHERE number = 22");
    const { wrong, wrongCount } = await look();
    expect(wrongCount).toBe(2);
    expect(wrong.join(' ')).toContain(`pattern “${rows[0]!.name}”`);
    expect(wrong.join(' ')).toContain('Pour 22');
    expect((await shop.ask('GET', '/safety')).body).toMatchObject({ wrongCount: 2 });
  });
});

describe.skipIf(process.env['ZP_TEST_DATABASE_URL'] !== undefined)(
  'what was accepted since the backup',
  () => {
    it('is all there when the database is lost whole: things, pours, photos, in the order they were changed', async () => {
      const shop = await open();
      await shop.ask('POST', '/demo');
      await shop.ask('POST', '/safekeeping/backup', {});
      const [flask, pour] = [randomUUID(), randomUUID()];
      await shop.ask('PUT', `/shop/flask/${flask}`, { ...FLASK, id: flask });
      await shop.ask('PUT', `/shop/flask/${flask}`, { ...FLASK, id: flask, heightMm: 130 });
      await shop.ask('POST', '/pours', { id: pour, doc: emptyPourDoc() });
      const change = (value: string) => shop.ask('PATCH', `/pours/${pour}`, { changes: [{ path: ['brief', 'note'], version: 2, value }] }); // prettier-ignore
      for (const note of ['first', 'second', 'third']) expect((await change(note)).status).toBe(200);
      const photo = new TextEncoder().encode('a picture');
      const hash = createHash('sha256').update(photo).digest('hex');
      await shop.ask('PUT', `/blobs/${hash}`, photo, { 'Content-Type': 'image/png' });
      const { settings } = (await shop.ask('GET', '/shop')).body as ShopState;
      const base = ((await shop.ask('GET', '/shop')).body as ShopState).revisions['/settings'];
      await shop.ask('PUT', '/settings', { ...settings, shopName: 'Renamed since' }, base === undefined ? {} : { 'If-Match': `"${base}"` }); // prettier-ignore
      const before = (await shop.ask('GET', '/shop')).body as ShopState;
      const { number } = (await shop.ask('GET', `/pours/${pour}`)).body as Pour;
      await close(shop);

      const dataFolder = path.join(folder, 'data');
      await rm(path.join(dataFolder, 'database'), { recursive: true });
      const way = await findWayBack(dataFolder);
      const log = pino({ level: 'silent' });
      const demoShop = () => Promise.reject(new Error('none'));
      const said = await putShopBack(
        { dataFolder, webFolder: dataFolder, port: 0, demoShop, log },
        way!,
        log,
      );
      expect(said.join(' ')).toMatch(/\d+ changes that were accepted since were put over it\./);

      const back = await open();
      const after = (await back.ask('GET', '/shop')).body as ShopState;
      expect(after.shopId).toBe(before.shopId);
      expect(after.settings).toEqual(before.settings);
      expect(after.lists).toEqual(before.lists);
      expect((await back.ask('GET', `/pours/${pour}`)).body as Pour).toMatchObject({ number, doc: { brief: { note: 'third' } } }); // prettier-ignore
      expect((await back.ask('GET', `/blobs/${hash}`)).body).toBe('a picture');
    });

    it('is not written down a second time while it is put back, and a folder that refuses a journal stops no work', async () => {
      const shop = await open();
      await rm(path.join(folder, 'data', 'since-backup'), { recursive: true });
      await chmod(folder, 0o755);
      expect((await shop.ask('POST', '/pours', { id: randomUUID(), doc: emptyPourDoc() })).status).toBe(201);
    });
  },
);
