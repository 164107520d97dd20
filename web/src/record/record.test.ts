// @vitest-environment happy-dom
import { flushPromises, type VueWrapper } from '@vue/test-utils';
import { describe, expect, it } from 'vitest';
import { useFakeShop } from '../testing/fakeServer';
import { buttonOf, fieldOf, flatText } from '../testing/showInPour';
import { usePours } from '../state/pourStore';
import RecipesPage from './RecipesPage.vue';
import ComparePours from './ComparePours.vue';
import RecordFilters from './RecordFilters.vue';
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
    await fieldOf(page, 'Number, pattern, metal, resin, flaw, note').setValue('heavy plate');
    await settle();
    expect(page.findAll('.number').map((cell) => cell.text())).toEqual(['18']);
    expect(flatText(page)).toContain('1 pour match');
    await fieldOf(page, 'Number, pattern, metal, resin, flaw, note').setValue('no such word');
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

describe('the record’s table', () => {
  const heads = (page: VueWrapper): string[] => page.findAll('th').map((head) => head.text());
  const lastAsked = (): string => shop.server.asked.findLast((at) => at.startsWith('/api/record?'))!;

  it('is sorted by a press on a head, turned round by another, and says which', async () => {
    const page = await open();
    await buttonOf(page, 'Sellable').trigger('click');
    await settle();
    expect(lastAsked()).toContain('sort=sharePercent');
    expect(page.findAll('th').find((head) => head.text() === 'Sellable')!.attributes('aria-sort')).toBe('descending');
    await buttonOf(page, 'Sellable').trigger('click');
    await settle();
    expect(lastAsked()).toContain('down=false');
  }); // prettier-ignore

  it('shows the columns that are chosen, and offers the same as a table to save', async () => {
    const page = await open();
    expect(heads(page)).toContain('Flask, as read');
    page.findComponent(RecordFilters).vm.$emit('update:columns', ['metalC']);
    await settle();
    expect(heads(page)).toContain('Metal, as read');
    expect(heads(page)).not.toContain('Flask, as read');
    expect(rowOf(page, 23).text()).toContain('1000 °C');
    page.findComponent(RecordFilters).vm.$emit('change', { fact: 'flaskC', to: 500 });
    await settle();
    expect(page.find('a[download]').attributes('href')).toBe('/api/pours.csv?fact=flaskC&to=500');
    localStorage.clear();
  });
});

describe('two pours', () => {
  const idOf = (number: number): string => shop.file.pours.find((pour) => pour.number === number)!.id;
  it('stand side by side: what came out, and every number that differs, by stage', async () => {
    const page = shop.show(ComparePours, {}, { a: idOf(29), b: idOf(30) });
    await settle();
    const text = flatText(page);
    expect(text).toContain('none looked at sellable in pour 29, none looked at in pour 30.');
    expect(text).not.toContain('in 100 that');
    const stages = page.findAll('th[scope=rowgroup]').map((head) => head.text());
    expect(stages[0]).toBe('Brief');
    expect(stages).toEqual(expect.arrayContaining(['Invest', 'Pour']));
    const metal = page.findAll('tr').find((row) => row.find('td').exists() && row.find('td').text() === 'Metal')!;
    expect(metal.findAll('td').map((cell) => cell.text())).toEqual(['Metal', 'Tin bronze 90/10', 'Sterling silver']);
  }); // prettier-ignore
  it('are asked for by number, and one that is not there is said', async () => {
    const page = shop.show(ComparePours);
    await settle();
    expect(flatText(page)).toContain('Type the numbers of two pours');
    await fieldOf(page, 'Pour').setValue('999');
    await fieldOf(page, 'Pour').trigger('blur');
    await settle();
    expect(flatText(page)).toContain('There is no pour 999.');
    await fieldOf(page, 'Pour').setValue('3.5');
    await fieldOf(page, 'Pour').trigger('blur');
    expect(flatText(page)).toContain('is a whole number');
  });
});

describe('what came out best', () => {
  it('is nothing in a shop without results, and begins a pour like the best', async () => {
    const none = shop.show(RecipesPage);
    await settle();
    expect(flatText(none)).toContain('Nothing to rank yet');
    const { id, number, doc } = shop.file.pours.find((pour) => pour.number === 30)!;
    shop.server.madeWith = [
      { alloyId: doc.brief.alloyId!, castClass: 'filigree', resinId: doc.resin.resinId!, powderId: null, programmeId: null, recipeId: null, pours: 2, looked: 8, sellable: 7, lastPourId: id, lastNumber: number }, // prettier-ignore
    ];
    const page = shop.show(RecipesPage);
    await settle();
    expect(flatText(page)).toContain('Sterling silver, filigree');
    expect(flatText(page)).toContain('7 of 8');
    expect(flatText(page)).toContain('not told');
    // Pour 30 has prices of what it is made with; what it costs is shown once it is asked for.
    expect(flatText(page)).not.toContain('A good one');
    await buttonOf(page, 'What a good one costs').trigger('click');
    await settle();
    expect(flatText(page)).toMatch(/A good one.*\d+\.\d\d/);
  });

  it('has the shop’s recipes with their versions: begun by one, and retired', async () => {
    const [v1, v2] = shop.file.records.recipe.filter(({ name }) => name === 'Heavy bronze in Clear-Out');
    const { alloyId, castClass } = v1!;
    shop.server.madeWith = [
      { alloyId: alloyId!, castClass, resinId: null, powderId: null, programmeId: null, recipeId: v1!.id, pours: 2, looked: 6, sellable: 4, lastPourId: v1!.id, lastNumber: 19 }, // prettier-ignore
    ];
    const page = shop.show(RecipesPage);
    await settle();
    const list = page.find('[aria-label="Recipes of the shop"]');
    const rows = list.findAll('tbody tr').map((row) => row.text().replace(/\s+/g, ' '));
    expect(rows[0]).toContain('version 2');
    expect(rows[0]).toContain('nothing looked at yet');
    expect(rows[1]).toMatch(/version 1.*4 of 6, 9 in 10 between \d+ % and \d+ %/);
    // A version that another came after begins nothing.
    expect(list.findAll('tbody tr')[1]!.findAll('button')).toHaveLength(0);
    await list.find('[aria-label^="Begin a pour by Heavy bronze"]').trigger('click');
    await settle();
    const sent = shop.server.sent.findLast(({ method, at }) => method === 'POST' && at === '/api/pours')!;
    expect(sent.body['doc']).toMatchObject({ brief: { recipe: { id: v2!.id, version: 2 }, castClass: 'heavy', alloyId } }); // prettier-ignore
    await list.find('[aria-label^="Retire Heavy bronze"]').trigger('click');
    await settle();
    expect(list.text()).toContain('not used any more');
  });
});
