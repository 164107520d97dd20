// @vitest-environment happy-dom
import { flushPromises } from '@vue/test-utils';
import { describe, expect, it, vi } from 'vitest';
import { answerJson } from '../testing/answers';
import { useFakeShop } from '../testing/fakeServer';
import { buttonOf, flatText } from '../testing/showInPour';
import { useShop } from '../state/shopStore';
import FilesPage from './FilesPage.vue';
import ShareThing from './ShareThing.vue';
import TakeShopIn from './TakeShopIn.vue';

const shop = useFakeShop();
/** The next file that is chosen in any dialog. */
function choose(file: File): void {
  vi.spyOn(HTMLInputElement.prototype, 'click').mockImplementationOnce(function (this: HTMLInputElement) {
    Object.defineProperty(this, 'files', { value: [file], configurable: true });
    this.dispatchEvent(new Event('change'));
  });
}
/** What the server says next of what is posted. */
function answers(...all: Response[]): { at: string[]; bodies: unknown[] } {
  const said = { at: [] as string[], bodies: [] as unknown[] };
  vi.stubGlobal('fetch', async (at: string, init: RequestInit = {}) => {
    if (init.method !== 'POST') return shop.server.fetch(at, init);
    said.at.push(at);
    said.bodies.push(init.body);
    return all.shift()!;
  });
  return said;
}
const refusal = (sentence: string): Response =>
  answerJson({ error: { code: 'FILE_WRONG', sentence } }, { status: 422 });
const MADE = { kind: 'programme', id: crypto.randomUUID(), name: 'Slow' };

describe('the whole shop', () => {
  it('is taken out at any time, and taken in only where there is none', async () => {
    const page = shop.show(FilesPage);
    await flushPromises();
    expect(page.find('a[href="/api/archive.zip"]').exists()).toBe(true);
    expect(flatText(page)).toContain('A shop is taken in where there is none yet');
    expect(page.find('a[href="/api/pours.csv"]').exists()).toBe(true);
  });
  it('that is wrong is said with its place, and nothing is shown of it', async () => {
    const view = shop.show(TakeShopIn);
    answers(refusal('pours/00022.json, line 4, column 2: a comma belongs here. Nothing was taken in.'));
    choose(new File(['x'], 'shop.zip'));
    const before = useShop().patterns.length;
    await buttonOf(view, 'Take a shop in (zip)').trigger('click');
    await vi.waitFor(() => expect(flatText(view)).toContain('line 4, column 2'));
    expect(useShop().patterns.length).toBe(before);
  });
  it('is shown once it is in', async () => {
    const view = shop.show(TakeShopIn);
    const state = (await (await shop.server.fetch('/api/shop')).json()) as object;
    const said = answers(answerJson({ ...state, patterns: [] }));
    choose(new File(['x'], 'shop.zip'));
    await buttonOf(view, 'Take a shop in (zip)').trigger('click');
    await vi.waitFor(() => expect(useShop().patterns).toEqual([]));
    expect(said.at).toEqual(['/api/archive']);
  });
});

describe('one thing that is shared', () => {
  it('is saved from its own address', () => {
    const page = shop.show(ShareThing);
    expect(page.find('a[download]').attributes('href')).toMatch(/^\/api\/share\/profile\/[0-9a-f-]{36}$/);
  });
  it('is looked at before it is taken in', async () => {
    const page = shop.show(ShareThing);
    const said = answers(answerJson({ made: [MADE], here: [] }), answerJson({ made: [MADE], here: [] }));
    choose(new File(['{"what": "programme"}'], 'slow.json'));
    await buttonOf(page, 'Take in a shared file (JSON)').trigger('click');
    await vi.waitFor(() => expect(flatText(page)).toContain('It brings programme “Slow”.'));
    expect(said.at[0]).toContain('only=tried');
    await buttonOf(page, 'Take it in').trigger('click');
    await vi.waitFor(() => expect(said.at[1]).toContain('only=kept'));
    expect(said.bodies[1]).toBe('{"what": "programme"}');
  });
  it('of which nothing is new offers nothing, and a wrong one says where', async () => {
    const page = shop.show(ShareThing);
    answers(
      answerJson({ made: [], here: [MADE] }),
      refusal('slow.json, line 3, column 9: holdH is missing.'),
    );
    choose(new File(['{}'], 'slow.json'));
    await buttonOf(page, 'Take in a shared file (JSON)').trigger('click');
    await vi.waitFor(() => expect(flatText(page)).toContain('Nothing of it is new.'));
    expect(page.findAll('button').some((button) => button.text() === 'Take it in')).toBe(false);
    choose(new File(['{'], 'slow.json'));
    await buttonOf(page, 'Take in a shared file (JSON)').trigger('click');
    await vi.waitFor(() => expect(flatText(page)).toContain('line 3, column 9'));
  });
  it('a protocol waits for its resin', async () => {
    const page = shop.show(ShareThing);
    const said = answers();
    choose(new File(['{"what": "protocol"}'], 'wash.json'));
    await buttonOf(page, 'Take in a shared file (JSON)').trigger('click');
    await vi.waitFor(() => expect(page.html()).toContain('Cleaning protocol of which resin of yours'));
    expect(said.at).toEqual([]);
  });
});
