// @vitest-environment happy-dom
import { flushPromises } from '@vue/test-utils';
import { describe, expect, it } from 'vitest';
import { nextTick } from 'vue';
import { useRecords } from '../state/recordStore';
import { useFakeShop } from '../testing/fakeServer';
import { buttonOf, flatText, showInPour } from '../testing/showInPour';
import MetalBack from './MetalBack.vue';
import { lotStockG } from './lotMoves';

const shop = useFakeShop();
const lotsOf = (name: RegExp) => useRecords().lists.metalLot.filter((lot) => name.test(lot.name));

describe('the button', () => {
  it('comes back into a lot of its metal, which is as old as its oldest, once; what is typed anew is booked in its place', async () => {
    const { page, handle } = showInPour(shop, 31, MetalBack, () => ({ what: 'button' }));
    await useRecords().load();
    handle.set(
      ['flasks', 'f1', 'sprue', 'lots'],
      [{ key: lotsOf(/^14 ct yellow, buttons/)[0]!.id, massG: 5 }],
    );
    handle.set(['result', 'buttonBackG'], { state: 'measured', value: 27 });
    await nextTick();
    const buttons = () => lotsOf(/^14 ct yellow, buttons/)[0]!;
    const before = lotStockG(buttons());
    await buttonOf(page, 'Book 27.00 g into 14 ct yellow, buttons').trigger('click');
    await settled();
    expect(lotStockG(buttons())).toBeCloseTo(before + 27, 6);
    expect(flatText(page)).toContain('27.00 g booked into 14 ct yellow, buttons.');
    expect(buttons().melts).toBe(2);
    handle.set(['result', 'buttonBackG'], { state: 'measured', value: 26.5 });
    await nextTick();
    await buttonOf(page, 'Book 26.50 g into 14 ct yellow, buttons').trigger('click');
    await settled();
    expect(lotStockG(buttons())).toBeCloseTo(before + 26.5, 6);
    expect(buttons().melts).toBe(2);
  });
});

/** Requests that were sent have their answers. */
async function settled(): Promise<void> {
  for (let n = 0; n < 80; n++) await new Promise((resolve) => setTimeout(resolve, 5));
  await nextTick();
}

it('filings go into a lot of filings, never among buttons', async () => {
  const { page, handle } = showInPour(shop, 31, MetalBack, () => ({ what: 'filings' }));
  handle.set(['result', 'filingsBackG'], { state: 'measured', value: 1.4 });
  await flushPromises();
  expect(flatText(page)).not.toContain('buttons');
  await buttonOf(page, 'Into a new lot').trigger('click');
  await flushPromises();
  const [lot] = lotsOf(/filings$/).filter(({ moves }) => moves.some(({ key }) => key.endsWith('/filings')));
  expect(lot).toMatchObject({ origin: 'filings', name: '14 ct yellow gold, filings' });
  expect(flatText(page)).toContain('1.40 g booked into 14 ct yellow gold, filings.');
});
