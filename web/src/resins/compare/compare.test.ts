// @vitest-environment happy-dom
import { flushPromises } from '@vue/test-utils';
import { burnoutFor, planPour, valueOf } from '@zero-pour/plan';
import { describe, expect, it } from 'vitest';
import { usePours } from '../../state/pourStore';
import { usePlanningShop } from '../../state/planningStore';
import { useShop } from '../../state/shopStore';
import { useFakeShop } from '../../testing/fakeServer';
import { flatText, typeInto } from '../../testing/showInPour';
import ComparePage from './ComparePage.vue';
import { decisionWords } from './decides';

const shop = useFakeShop();
const pourOf = (number: number) => shop.file.pours.find((pour) => pour.number === number)!;
const open = (query: Record<string, string> = {}) => shop.show(ComparePage, {}, query);
type Page = ReturnType<typeof open>;
/** Cells of a line, by its name. */
const line = (page: Page, name: string): string[] => {
  const row = page.findAll('tbody tr').find((tr) => tr.find('td').text() === name)!;
  return row.findAll('td.num').map((cell) => cell.text());
};
const names = (page: Page): string[] => page.findAll('thead th').slice(1).map((th) => th.text().replace(/\s+/g, ' ')); // prettier-ignore

describe('the sentence', () => {
  const decision = { best: 'A', next: 'B', by: 'resin', amount: 0.4 } as const;
  it('names what decides, and calls alike what is', () => {
    expect(decisionWords(decision, 1, 1.5)).toBe('A is cheapest, 1.00 a good casting against 1.50 for B. What decides is the price of its resin, 0.40 a casting by itself.'); // prettier-ignore
    expect(decisionWords({ ...decision, amount: 0 }, 1, 1.5)).toContain('the price of its resin.');
    expect(decisionWords(decision, 1.27, 1.275)).toContain('cost alike');
  });
});

describe('a plate compared', () => {
  it('is so many copies of a part as it lies; survivors follow the copies', async () => {
    const page = open();
    await flushPromises();
    expect(names(page)).toHaveLength(3);
    const before = line(page, 'Expected to print');
    expect(before.every((cell) => cell.endsWith('of 8'))).toBe(true);
    await typeInto(page, 'Copies on the plate', '16');
    const after = line(page, 'Expected to print');
    after.forEach((cell, i) => expect(parseFloat(cell)).toBeCloseTo(2 * parseFloat(before[i]!), 0));
    expect(line(page, 'Layers')).toHaveLength(3);
    expect(flatText(page)).toMatch(/is cheapest|cost alike/);
  });

  it('says how long somebody stands at the baths for each', async () => {
    const page = open();
    await flushPromises();
    for (const cell of line(page, 'Of it hands-on')) expect(cell).toMatch(/^\d+ min$/);
    expect(line(page, 'Washing and curing')).toHaveLength(3);
  });

  it('of a pour has its own parts, way up and scale, and its own choice first', async () => {
    const page = open({ pour: pourOf(31).id });
    await flushPromises();
    const { known: state } = usePlanningShop();
    const print = valueOf(planPour(usePours().pours.get(pourOf(31).id)!, state).print)!;
    expect(line(page, 'Layers')[0]).toBe(String(print.layers));
    expect(line(page, 'Expected to print')[0]).toMatch(new RegExp(`of ${print.copies}$`));
    expect(names(page)[0]).toMatch(/^Skerry Low-Ash · Printer A/);
    expect(flatText(page)).toContain('Height as the parts stand in the pour.');
  });

  it('gives the pour another resin, printer and profile in one press', async () => {
    const page = open({ pour: pourOf(31).id });
    await flushPromises();
    const taken = page.findAll('thead button')[0]!;
    const name = taken.attributes('aria-label')!.replace('Take ', '');
    await taken.trigger('click');
    const profile = useShop().lists.profile.find((p) => p.name === name)!;
    expect(usePours().pours.get(pourOf(31).id)!.doc.resin).toEqual({
      resinId: profile.resinId,
      printerId: profile.printerId,
      profileId: profile.id,
    });
  });

  it('burns each resin out by a programme that suits it, until another is chosen', async () => {
    const page = open();
    await flushPromises();
    const { lists } = useShop();
    const selects = page.findAllComponents({ name: 'VSelect' }).filter((s) => String(s.props('label')).startsWith('Burnout of')); // prettier-ignore
    expect(selects).toHaveLength(3);
    const [kiln] = lists.kiln;
    selects.forEach((select) => {
      const profile = lists.profile.find(({ name }) => select.props('label') === `Burnout of ${name}`)!;
      const resin = lists.resin.find(({ id }) => id === profile.resinId)!;
      expect(select.props('modelValue')).toBe(burnoutFor(resin, lists.programme, kiln!)!.programme.id);
    });
    const before = line(page, 'Burnout');
    const other = lists.programme.find(({ id }) => id !== selects[0]!.props('modelValue'))!;
    selects[0]!.vm.$emit('update:modelValue', other.id);
    await flushPromises();
    const after = line(page, 'Burnout');
    expect(after[0]).not.toBe(before[0]);
    expect(after.slice(1)).toEqual(before.slice(1));
  });

  it('counts no kiln hours where there is no programme, and says so', async () => {
    useShop().lists = { ...useShop().lists, programme: [] };
    const page = open();
    await flushPromises();
    expect(line(page, 'Burnout')).toEqual(Array(3).fill('no programme or kiln yet'));
    expect(line(page, 'Kiln cost')).toEqual(Array(3).fill('0.00'));
  });

  it('asks for a pattern and a profile first', () => {
    useShop().lists = { ...useShop().lists, profile: [] };
    expect(flatText(open())).toContain('Needs a pattern and at least one profile of a castable resin.');
  });
});
