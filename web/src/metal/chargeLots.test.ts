// @vitest-environment happy-dom
import { describe, expect, it } from 'vitest';
import { nextTick } from 'vue';
import { useRecords } from '../state/recordStore';
import { useFakeShop } from '../testing/fakeServer';
import { buttonOf, flatText, showInPour, typeInto } from '../testing/showInPour';
import ChargeLots from './ChargeLots.vue';
import { lotStockG } from './lotMoves';

const shop = useFakeShop();
const lotsOf = (name: RegExp) => useRecords().lists.metalLot.filter((lot) => name.test(lot.name));

describe('the charge out of lots', () => {
  it('is filled by the shop’s share, judged by its fineness, and booked once after the pour', async () => {
    const { page, doc, handle } = showInPour(shop, 31, ChargeLots);
    await useRecords().load();
    await nextTick();
    expect(flatText(page)).toContain('14 ct yellow, new grain');
    expect(flatText(page)).not.toContain('Sterling, new grain');
    await buttonOf(page, 'Fill the charge from these').trigger('click');
    const lots = doc().flasks[0]!.sprue.lots!;
    expect(lots).toHaveLength(2);
    expect(flatText(page)).toContain('Its fineness is right.');
    expect(page.findAll('button').some((b) => b.text().includes('Book it'))).toBe(false);
    handle.set(['flasks', 'f1', 'pour', 'pouredAt'], new Date().toISOString());
    await nextTick();
    const before = lotsOf(/^14 ct/).map(lotStockG);
    await buttonOf(page, 'Book it out of the lots').trigger('click');
    await nextTick();
    await settled();
    const after = lotsOf(/^14 ct/).map(lotStockG);
    const taken = before.reduce((sum, g, n) => sum + g - after[n]!, 0);
    expect(taken).toBeCloseTo(
      lots.reduce((sum, { massG }) => sum + massG, 0),
      6,
    );
    expect(flatText(page)).toContain('Booked out of 2 lots.');
    // One of them is left out after all: it is booked anew, and the lot has its metal back.
    handle.set(['flasks', 'f1', 'sprue', 'lots'], lots.slice(0, 1));
    await nextTick();
    expect(flatText(page)).not.toContain('Booked out of');
    await buttonOf(page, 'Book it out of the lots').trigger('click');
    await settled();
    const now = lotsOf(/^14 ct/).map(lotStockG);
    expect(before.reduce((sum, g, n) => sum + g - now[n]!, 0)).toBeCloseTo(lots[0]!.massG, 6);
  });
  it('stops at metal that is under its fineness', async () => {
    const { page, doc, handle } = showInPour(shop, 31, ChargeLots);
    await useRecords().load();
    await nextTick();
    await typeInto(page, 'Out of it', '20');
    expect(flatText(page)).not.toContain('More than lies there.');
    const sterling = lotsOf(/^Sterling, new/)[0]!;
    const grams = doc().flasks[0]!.sprue.lots!;
    expect(grams).toEqual([expect.objectContaining({ massG: 20 })]);
    handle.set(['flasks', 'f1', 'sprue', 'lots'], [...grams, { key: sterling.id, massG: 10 }]);
    await nextTick();
    expect(flatText(page)).toContain('Under its fineness.');
    await typeInto(page, 'Out of it', '500');
    expect(flatText(page)).toContain('More than lies there.');
  });
});

/** Requests that were sent have their answers. */
async function settled(): Promise<void> {
  for (let n = 0; n < 80; n++) await new Promise((resolve) => setTimeout(resolve, 5));
  await nextTick();
}
