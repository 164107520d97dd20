// @vitest-environment happy-dom
import type { PourPath } from '@zero-pour/contracts';
import { flushPromises } from '@vue/test-utils';
import { storeToRefs } from 'pinia';
import { describe, expect, it, vi } from 'vitest';
import { nextTick } from 'vue';
import { useNotices } from '../state/notices';
import { useShop } from '../state/shopStore';
import { answerJson } from '../testing/answers';
import { useFakeShop } from '../testing/fakeServer';
import { fieldOf, flatText, showInPour, typeInto } from '../testing/showInPour';
import PourField from './PourField.vue';

const shop = useFakeShop();
const show = (at: PourPath, props: object = {}) => showInPour(shop, 31, PourField, () => ({ at, ...props }));
const shownIn = ({ page }: ReturnType<typeof show>, label: string): string =>
  (fieldOf(page, label).element as HTMLInputElement).value;

describe('a number of the pour by its path', () => {
  it('that is absent is shown as nothing, never as 0; what holds instead stands behind it', () => {
    const kiln = show(['burnout', 'loadedAtC'], { standard: 20, standardFrom: 'cold' });
    expect(shownIn(kiln, 'Kiln at loading')).toBe('');
    expect(fieldOf(kiln.page, 'Kiln at loading').attributes('placeholder')).toBe('20');
    expect(flatText(kiln.page)).toContain('cold');
    expect(shownIn(show(['print', 'hoursTyped']), 'Hours, as the printer says')).toBe('');
    expect(shownIn(show(['invest', 'waterTempC']), 'Water temperature')).toBe('');
  });

  it('takes what is typed, and nothing outside the bounds that the schema says', async () => {
    const { page, doc } = show(['invest', 'ratio']);
    await typeInto(page, 'Water ÷ powder', '0,38');
    expect(doc().invest.ratio).toBe(0.38);
    await typeInto(page, 'Water ÷ powder', '3.8');
    expect(doc().invest.ratio).toBe(0.38);
    expect(flatText(page)).toContain('From 0.200 to 1.000');
    await typeInto(page, 'Water ÷ powder', '');
    expect(doc().invest.ratio).toBeUndefined();
  });

  it('that is counted is whole, and one that is required is not emptied', async () => {
    const { page, doc } = show(['print', 'spares'], { required: true });
    await typeInto(page, 'Spares of each pattern', '3.4');
    expect(doc().print.spares).toBe(3);
    await typeInto(page, 'Spares of each pattern', '');
    expect(doc().print.spares).toBe(3);
  });

  it('that may be measured or guessed is a reading', async () => {
    const { page, doc } = show(['flasks', 'f1', 'pour', 'chargeRead']);
    await typeInto(page, 'Charge, as weighed', '61.5');
    expect(doc().flasks[0]!.pour.chargeRead).toEqual({ state: 'measured', value: 61.5 });
  });
});

describe('a field that a device can read', () => {
  const heard = (value: number): void => {
    const before = fetch;
    vi.stubGlobal('fetch', (url: string, init?: RequestInit) =>
      url.endsWith('/readers/balance')
        ? Promise.resolve(answerJson({ value, at: new Date().toISOString(), device: 'Stand-in balance', standIn: true })) // prettier-ignore
        : before(url, init),
    );
  };
  const withBalance = (): void => {
    const { settings } = storeToRefs(useShop());
    settings.value = { ...settings.value, readers: { balanceUrl: 'http://127.0.0.1:4690/balance' } };
  };
  const press = 'Powder, weighed: as the balance reads';

  it('offers it only where the shop has one, and takes what it reads as measured', async () => {
    const { page, doc } = show(['flasks', 'f1', 'pour', 'chargeRead']);
    expect(page.find('[aria-label$="as the balance reads"]').exists()).toBe(false);
    withBalance();
    heard(61.52);
    await nextTick();
    await page.get('[aria-label="Charge, as weighed: as the balance reads"]').trigger('click');
    await flushPromises();
    expect(doc().flasks[0]!.pour.chargeRead).toEqual({ state: 'measured', value: 61.52 });
  });

  it('does not take what cannot be, and says so', async () => {
    const { page, doc } = show(['invest', 'weighedPowderG'], { from: 'balance' });
    withBalance();
    heard(-3.2);
    await nextTick();
    await page.get(`[aria-label="${press}"]`).trigger('click');
    await flushPromises();
    expect(doc().invest.weighedPowderG).toBeUndefined();
    expect(useNotices().current?.text).toContain('that cannot be “Powder, weighed”');
  });

  it('is not a temperature that is chosen, nor a mass that is planned', () => {
    withBalance();
    for (const at of [
      ['flasks', 'f1', 'pour', 'flaskTempC'],
      ['print', 'resinUsedMl'],
    ] as const)
      expect(show(at).page.find('[aria-label*=reads]').exists()).toBe(false);
  });
});
