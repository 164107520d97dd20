// @vitest-environment happy-dom
import type { Pattern } from '@zero-pour/contracts';
import { createDemoShop } from '@zero-pour/demo';
import { createPinia, setActivePinia } from 'pinia';
import { beforeAll, beforeEach, describe, expect, it, vi } from 'vitest';
import { effectScope, nextTick } from 'vue';
import { answerJson, TEST_SHOP } from '../testing/answers';
import { listed, patternsFake } from '../testing/fakePatterns';
import { usePours } from './pourStore';
import { knowShop } from './shopKeys';
import { usePatterns } from './shopPatterns';
import { useNamedPatterns } from './useNamedPatterns';

const ID = (n: number): string => `00000000-0000-4000-8000-${String(n).padStart(12, '0')}`;
let like: Pattern;
const pattern = (n: number): Pattern => ({ ...like, id: ID(n), name: `Pattern ${n}`, formerId: null });
const upTo = (n: number, from = 1): Pattern[] => Array.from({ length: n }, (_, i) => pattern(from + i));

/** A shop of so many patterns, of which pages are asked; what was asked is told. */
function shopOf(count: number): string[] {
  const asked: string[] = [];
  vi.stubGlobal('fetch', (at: string) => {
    asked.push(at);
    return Promise.resolve(answerJson(patternsFake(upTo(count), at)));
  });
  return asked;
}
beforeAll(async () => {
  // As the server tells it: nothing below zero is nothing.
  like = JSON.parse(JSON.stringify((await createDemoShop(new Date())).file.patterns[0])) as Pattern;
});
beforeEach(() => {
  localStorage.clear();
  setActivePinia(createPinia());
  knowShop(TEST_SHOP);
});

describe('patterns of a large shop', () => {
  it('are asked for by name, those that are not here, and once', async () => {
    const asked = shopOf(300);
    const patterns = usePatterns();
    patterns.takeFirst(upTo(2), 298);
    expect(patterns.wantsMore).toBe(true);
    await patterns.fetchNamed([ID(1), ID(7), ID(7), ID(9)]);
    expect(asked).toEqual([`/api/patterns?ids=${ID(7)},${ID(9)}`]);
    await patterns.fetchNamed([ID(9)]);
    expect(asked).toHaveLength(1);
    expect(patterns.patterns.map(({ name }) => name)).toEqual(['Pattern 1', 'Pattern 2', 'Pattern 7', 'Pattern 9']);
    expect(patterns.wantsMore).toBe(true);
  }); // prettier-ignore

  it('stay when the start is read again, and those that another window added are missed', async () => {
    shopOf(250);
    const patterns = usePatterns();
    patterns.takeFirst(upTo(1), 249);
    await patterns.fetchNamed([ID(9)]);
    patterns.takeFirst(upTo(1), 249);
    expect([patterns.patterns.length, patterns.wantsMore]).toEqual([2, true]);
    await patterns.fetchRest();
    expect([patterns.patterns.length, patterns.wantsMore]).toEqual([250, false]);
    patterns.takeFirst(upTo(1), 249);
    expect([patterns.patterns.length, patterns.wantsMore]).toEqual([250, false]);
    patterns.takeFirst(upTo(1), 250);
    expect(patterns.wantsMore).toBe(true);
  });

  it('are fetched once more where one was added while they came', async () => {
    const asked = shopOf(90);
    const patterns = usePatterns();
    patterns.takeFirst(upTo(1), 88);
    const fetching = patterns.fetchRest();
    patterns.takeFirst(upTo(1), 89);
    await fetching;
    expect([asked.length, patterns.patterns.length, patterns.wantsMore]).toEqual([2, 90, false]);
  });

  it('come in lists without their points, which are fetched for those that are named, once', async () => {
    const asked = shopOf(150);
    const patterns = usePatterns();
    patterns.takeFirst(upTo(1), 149);
    await patterns.fetchRest();
    expect(patterns.patterns).toEqual([pattern(1), ...upTo(149, 2).map(listed)]);
    expect(patterns.whole).toEqual([pattern(1)]);
    await patterns.fetchNamed([ID(1), ID(40)]);
    await patterns.fetchNamed([ID(40), ID(1)]);
    expect(asked.slice(2)).toEqual([`/api/patterns?ids=${ID(40)}`]);
    expect(patterns.whole).toEqual([pattern(1), pattern(40)]);
    // A list that is read again takes no points away.
    patterns.takeFirst(upTo(1), 150);
    await patterns.fetchRest();
    expect(patterns.whole).toEqual([pattern(1), pattern(40)]);
  });

  it('stay the newest first, whichever came when', async () => {
    const day = (n: number): Pattern => ({ ...pattern(n), createdAt: `2026-03-${String(n).padStart(2, '0')}T08:00:00.000Z` }); // prettier-ignore
    const all = [9, 7, 5, 3].map(day);
    vi.stubGlobal('fetch', (at: string) => Promise.resolve(answerJson(patternsFake(all, at))));
    const patterns = usePatterns();
    patterns.takeFirst([day(5)], 3);
    await patterns.fetchNamed([ID(3), ID(9)]);
    expect(patterns.patterns.map(({ id }) => id)).toEqual([9, 5, 3].map(ID));
    await patterns.fetchRest();
    await patterns.fetchNamed([ID(7)]);
    expect(patterns.patterns.map(({ id }) => id)).toEqual([9, 7, 5, 3].map(ID));
  }); // prettier-ignore

  it('that are named and not there any more are asked for once and no more, however often they are named', async () => {
    const asked = shopOf(30);
    const patterns = usePatterns();
    patterns.takeFirst(upTo(1), 29);
    const scope = effectScope();
    scope.run(() =>
      useNamedPatterns(() => [ID(2), ID(99), ...patterns.patterns.slice(0, 1).map(({ id }) => id)]),
    );
    await vi.waitFor(() => expect(patterns.whole).toHaveLength(2));
    await nextTick();
    expect(asked).toEqual([`/api/patterns?ids=${ID(2)},${ID(99)}`]);
    scope.stop();
  });

  it('are all here at once in a small shop: nothing is asked', async () => {
    const asked = shopOf(3);
    const patterns = usePatterns();
    patterns.takeFirst(upTo(3), 0);
    await patterns.fetchNamed([ID(77)]);
    await patterns.fetchRest();
    expect([asked, patterns.wantsMore, patterns.patterns.length]).toEqual([[], false, 3]);
  });

  it('come with a pour that is opened by itself, before it is shown', async () => {
    shopOf(300);
    const answerPatterns = fetch;
    const { file } = await createDemoShop(new Date());
    const own = file.pours.at(-1)!;
    const pour = { ...own, doc: { ...own.doc, brief: { ...own.doc.brief, lines: [{ key: 'l1', patternId: ID(42), count: 2 }] } } }; // prettier-ignore
    vi.stubGlobal('fetch', (at: string) => at.startsWith('/api/patterns') ? answerPatterns(at) : Promise.resolve(answerJson(pour))); // prettier-ignore
    usePatterns().takeFirst(upTo(1), 299);
    const pours = usePours();
    const seen: string[][] = [];
    const loading = pours.load(pour.id).then(() => seen.push(usePatterns().patterns.map(({ name }) => name)));
    expect(pours.pours.has(pour.id)).toBe(false);
    await loading;
    expect(pours.pours.has(pour.id)).toBe(true);
    expect(seen).toEqual([['Pattern 1', 'Pattern 42']]);
    pours.$dispose();
  });
});
