import {
  isWholePattern,
  namedPatternsSchema,
  patternPageSchema,
  type Pattern,
  type ShopState,
} from '@zero-pour/contracts';
import { randomUUID } from 'node:crypto';
import { afterAll, beforeAll, expect, it } from 'vitest';
import { openTestShop, type TestShop } from './testing/testShop';

let test: TestShop;
let ids: string[];
beforeAll(async () => {
  test = await openTestShop();
  const { patterns, morePatterns } = (await test.ask('POST', '/demo')).body as ShopState;
  expect(morePatterns).toBe(0);
  ids = patterns.map(({ id }) => id);
}, 120_000);
afterAll(() => test.close());

it('patterns are asked for by name: those that are there, with their states', async () => {
  const [a, b] = [ids[2]!, ids[0]!];
  const { status, body } = await test.ask('GET', `/patterns?ids=${a},${randomUUID()},${b}`);
  expect(status).toBe(200);
  const page = namedPatternsSchema.parse(body);
  expect(page.read.map(({ id }) => id).sort()).toEqual([a, b].sort());
  expect(Object.keys(page.revisions).sort()).toEqual([`/patterns/${a}`, `/patterns/${b}`].sort());
  expect(page.unread).toEqual([]);
});

it('the list has every pattern, sprues and all, but for the points that are drawn and planned from', async () => {
  const whole = ((await test.ask('GET', '/shop')).body as ShopState).patterns;
  const points = (size: number): number[] => Array.from({ length: size }, (_, n) => n);
  const { id, measure } = whole[0]!;
  const sprues = {
    marks: [{ by: 'body', at: [0, 0, 0], shiftMm: 0 }],
    sections: [{ at: [0, 0, 0], axis: [0, 0, 1], diameterMm: 2, volumeMm3: 4 }],
    pieceHash: whole[0]!.fileHash,
    piece: { ...measure, volumeMm3: 77, supportPointsMm: points(9) },
  };
  await test.shop.services.db.query('UPDATE pattern SET sprues = $2 WHERE id = $1', [id, sprues]);
  const { body } = await test.ask('GET', '/patterns');
  expect(JSON.stringify(body)).not.toContain('supportPointsMm');
  const list = patternPageSchema.parse(body);
  expect(list.read.map((one) => one.id).sort()).toEqual([...ids].sort());
  expect(list.read.filter(isWholePattern)).toEqual([]);
  expect(list.next).toBeNull();
  const told = list.read.find((one) => one.id === id)!;
  expect(told.sprues!.piece.volumeMm3).toBe(77);
  const { body: kept } = await test.ask('GET', `/patterns/${id}`);
  expect((kept as Pattern).sprues!.piece.supportPointsMm).toEqual(points(9));
  const { supportPointsMm: _, ...rest } = (kept as Pattern).measure;
  expect(told.measure).toEqual(rest);
});

it('a name that is none, and more names than an address has room for, are refused', async () => {
  expect((await test.ask('GET', '/patterns?ids=seven')).status).toBe(422);
  expect((await test.ask('GET', '/patterns?ids=')).status).toBe(422);
  expect((await test.ask('GET', `/patterns?ids=${Array(101).fill(ids[0]).join(',')}`)).status).toBe(422);
});

it('of a shop with few all come at the start; of one with many those that pours in work and molds name', async () => {
  const like = ((await test.ask('GET', '/shop')).body as ShopState).patterns.find(({ id }) => id === ids[0])!;
  const { createdAt: _, ...pattern } = like;
  for (let n = 0; n < 61 - ids.length; n++)
    expect((await test.ask('POST', '/patterns', { ...pattern, id: randomUUID(), formerId: null })).status).toBe(201);
  const { patterns, morePatterns, openPours } = (await test.ask('GET', '/shop')).body as ShopState;
  const named = new Set(openPours.flatMap(({ doc }) => doc.brief.lines.map(({ patternId }) => patternId)));
  expect(patterns.length + morePatterns).toBe(61);
  expect(morePatterns).toBeGreaterThan(0);
  for (const id of named) expect(patterns.map((one) => one.id)).toContain(id);
}); // prettier-ignore
