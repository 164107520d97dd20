import type { CastLessons, Share, ShareTaken, ShopState } from '@zero-pour/contracts';
import Papa from 'papaparse';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { csvOf, flatRow, TABLE_NAMES } from './services/tables';
import { openTestShop, type TestShop } from './testing/testShop';

let demo: TestShop;
let empty: TestShop;
beforeAll(async () => {
  [demo, empty] = [await openTestShop(), await openTestShop()];
  await demo.ask('POST', '/demo');
}, 120_000);
afterAll(async () => {
  await demo.close();
  await empty.close();
});
const stateOf = async (shop: TestShop): Promise<ShopState> => (await shop.ask('GET', '/shop')).body;
const shareOf = async (what: string, id: string): Promise<Share> =>
  (await demo.ask('GET', `/share/${what}/${id}`)).body;
const take = (shop: TestShop, file: unknown, query: Record<string, string> = {}) => {
  const asked = new URLSearchParams({ name: 'shared.json', only: 'kept', ...query });
  const text = typeof file === 'string' ? file : JSON.stringify(file, null, 1);
  return shop.ask('POST', `/share?${asked}`, new TextEncoder().encode(text), { 'Content-Type': 'text/plain' }) as Promise<{ status: number; body: ShareTaken & { error: { code: string; sentence: string } } }>; // prettier-ignore
};

describe('one thing that is shared', () => {
  it('brings what it names, and nothing that is the shop’s alone', async () => {
    const { lists } = await stateOf(demo);
    const profile = lists.profile[0]!;
    const share = await shareOf('profile', profile.id);
    expect([share.profile, share.resin, share.printer].map((list) => list.length)).toEqual([1, 1, 1]);
    expect(share.resin[0]).toMatchObject({ id: profile.resinId, bottles: [], vats: [], attachments: [] });
    expect(share.alloy).toEqual([]);
  });

  it('is tried first, then taken in, and is here when it comes again', async () => {
    const { lists } = await stateOf(demo);
    const share = await shareOf('profile', lists.profile[0]!.id);
    const tried = await take(empty, share, { only: 'tried' });
    expect(tried.body.made.map(({ kind }) => kind).sort()).toEqual(['printer', 'profile', 'resin']);
    expect((await stateOf(empty)).lists.profile).toEqual([]);
    const kept = await take(empty, share);
    expect(kept.body).toEqual(tried.body);
    const [profile] = (await stateOf(empty)).lists.profile;
    expect((await stateOf(empty)).lists.resin.map(({ id }) => id)).toContain(profile!.resinId);
    expect((await take(empty, share)).body).toMatchObject({ made: [], here: [{}, {}, {}] });
  });

  it('stands beside one of the same name with other figures', async () => {
    const { lists } = await stateOf(demo);
    const share = await shareOf('programme', lists.programme[0]!.id);
    await take(empty, share);
    const other = structuredClone(share);
    other.programme[0]!.segments[0]!.holdH += 0.5;
    const { body } = await take(empty, other);
    expect(body.made).toMatchObject([{ kind: 'programme', name: `${share.programme[0]!.name} (2)` }]);
    expect(body.made[0]!.id).not.toBe(share.programme[0]!.id);
  });

  it('a recipe names in the new shop what it named in the old', async () => {
    const { lists } = (await demo.ask('GET', '/records')).body as { lists: { recipe: { id: string }[] } };
    const share = await shareOf('recipe', lists.recipe[0]!.id);
    const { body } = await take(empty, share);
    expect(body.made.find(({ kind }) => kind === 'recipe')).toBeDefined();
    const here = (await empty.ask('GET', '/records')).body as {
      lists: { recipe: { says: { resinId?: string } }[] };
    };
    const resins = (await stateOf(empty)).lists.resin.map(({ id }) => id);
    expect(resins).toContain(here.lists.recipe[0]!.says.resinId);
    expect((await take(empty, share)).body.made).toEqual([]);
  });

  it('a protocol goes to a resin of the shop, as its next version', async () => {
    const from = (await stateOf(demo)).lists.resin.find(({ protocol }) => protocol.length > 1)!;
    const share = await shareOf('protocol', from.id);
    expect((await take(empty, share)).body.error.code).toBe('SHARE_INTO');
    const into = (await stateOf(empty)).lists.resin[0]!;
    share.protocol!.steps = share.protocol!.steps.slice(0, 1);
    await take(empty, share, { into: into.id });
    const after = (await stateOf(empty)).lists.resin.find(({ id }) => id === into.id)!;
    expect([after.protocol, after.protocolVersion]).toEqual([
      share.protocol!.steps,
      into.protocolVersion + 1,
    ]);
  });

  it('causes found behind flaws are where another shop’s odds begin, and no shop’s own are doubled', async () => {
    const share = await shareOf('causes', (await stateOf(demo)).shopId);
    expect(share.causes!.told.length).toBeGreaterThan(0);
    const own = (await demo.ask('GET', '/casts/lessons')).body;
    expect((await take(demo, share)).body).toMatchObject({ made: [], here: [{ kind: 'causes' }] });
    expect((await demo.ask('GET', '/casts/lessons')).body).toEqual(own);

    expect((await empty.ask('GET', '/casts/lessons')).body).toEqual({});
    expect((await take(empty, share, { only: 'tried' })).body.made).toMatchObject([{ kind: 'causes' }]);
    expect((await empty.ask('GET', '/casts/lessons')).body).toEqual({});
    await take(empty, share);
    const begun = (await empty.ask('GET', '/casts/lessons')).body as CastLessons;
    const [flaw] = share.causes!.told.map((one) => one.flaw);
    expect(begun[flaw!]!.found).toEqual({});
    expect((await take(empty, share)).body.made).toEqual([]);
    share.causes!.told = share.causes!.told.slice(0, 1);
    await take(empty, share);
    expect((await stateOf(empty)).settings.causeTables).toMatchObject([{ told: [{ flaw: share.causes!.told[0]!.flaw }] }]);
  }); // prettier-ignore

  it('that is wrong changes nothing, and says where', async () => {
    const share = await shareOf('programme', (await stateOf(demo)).lists.programme[1]!.id);
    const text = JSON.stringify(share, null, 1);
    const before = await stateOf(empty);
    const wrong: [string, RegExp][] = [
      [text.replace('"version": 1', '"version": 4'), /shared.json is of version 4/],
      [text.replace('zero-pour/share', 'zero-pour/archive'), /line 1, column 1: it is “zero-pour\/archive”/],
      [text.replace(/"name": "[^"]*"/, '"name": 12'), /shared.json, line \d+, column \d+: programme › 0 › name is not what belongs/],
      [text.slice(0, 80), /shared.json, line \d+, column \d+/],
      ['', /shared.json, line 1, column 1/],
    ]; // prettier-ignore
    for (const [file, sentence] of wrong) {
      const { status, body } = await take(empty, file);
      expect([status, body.error.sentence]).toEqual([422, expect.stringMatching(sentence)]);
    }
    expect(await stateOf(empty)).toEqual(before);
  });
  it('that is not there is said to be', async () => {
    expect((await demo.ask('GET', `/share/resin/${crypto.randomUUID()}`)).status).toBe(404);
  });
});

describe('tables', () => {
  it('are all to be had as CSV that reads back, with units in their headings', async () => {
    for (const name of TABLE_NAMES) {
      const { status, body } = await demo.ask('GET', `/tables/${encodeURIComponent(name)}.csv`);
      expect([name, status]).toEqual([name, 200]);
      expect(Papa.parse(body, { header: true }).errors.filter(({ code }) => code !== 'UndetectableDelimiter')).toEqual([]); // prettier-ignore
    }
    const flasks = (await demo.ask('GET', '/tables/flasks.csv')).body as string;
    expect(flasks.split('\r\n')[0]).toContain('inner diameter mm');
    const castings = Papa.parse<Record<string, string>>((await demo.ask('GET', '/tables/castings.csv')).body, { header: true }).data;
    expect(castings.find(({ pour }) => pour === '22')).toMatchObject({ 'weight as cast g': expect.any(String) as unknown, pattern: expect.stringMatching(/\w/) as unknown });
    expect((await demo.ask('GET', '/tables/__proto__.csv')).status).toBe(404);
  }); // prettier-ignore
  it('lay out what is nested, and let no text become a formula', () => {
    expect(flatRow({ aB: { cMm: 1, list: [1, 2] }, rows: [{ x: 1 }], none: null })).toEqual({ 'a b › c mm': 1, 'a b › list': '1; 2', rows: '[{"x":1}]', none: '' }); // prettier-ignore
    expect(csvOf([{ note: '=1+1', n: -2 }])).toBe('note,n\r\n"\'=1+1",-2');
  });
});
