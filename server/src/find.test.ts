import { randomUUID } from 'node:crypto';
import { emptyPourDoc, type FindHit } from '@zero-pour/contracts';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { openTestShop, type TestShop } from './testing/testShop';

let test: TestShop;
beforeAll(async () => {
  test = await openTestShop();
  await test.ask('POST', '/demo');
  const at = new Date().toISOString();
  await test.ask('PUT', `/records/slip/${randomUUID()}`, { at, text: 'Relay of the kiln clicks twice', photos: [], about: null, sortedAt: null }); // prettier-ignore
  const doc = emptyPourDoc();
  doc.brief.note = 'For the 100% regatta_table';
  await test.ask('POST', '/pours', { id: randomUUID(), doc });
}, 120_000);
afterAll(() => test.close());

const find = async (words: string): Promise<{ hits: FindHit[]; instead: string | null }> =>
  (await test.ask('GET', `/find?words=${encodeURIComponent(words)}`)).body;
const kinds = async (words: string): Promise<Set<string>> =>
  new Set((await find(words)).hits.map(({ kind }) => kind));

describe('finding', () => {
  it('reaches pours, patterns, things of the shop, molds, sizes, recipes, notes and what was noted', async () => {
    expect((await find('pour 22')).hits[0]).toMatchObject({ kind: 'pour', title: 'Pour 22' });
    expect([...(await kinds('limpet'))]).toEqual(expect.arrayContaining(['pour', 'pattern']));
    expect([...(await kinds('skerry'))]).toEqual(expect.arrayContaining(['pour', 'resin', 'profile']));
    expect([...(await kinds('basalt'))]).toEqual(expect.arrayContaining(['resin']));
    expect(await kinds('relay')).toEqual(new Set(['slip']));
    const { lists } = (await test.ask('GET', '/records')).body as {
      lists: Record<string, { name: string }[]>;
    };
    for (const kind of ['mold', 'recipe', 'metalLot'])
      expect([kind, (await kinds(lists[kind]![0]!.name)).has(kind)]).toEqual([kind, true]);
  });
  it('reaches flaws and words of notes, each word anywhere', async () => {
    expect(await kinds('misrun')).toEqual(new Set(['pour']));
    const { line } = (await find('pour 22')).hits[0]!;
    const [pattern, metal] = line.split(' · ').map((part) => part.split(' ')[0]!);
    const both = await find(`${metal} ${pattern}`);
    expect(both.hits.length).toBeGreaterThan(0);
    expect(both.hits.every(({ kind }) => kind === 'pour')).toBe(true);
  });
  it('forgives a slip of the fingers, and says what it took instead', async () => {
    for (const [typed, meant] of [['limpit', 'limpet'], ['skery', 'skerry'], ['barnicle', 'barnacle'], ['missrun', 'misrun']]) {
      const found = await find(typed!);
      expect([typed, found.instead]).toEqual([typed, meant]);
      expect(found.hits.length).toBeGreaterThan(0);
    } // prettier-ignore
  });
  it('finds nothing where nothing is near, and takes no sign for a joker', async () => {
    expect(await find('xylophone')).toEqual({ hits: [], instead: null });
    expect((await find('100%')).hits.map(({ kind }) => kind)).toEqual(['pour']);
    expect((await find('regatta_table')).hits).toHaveLength(1);
    expect((await find('regatta%table')).hits).toEqual([]);
    expect((await find("'; DROP TABLE pour; --")).hits).toEqual([]);
    expect((await test.ask('GET', '/find?words=')).status).toBe(422);
  });
});
