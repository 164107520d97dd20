import { Refusal } from '@zero-pour/contracts';
import { readdir } from 'node:fs/promises';
import { afterAll, beforeAll, beforeEach, describe, expect, it, vi } from 'vitest';
import { writeArchive } from '../archive/writeArchive';
import { openTestShop, type TestShop } from '../testing/testShop';
import { COPIES } from './backUpAside';
import { takeOut } from './takeOut';

const { refused } = vi.hoisted(() => ({ refused: { with: undefined as Error | undefined } }));
vi.mock('../files/room', async (original) => ({
  ...(await original<object>()),
  refuseWithoutRoomFor: async () => {
    if (refused.with) throw refused.with;
  },
}));

let demo: TestShop;
beforeAll(async () => {
  demo = await openTestShop();
  await demo.ask('POST', '/demo');
}, 120_000);
afterAll(() => demo.close());
beforeEach(() => (refused.with = undefined));

async function whole(parts: AsyncIterable<Uint8Array>): Promise<Buffer> {
  const chunks: Uint8Array[] = [];
  for await (const chunk of parts) chunks.push(chunk);
  return Buffer.concat(chunks);
}
const direct = (): Promise<Buffer> => whole(writeArchive(demo.shop.services.db, demo.shop.services.files));
const leftBehind = async (): Promise<string[]> => (await readdir(demo.shop.services.dataFolder)).filter((name) => name.startsWith(COPIES)); // prettier-ignore

// On a server each has a snapshot of its own.
describe.skipIf(process.env['ZP_TEST_DATABASE_URL'] !== undefined)('a shop taken out', () => {
  it('is the same to the byte as one read from the database itself, and leaves no copy behind', async () => {
    const zip = await whole(takeOut(demo.shop.services));
    expect(Buffer.compare(zip, await direct())).toBe(0);
    expect(await leftBehind()).toEqual([]);
  });

  it('holds nobody up: what is asked and kept meanwhile is answered before it is read', async () => {
    const zip = takeOut(demo.shop.services);
    let isRead = false;
    const first = zip.next().then((part) => ((isRead = true), part));
    const { body } = await demo.ask('GET', '/shop');
    const { settings } = body as { settings: object };
    const kept = await demo.ask(
      'PUT',
      '/settings',
      { ...settings, shopName: 'Meanwhile' },
      { 'If-Match': '"1"' },
    );
    expect([kept.status, isRead]).toEqual([200, false]);
    expect((await first).done).toBe(false);
    await zip.return(undefined);
    expect(await leftBehind()).toEqual([]);
  });

  it('is read from the database itself where there is no room for a copy', async () => {
    for (const code of ['BACKUP_NO_ROOM', 'DISK_FULL'] as const) {
      refused.with = new Refusal(code);
      expect(Buffer.compare(await whole(takeOut(demo.shop.services)), await direct())).toBe(0);
    }
    // A disk that fills while it is copied.
    refused.with = Object.assign(new Error('ENOSPC'), { code: 'ENOSPC' });
    expect(Buffer.compare(await whole(takeOut(demo.shop.services)), await direct())).toBe(0);
    refused.with = new Error('the disk is gone');
    await expect(takeOut(demo.shop.services).next()).rejects.toThrow('the disk is gone');
    expect(await leftBehind()).toEqual([]);
  });
});
