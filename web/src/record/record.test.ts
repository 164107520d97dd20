// @vitest-environment happy-dom
import { flushPromises, type VueWrapper } from '@vue/test-utils';
import { describe, expect, it } from 'vitest';
import { useFakeShop } from '../testing/fakeServer';
import { buttonOf, fieldOf, flatText } from '../testing/showInPour';
import { usePours } from '../state/pourStore';
import RecordPage from './RecordPage.vue';

const shop = useFakeShop();
const settle = async (): Promise<void> => {
  await new Promise((done) => setTimeout(done, 260));
  await flushPromises();
};
async function open(): Promise<VueWrapper> {
  const page = shop.show(RecordPage);
  await settle();
  return page;
}
const rowOf = (page: VueWrapper, number: number) =>
  page.findAll('tbody tr').find((row) => row.find('.number').text() === String(number))!;

describe('the record', () => {
  it('has every pour, newest first, with what came of it', async () => {
    const page = await open();
    expect(flatText(page)).toContain('15 pours');
    const numbers = page.findAll('.number').map((cell) => Number(cell.text()));
    expect(numbers).toEqual([...numbers].sort((a, b) => b - a));
    const row = rowOf(page, 22).text().replace(/\s+/g, ' ');
    for (const part of ['Sea-holly trellis drop', 'Sterling silver', '1 of 4', 'misrun', 'felt cold'])
      expect(row).toContain(part);
    expect(rowOf(page, 23).text()).toContain('from 22: Flask at 590 °C instead of what it was');
    expect(rowOf(page, 30).text()).toContain('in work');
  });

  it('is searched by words, and says so when nothing matches', async () => {
    const page = await open();
    await fieldOf(page, 'Number, pattern, metal, resin, note').setValue('heavy plate');
    await settle();
    expect(page.findAll('.number').map((cell) => cell.text())).toEqual(['18']);
    expect(flatText(page)).toContain('1 pour match');
    await fieldOf(page, 'Number, pattern, metal, resin, note').setValue('no such word');
    await settle();
    expect(flatText(page)).toContain('No pour matches. Take a word away');
  });

  it('repeats a pour: what was planned, nothing of what happened', async () => {
    const page = await open();
    await rowOf(page, 28).find('button').trigger('click');
    await flushPromises();
    const sent = shop.server.sent.find(({ method, at }) => method === 'POST' && at === '/api/pours')!;
    const doc = sent.body['doc'] as {
      brief: Record<string, unknown>;
      result: object;
      clean: object;
      print: object;
    };
    expect(doc.brief['againOf']).toBe(28);
    expect(doc.result).toEqual({ castings: {} });
    expect(doc.clean).toEqual({ steps: {} });
    expect(doc.print).toEqual({ spares: 1, pieces: {} });
    expect(usePours().pours.size).toBeGreaterThan(0);
  });

  it('of an empty shop says what comes here', async () => {
    shop.file.pours.splice(0, 0);
    const all = shop.file.pours.splice(0);
    const page = await open();
    shop.file.pours.push(...all);
    expect(flatText(page)).toContain('Nothing is recorded yet.');
    expect(page.findAll('button').some((b) => b.text().includes('more'))).toBe(false);
  });
});

it('buttons of a row do not open it', async () => {
  const page = await open();
  expect(buttonOf(page, 'Same again').attributes('aria-label')).toMatch(/^Pour \d+ again$/);
});
