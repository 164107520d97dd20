import { randomUUID } from 'node:crypto';
import { rmSync } from 'node:fs';
import { emptyPourDoc, usualPrinter, type Pour, type PourList, type ShopState } from '@zero-pour/contracts';
import { versionOne } from '../testing/versionOne';
import { describe, expect, it } from 'vitest';
import { openTestShop } from '../testing/testShop';

describe('stored things that do not read', () => {
  it('are named in their place, and stop neither start, board, record nor the others', async () => {
    const own = await openTestShop();
    const keep = async (note: string): Promise<string> => {
      const id = randomUUID();
      const doc = emptyPourDoc();
      await own.ask('POST', '/pours', { id, doc: { ...doc, brief: { ...doc.brief, note } } });
      return id;
    };
    const bad = await keep('bad');
    const good = await keep('good');
    const { db } = own.shop.services;
    await db.query(`UPDATE pour SET doc = doc - 'scale' WHERE id = $1`, [bad]);
    await own.ask('PUT', `/shop/printer/${randomUUID()}`, usualPrinter());
    await db.query(`UPDATE printer SET events = '[{"what": "melted"}]'`);
    await db.query(`INSERT INTO settings (data) VALUES ('{"shopName": 3}') ON CONFLICT DO NOTHING`);
    await own.shop.stop();

    const again = await openTestShop(own.folder);
    try {
      const state: ShopState = (await again.ask('GET', '/shop')).body;
      expect(state.openPours.map((pour) => pour.id)).toEqual([good]);
      expect(state.unread.map(({ kind, name }) => [kind, name])).toEqual([
        ['settings', 'The shop’s settings'],
        ['printer', 'The printer “New printer”'],
        ['pour', 'Pour 1'],
      ]);
      const overUnread = { 'If-Match': `"${state.revisions['/settings']}"` };
      expect(await again.ask('PUT', '/settings', state.settings, overUnread)).toMatchObject({
        status: 409,
        body: { error: { code: 'UNREADABLE' } },
      });
      const found: PourList = (await again.ask('GET', '/pours')).body;
      expect([found.pours.length, found.total, found.unread.length]).toEqual([1, 2, 1]);
      expect(await again.ask('GET', `/pours/${bad}`)).toMatchObject({ status: 409, body: { error: { code: 'UNREADABLE' } } });
      expect((await again.ask('PATCH', `/pours/${bad}`, { changes: [{ path: ['brief', 'note'], value: 'x' }] })).status).toBe(409);
      for (const at of ['/prints', '/sizes', '/yields', '/records']) expect((await again.ask('GET', at)).status).toBe(200);
    } finally {
      await again.close();
      rmSync(own.folder, { recursive: true, force: true });
    }
  }); // prettier-ignore

  it('of an earlier wording are read as what they mean now', async () => {
    const own = await openTestShop();
    const id = randomUUID();
    await own.ask('POST', '/pours', { id, doc: emptyPourDoc() });
    const { brief, ...old } = versionOne();
    const { sizes: _, ...rest } = brief;
    const holdSize = { surface: 'inner', mm: 17.3, toleranceMm: 0.1 };
    const doc1 = { ...old, brief: { ...rest, holdSize }, scale: { way: 'chain', resinPercent: -0.6 } };
    await own.shop.services.db.query('UPDATE pour SET doc = $2 WHERE id = $1', [id, JSON.stringify(doc1)]);
    const { doc }: Pour = (await own.ask('GET', `/pours/${id}`)).body;
    await own.close();
    expect(doc.brief.sizes).toEqual([
      {
        key: 'held',
        name: 'Bore',
        of: 'bore',
        finishedMm: 17.3,
        toleranceMm: 0.1,
        holds: true,
        lineKey: null,
      },
    ]);
    expect(doc.scale.own).toEqual({ resin: -0.6 });
  });
});
