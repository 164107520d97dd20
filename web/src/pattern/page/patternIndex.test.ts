// @vitest-environment happy-dom
import { flushPromises, type VueWrapper } from '@vue/test-utils';
import { describe, expect, it, vi } from 'vitest';
import { usePatterns } from '../../state/shopPatterns';
import { useShop } from '../../state/shopStore';
import { answerJson } from '../../testing/answers';
import { listed, patternsFake } from '../../testing/fakePatterns';
import { useFakeShop } from '../../testing/fakeServer';
import { buttonOf, fieldOf, flatText } from '../../testing/showInPour';
import PatternsPage from '../PatternsPage.vue';
import PatternIndex from './PatternIndex.vue';

const shop = useFakeShop();
const ID = (n: number): string => `00000000-0000-4000-8000-${String(n).padStart(12, '0')}`;
/** So many patterns like the demo's first, each with a name of its own. */
function fill(count: number): void {
  const like = useShop().patterns[0]!;
  useShop().patterns = Array.from({ length: count }, (_, n) => ({ ...like, id: ID(n), name: `Tern ${n}`, formerId: null })); // prettier-ignore
}
const lines = (page: VueWrapper): number => page.findAll('tbody tr').length;

describe('the shop’s patterns', () => {
  it('few are a table without further ado', async () => {
    const page = shop.show(PatternIndex);
    await flushPromises();
    expect(lines(page)).toBe(useShop().patterns.length);
    expect(page.find('input').exists()).toBe(false);
    expect(page.findAll('button')).toHaveLength(0);
  });

  it('many are drawn a screen or two at a time, and all can be reached', async () => {
    fill(120);
    const page = shop.show(PatternIndex);
    await flushPromises();
    expect(lines(page)).toBe(50);
    expect(flatText(page)).toContain('120 of 120');
    await buttonOf(page, '70 more').trigger('click');
    await buttonOf(page, '20 more').trigger('click');
    expect(lines(page)).toBe(120);
    expect(page.findAll('button').some((button) => button.text().includes('more'))).toBe(false);
  });

  it('are found by words of name, file and note, from the first line on', async () => {
    fill(120);
    const page = shop.show(PatternIndex);
    await flushPromises();
    await buttonOf(page, '70 more').trigger('click');
    await fieldOf(page, 'Name, file, note').setValue('TERN 11');
    expect(page.findAll('tbody a').map((link) => link.text())).toEqual(['Tern 11', ...Array.from({ length: 10 }, (_, n) => `Tern 11${n}`)]); // prettier-ignore
    await fieldOf(page, 'Name, file, note').setValue('tern nowhere');
    expect(flatText(page)).toContain('No pattern has these words.');
    await fieldOf(page, 'Name, file, note').setValue('');
    expect(lines(page)).toBe(50);
  });

  it('that are not here yet are being fetched, and are not said to be none', async () => {
    const patterns = usePatterns();
    patterns.takeFirst(patterns.whole.slice(0, 1), 30);
    expect(patterns.wantsMore).toBe(true);
    const page = shop.show(PatternsPage);
    await flushPromises();
    expect(flatText(page)).toContain('Fetching the shop’s patterns …');
    expect(page.find('table').exists()).toBe(false);
  });

  it('one that is opened by its address is asked for by itself', async () => {
    const patterns = usePatterns();
    const [, other] = patterns.patterns;
    patterns.patterns = patterns.patterns.slice(0, 1);
    patterns.takeFirst(patterns.whole, 30);
    const answers = fetch;
    const asked: string[] = [];
    vi.stubGlobal('fetch', (at: string, init?: RequestInit) => (at.startsWith('/api/patterns?') ? (asked.push(at), new Promise(() => {})) : answers(at, init))); // prettier-ignore
    const page = shop.show(PatternsPage, { id: other!.id });
    await flushPromises();
    expect(asked).toEqual([`/api/patterns?ids=${other!.id}`]);
    expect(flatText(page)).toContain('Fetching the pattern …');
  });

  it('one of which the list reads and the rest does not is said so, and not waited for', async () => {
    const patterns = usePatterns();
    const [first, other] = patterns.whole;
    patterns.patterns = [first!, listed(other!)];
    const name = `Pattern “${other!.name}”`;
    const answers = fetch;
    const unread = [{ kind: 'pattern', id: other!.id, name, why: 'measure: not a list of points' }];
    vi.stubGlobal('fetch', (at: string, init?: RequestInit) => (at.startsWith('/api/patterns?') ? Promise.resolve(answerJson({ read: [], unread, revisions: {} })) : answers(at, init))); // prettier-ignore
    const page = shop.show(PatternsPage, { id: other!.id });
    expect(flatText(page)).toContain('Fetching the pattern …');
    await flushPromises();
    expect(flatText(page)).toContain(`${name} cannot be read here (measure: not a list of points).`);
    expect(flatText(page)).not.toContain('Fetching');
  });

  it('of a large shop are drawn by points that are fetched for the lines in sight, and for no others', async () => {
    const { like, patterns } = { like: usePatterns().whole[0]!, patterns: usePatterns() };
    const all = Array.from({ length: 120 }, (_, n) => ({
      ...like,
      id: ID(n),
      name: `Tern ${n}`,
      formerId: null,
    }));
    patterns.patterns = all.map(listed);
    const asked: string[] = [];
    const answers = fetch;
    vi.stubGlobal('fetch', (at: string, init?: RequestInit) => at.startsWith('/api/patterns?') ? (asked.push(at), Promise.resolve(answerJson(patternsFake(all, at)))) : answers(at, init)); // prettier-ignore
    const page = shop.show(PatternIndex);
    expect(page.findAll('polygon')).toHaveLength(0);
    await flushPromises();
    expect(lines(page)).toBe(50);
    expect(page.findAll('polygon')).toHaveLength(50);
    expect(asked.map((at) => at.split(',').length)).toEqual([50]);
    await buttonOf(page, '70 more').trigger('click');
    await flushPromises();
    expect(asked.map((at) => at.split(',').length)).toEqual([50, 50]);
    expect(patterns.whole).toHaveLength(100);
  });
});
