import { castLessonsSchema, emptyPourDoc, type Casting, type PourDoc } from '@zero-pour/contracts';
import { CAST_FAULTS, startingCounts } from '@zero-pour/core';
import { randomUUID } from 'node:crypto';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { openTestShop, type TestShop } from './testing/testShop';

let test: TestShop;
const ask: TestShop['ask'] = (...args) => test.ask(...args);
beforeAll(async () => {
  test = await openTestShop();
}, 60_000);
afterAll(() => test.close());

const NODULE: Casting = { outcome: 'scrap', flaws: [{ kind: 'nodule', place: '' }], photos: [] };
async function addPour(change: (doc: PourDoc) => void): Promise<string> {
  const id = randomUUID();
  const doc = emptyPourDoc();
  change(doc);
  expect((await ask('POST', '/pours', { id, doc })).status).toBe(201);
  return id;
}
const lessons = async (except?: string) =>
  castLessonsSchema.parse((await ask('GET', `/casts/lessons${except ? `?except=${except}` : ''}`)).body);

describe('what castings taught of causes', () => {
  const nodule = CAST_FAULTS.find(({ key }) => key === 'nodule')!;
  const found = (confirmed: string) => (doc: PourDoc) => {
    doc.result.castings = { 'l1/1': NODULE };
    doc.result.why = { nodule: { confirmed, ruledOut: [] } };
  };

  it('is nothing in an empty shop, nor from a pour that says nothing of causes', async () => {
    expect(await lessons()).toEqual({});
    await addPour((doc) => void (doc.result.castings = { 'l1/1': NODULE }));
    expect(await lessons()).toEqual({});
  });

  it('adds up pours, leaves out the one that asks, and follows a pour that is put aside', async () => {
    const [own, other] = [await addPour(found('vacuum')), await addPour(found('vacuum'))];
    expect((await lessons()).nodule!.found).toEqual({ vacuum: 2 });
    expect((await lessons(own)).nodule!.counts['vacuum']).toBeCloseTo(startingCounts(nodule)['vacuum']! + 1, 9);
    await ask('PUT', `/pours/${other}/discarded`, { discarded: true });
    expect((await lessons(own)).nodule).toBeUndefined();
  }); // prettier-ignore

  it('is told anew when it is said otherwise', async () => {
    const id = await addPour(found('cup down'));
    expect((await lessons()).nodule!.found).toMatchObject({ 'cup down': 1 });
    const change = { path: ['result', 'why', 'nodule'], value: { confirmed: 'late mix', ruledOut: [] }, version: 2 }; // prettier-ignore
    expect((await ask('PATCH', `/pours/${id}`, { changes: [change] })).status).toBe(200);
    expect((await lessons()).nodule!.found).not.toHaveProperty('cup down');
    expect((await ask('GET', '/casts/lessons?except=nobody')).status).toBe(422);
  });
});
