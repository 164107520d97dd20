import { emptyPourDoc, usualResin, type PourDoc } from '@zero-pour/contracts';
import { seededRandom } from '@zero-pour/core';
import { randomUUID } from 'node:crypto';
import { afterAll, beforeAll, expect, it } from 'vitest';
import { openTestShop, type TestShop } from '../testing/testShop';
import { addPour } from './pourStore';
import { listPouredPrints } from './tellsStore';

let test: TestShop;
const RESINS = [randomUUID(), randomUUID(), undefined];
const PRINTERS = [randomUUID(), undefined];
/** By number: what each pour was printed with; undefined where it was not printed. */
const told: { number: number; group: string | undefined }[] = [];

beforeAll(async () => {
  test = await openTestShop();
  for (const id of RESINS)
    if (id) expect((await test.ask('PUT', `/shop/resin/${id}`, { ...usualResin('low-wax'), name: id })).status).toBe(200);
  const random = seededRandom(5);
  const one = <T>(list: readonly T[]): T => list[Math.floor(random.uniform() * list.length)]!;
  // Most are of one resin and printer: of every other group its newest are older than the hundred that come anyway.
  await test.shop.services.db.transaction(async (tx) => {
    for (let number = 1; number <= 260; number++) {
      const [resinId, printerId] = number > 120 ? [RESINS[0], PRINTERS[0]] : [one(RESINS), one(PRINTERS)];
      const isPrinted = random.uniform() > 0.1;
      const doc: PourDoc = emptyPourDoc();
      if (resinId) doc.resin = { ...doc.resin, resinId };
      if (isPrinted) Object.assign(doc.print, { startedAt: `2026-01-01T00:00:00.000Z`, ...(printerId ? { plate: { printerId, profileId: randomUUID(), layers: 1, exposureS: 1, partsMl: 1, raftMl: 1 } } : {}) });
      await addPour(tx, { id: randomUUID(), doc, at: '2026-01-01T00:00:00.000Z' });
      told.push({ number, group: isPrinted ? `${resinId} ${printerId}` : undefined });
    }
  });
}, 120_000); // prettier-ignore
afterAll(() => test.close());

it('the newest of all, and of each resin with each printer, are those that sorting all of them finds', async () => {
  const newest = told.filter(({ group }) => group !== undefined).reverse();
  const seen = new Map<string, number>();
  const wanted = newest.filter(({ group }, place) => {
    seen.set(group!, (seen.get(group!) ?? 0) + 1);
    return place < 100 || seen.get(group!)! <= 30;
  });
  expect(seen.size).toBe(6);
  expect(wanted.length).toBeGreaterThan(100);
  const found = (await listPouredPrints(test.shop.services.db)).map(({ number }) => number);
  expect(found.sort((a, b) => a - b)).toEqual(wanted.map(({ number }) => number).reverse());
});
