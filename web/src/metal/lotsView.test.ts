// @vitest-environment happy-dom
import { describe, expect, it } from 'vitest';
import { nextTick } from 'vue';
import { useRecords } from '../state/recordStore';
import { useFakeShop } from '../testing/fakeServer';
import { buttonOf, flatText, typeInto } from '../testing/showInPour';
import { lotStockG } from './lotMoves';
import LotsView from './LotsView.vue';

const shop = useFakeShop();
async function open(name = /^Sterling, new/) {
  const id = shop.file.records.metalLot.find((lot) => name.test(lot.name))!.id;
  const page = shop.show(LotsView, { id });
  await useRecords().load();
  await nextTick();
  const lot = () => useRecords().lists.metalLot.find((one) => one.id === id)!;
  return { page, lot };
}
/** The move that is booked by hand, as the list beside the grams has it. */
async function chooseMove(page: Awaited<ReturnType<typeof open>>['page'], what: string): Promise<void> {
  const select = page.findAllComponents({ name: 'VSelect' }).find((one) => one.props('label') === 'Book')!;
  select.vm.$emit('update:modelValue', what);
  await nextTick();
}

describe('the lots of the shop', () => {
  it('stand with what each should weigh, and the shown one with every move', async () => {
    const { page, lot } = await open();
    const rows = page.findAll('tbody tr').map((row) => row.text().replace(/\s+/g, ' '));
    expect(rows.filter((row) => row.includes('Sterling silver'))).toHaveLength(2);
    expect(flatText(page)).toContain('Sterling silver, Ag 925.0 of a thousand. It should weigh 419.45 g');
    expect(page.find('[aria-label="Moves of the lot"]').findAll('tr')).toHaveLength(lot().moves.length);
  });
  it('take what was bought, and a new weighing as what it differs by', async () => {
    const { page, lot } = await open();
    const before = lotStockG(lot());
    await typeInto(page, 'Grams', '12,5');
    await buttonOf(page, 'Book it').trigger('click');
    expect(lotStockG(lot())).toBeCloseTo(before + 12.5, 9);
    await chooseMove(page, 'weighed anew');
    await typeInto(page, 'Grams', '400');
    await buttonOf(page, 'Book it').trigger('click');
    expect(lotStockG(lot())).toBeCloseTo(400, 9);
    expect(lot().moves.at(-1)).toMatchObject({
      what: 'weighed anew',
      massG: expect.closeTo(400 - before - 12.5, 6),
    });
    await chooseMove(page, 'sold or refined');
    await typeInto(page, 'Grams', '401');
    await buttonOf(page, 'Book it').trigger('click');
    expect(flatText(page)).toContain('More went out than in.');
  });
  it('let a move be taken away, and refuse grams that are none', async () => {
    const { page, lot } = await open();
    const moves = lot().moves.length;
    await typeInto(page, 'Grams', 'a few');
    expect(buttonOf(page, 'Book it').attributes('disabled')).toBeDefined();
    await buttonOf(page, 'Take away').trigger('click');
    expect(lot().moves).toHaveLength(moves - 1);
  });
  it('are none in an empty shop, and that is said', async () => {
    const { page } = await open();
    for (const { id } of [...useRecords().lists.metalLot]) await useRecords().remove('metalLot', id);
    await nextTick();
    expect(flatText(page)).toContain('No lot yet.');
    expect(flatText(page)).not.toContain('Alloy it from lots');
  });
});
