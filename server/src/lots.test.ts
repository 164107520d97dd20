import { alloysFromBook, type RecordDoc, type Records } from '@zero-pour/contracts';
import { randomUUID } from 'node:crypto';
import { afterAll, beforeAll, expect, it } from 'vitest';
import { openTestShop, type TestShop } from './testing/testShop';

let test: TestShop;
const ask: TestShop['ask'] = (...args) => test.ask(...args);
const alloyId = randomUUID();

beforeAll(async () => {
  test = await openTestShop();
  const { status } = await ask('PUT', `/shop/alloy/${alloyId}`, alloysFromBook()[0]!);
  expect(status).toBe(200);
}, 60_000);
afterAll(() => test.close());

const lot = (change: Partial<RecordDoc<'metalLot'>> = {}): RecordDoc<'metalLot'> => ({
  name: 'Sterling, new grain',
  alloyId,
  origin: 'bought',
  melts: 0,
  composition: { Ag: 0.925, Cu: 0.075 },
  moves: [{ key: '1', at: '2026-11-20T10:00:00.000Z', what: 'bought', massG: 500 }],
  note: '',
  ...change,
});

it('keeps lots of metal, and refuses one of an alloy that is not there', async () => {
  const id = randomUUID();
  expect((await ask('PUT', `/records/metalLot/${id}`, lot())).status).toBe(200);
  expect((await ask('PUT', `/records/metalLot/${randomUUID()}`, lot({ alloyId: randomUUID() }))).status).toBe(
    404,
  );
  expect((await ask('PUT', `/records/metalLot/${randomUUID()}`, lot({ melts: 900 }))).status).toBe(422);
  expect((await ask('PUT', `/records/metalLot/${randomUUID()}`, { ...lot(), stockG: 3 })).status).toBe(422);
  expect(((await ask('GET', '/records')).body as Records).lists.metalLot).toEqual([{ ...lot(), id }]);
});

it('does not let an alloy go while a lot is of it', async () => {
  await ask('PUT', `/records/metalLot/${randomUUID()}`, lot());
  expect((await ask('DELETE', `/shop/alloy/${alloyId}`)).status).toBe(409);
});

it('keeps what an alloy’s melt carries, and nothing where it is estimated', async () => {
  const id = randomUUID();
  const own = { ...alloysFromBook()[1]!, latentJPerG: 105, heatJPerGK: 0.31, surfaceNPerM: null };
  expect((await ask('PUT', `/shop/alloy/${id}`, own)).body).toMatchObject({
    latentJPerG: 105,
    surfaceNPerM: null,
  });
  const book = await ask('PUT', `/shop/alloy/${randomUUID()}`, alloysFromBook()[2]!);
  expect(book.status).toBe(200);
});
