// @vitest-environment happy-dom
import { flushPromises } from '@vue/test-utils';
import type { TakeSheet } from '@zero-pour/contracts';
import { describe, expect, it, vi } from 'vitest';
import { useShop } from '../state/shopStore';
import { useFakeShop } from '../testing/fakeServer';
import { buttonOf, flatText } from '../testing/showInPour';
import ScrapsPage from './ScrapsPage.vue';
import SheetTake from './SheetTake.vue';

const shop = useFakeShop();
/** Cells pasted where the cursor is, as out of a spreadsheet. */
async function paste(page: ReturnType<typeof shop.show>, text: string): Promise<void> {
  const event = new Event('paste', { bubbles: true }) as Event & { clipboardData?: unknown };
  event.clipboardData = { getData: () => text };
  page.find('[role="grid"]').element.dispatchEvent(event);
  await flushPromises();
}

describe('old sizes', () => {
  const [good, lacking] = ['2025-03-09\tSkerry Wax 55\tPrinter A\t\tcured\tXY\t10\t9.94 9.95', '2025-03-09\tNobody’s resin\t\t\tcured\tXY\t10\t9.9']; // prettier-ignore

  it('are taken in where they are whole; a row that is not says what it lacks', async () => {
    const page = shop.show(SheetTake, { kind: 'sizes' });
    await paste(page, `${good}\n${lacking}`);
    expect(flatText(page)).toContain('1 of 2 rows are whole.');
    expect(flatText(page)).toContain('not taken in, it lacks a resin of the shop that is “Nobody’s resin”');
    await buttonOf(page, 'Take 1 size in').trigger('click');
    await vi.waitFor(() => expect(shop.server.last('/scraps/sheet')).toBeDefined());
    const given = shop.server.last('/scraps/sheet')!.body as unknown as TakeSheet;
    expect(given.series).toHaveLength(1);
    expect(given.series[0]).toMatchObject({
      resinId: useShop().lists.resin.find(({ name }) => name === 'Skerry Wax 55')!.id,
      pairs: [{ printMm: 10, readingsMm: [9.94, 9.95] }],
    });
    expect(given).toMatchObject({ trials: [], figures: [], batch: { sheet: 'sizes', pours: 0 } });
  });

  it('offer nothing to be taken in while nothing is whole', async () => {
    const page = shop.show(SheetTake, { kind: 'sizes' });
    expect(flatText(page)).not.toContain('rows are whole');
    await paste(page, lacking);
    expect(flatText(page)).toContain('0 of 1 rows are whole.');
    expect(page.findAll('button').some((one) => one.text().startsWith('Take'))).toBe(false);
  });
});

it('a table that is dropped on a sheet is opened there, and a file that is none says so', async () => {
  const page = shop.show(SheetTake, { kind: 'sizes' });
  await flushPromises();
  async function drop(file: File): Promise<void> {
    const event = new Event('drop', { bubbles: true, cancelable: true }) as Event & {
      dataTransfer?: unknown;
    };
    event.dataTransfer = { files: [file], items: [{ kind: 'file', type: 'text/csv' }], types: ['Files'] };
    page.find('section').element.dispatchEvent(event);
    await flushPromises();
  }
  await drop(new File(['Resin,Drawn mm\nSkerry Wax 55,10\n'], 'sizes.csv'));
  await vi.waitFor(() => expect(flatText(page)).toContain('0 of 1 rows are whole.'));
  await drop(new File(['x'], 'sizes.xlsx'));
  await vi.waitFor(() => expect(page.find('[role="alert"]').text()).toContain('“sizes.xlsx” is a workbook'));
});

it('the page of old records goes from pours to coupons and back, each with its own columns', async () => {
  const page = shop.show(ScrapsPage, {});
  await flushPromises();
  await buttonOf(page, 'coupons').trigger('click');
  await flushPromises();
  expect(page.find('select[aria-label="struts that stood is"]').exists()).toBe(true);
  await buttonOf(page, 'pours').trigger('click');
  await flushPromises();
  expect(page.find('select[aria-label="Castings is"]').exists()).toBe(true);
});
