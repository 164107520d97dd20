// @vitest-environment happy-dom
import type { Pattern } from '@zero-pour/contracts';
import { createDemoShop } from '@zero-pour/demo';
import { createPinia, setActivePinia } from 'pinia';
import { beforeAll, beforeEach, describe, expect, it, vi } from 'vitest';
import { answerJson, TEST_SHOP } from '../testing/answers';
import { usePours } from './pourStore';
import { knowShop } from './shopKeys';
import { usePatterns } from './shopPatterns';

const ID = (n: number): string => `00000000-0000-4000-8000-${String(n).padStart(12, '0')}`;
let like: Pattern;
const pattern = (n: number): Pattern => ({ ...like, id: ID(n), name: `Pattern ${n}`, formerId: null });
const upTo = (n: number, from = 1): Pattern[] => Array.from({ length: n }, (_, i) => pattern(from + i));

/** A shop of so many patterns, of which pages are asked; what was asked is told. */
function shopOf(count: number): string[] {
  const asked: string[] = [];
  vi.stubGlobal('fetch', (at: string) => {
    asked.push(at);
    const query = new URLSearchParams(at.split('?')[1]);
    const ids = query.get('ids')?.split(',');
    const all = upTo(count);
    const from = all.findIndex(({ id }) => id === query.get('after')) + 1;
    const read = ids ? all.filter(({ id }) => ids.includes(id)) : all.slice(from, from + 100);
    const next = ids || from + 100 >= count ? null : read.at(-1)!.id;
    return Promise.resolve(answerJson({ read, unread: [], revisions: {}, next }));
  });
  return asked;
}
beforeAll(async () => {
  like = (await createDemoShop(new Date())).file.patterns[0]!;
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
