// @vitest-environment happy-dom
import type { PourPath } from '@zero-pour/contracts';
import { describe, expect, it } from 'vitest';
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
