// @vitest-environment happy-dom
import type { VueWrapper } from '@vue/test-utils';
import { describe, expect, it, vi } from 'vitest';
import { nextTick } from 'vue';
import { useFakeShop } from '../testing/fakeServer';
import QuickSums from './QuickSums.vue';

// The dialog asks the window's visible part, which this document does not have.
vi.stubGlobal('visualViewport', new EventTarget());
const shop = useFakeShop();

/** The dialog stands beside the page, in the document's body. */
async function typed(line: string): Promise<{ page: VueWrapper; text: () => string }> {
  document.body.innerHTML = '';
  const page = shop.show(QuickSums, { modelValue: true });
  await nextTick();
  const input = document.querySelector<HTMLInputElement>('.quick input')!;
  input.value = line;
  input.dispatchEvent(new Event('input'));
  await nextTick();
  await nextTick();
  return { page, text: () => (document.querySelector('.quick')?.textContent ?? '').replace(/\s+/g, ' ') };
}

describe('the line of quick sums', () => {
  it('shows each part as it was understood, with the answer', async () => {
    const { text } = await typed('2 flasks 76x102 tree 12 g wax 38% boric 1%');
    for (const part of [
      '2 flasks',
      'flask 76 × 102 mm',
      'tree 12 g of wax',
      'water to powder 0.38',
      'boric acid 1 % of the powder',
    ])
      expect(text()).toContain(part);
    expect(text()).toContain('Boric acid, 2 flasks');
  });
  it('asks where several metals fit, and takes the one that is chosen', async () => {
    const { text } = await typed('silver 12 g wax');
    expect(text()).toContain('Which metal?');
    expect(text()).not.toContain('Weigh,');
    [...document.querySelectorAll<HTMLButtonElement>('.ask button')]
      .find((b) => b.textContent.includes('Sterling'))!
      .click();
    await nextTick();
    await nextTick();
    expect(text()).toContain('Weigh, Sterling silver');
  });
  it('leaves no answer under a line that is not clear, and says what it cannot place', async () => {
    const { text } = await typed('sterling 12 g wax');
    expect(text()).toContain('Weigh, Sterling silver');
    const input = document.querySelector<HTMLInputElement>('.quick input')!;
    input.value = 'sterling 12 g wax gadget';
    input.dispatchEvent(new Event('input'));
    await nextTick();
    await nextTick();
    expect(text()).toContain('What is “gadget”?');
    expect(text()).not.toContain('Weigh,');
  });
});
