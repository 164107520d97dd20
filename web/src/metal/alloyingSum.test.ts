// @vitest-environment happy-dom
import { describe, expect, it } from 'vitest';
import { nextTick } from 'vue';
import { useRecords } from '../state/recordStore';
import { useFakeShop } from '../testing/fakeServer';
import { buttonOf, flatText, typeInto } from '../testing/showInPour';
import AlloyingSum from './AlloyingSum.vue';
import { lotStockG } from './lotMoves';

const shop = useFakeShop();
/** The sum with what is wanted, and out of which lots. */
async function open(alloyName: string, lots: readonly RegExp[], grams: string) {
  const all = shop.file.records.metalLot;
  const page = shop.show(AlloyingSum, { lots: all });
  await useRecords().load();
  const choose = async (label: string, value: unknown): Promise<void> => {
    const select = page.findAllComponents({ name: 'VSelect' }).find((one) => one.props('label') === label)!;
    select.vm.$emit('update:modelValue', value);
    await nextTick();
  };
  await choose('Wanted', shop.file.lists.alloy.find(({ name }) => name === alloyName)!.id);
  await choose(
    'Out of these lots',
    all.filter(({ name }) => lots.some((of) => of.test(name))).map(({ id }) => id),
  );
  await typeInto(page, 'Grams wanted', grams);
  return page;
}

describe('an alloy out of lots', () => {
  it('is exact out of its own metal, and booked with no gram lost', async () => {
    const page = await open('Sterling silver', [/^Sterling/], '50');
    expect(flatText(page)).toContain('Exactly that alloy.');
    const sum = (): number => useRecords().lists.metalLot.reduce((all, lot) => all + lotStockG(lot), 0);
    const before = sum();
    const lots = useRecords().lists.metalLot.length;
    await buttonOf(page, 'Book it as molten').trigger('click');
    for (let n = 0; n < 20; n++) await new Promise((resolve) => setTimeout(resolve, 5));
    expect(useRecords().lists.metalLot).toHaveLength(lots + 1);
    expect(sum()).toBeCloseTo(before, 9);
    const made = useRecords().lists.metalLot.find(({ origin }) => origin === 'alloyed here')!;
    expect(lotStockG(made)).toBeCloseTo(50, 9);
    expect(made.melts).toBeGreaterThan(0);
  });
  it('says how far the nearest is off, and what is short', async () => {
    const far = await open('18 ct yellow gold', [/^14 ct yellow, new/], '10');
    expect(flatText(far)).toMatch(/Not exactly: the nearest is off by .*Au −165\.0/);
    const short = await open('Sterling silver', [/^Sterling, buttons/], '500');
    expect(flatText(short)).toMatch(/These lots are 394\.65 g short of it\./);
    expect(short.findAll('button').some((one) => one.text().includes('Book it'))).toBe(false);
  });
});
