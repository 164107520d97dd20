// @vitest-environment happy-dom
import { DEFAULT_SETTINGS, settingsSchema, type Costs } from '@zero-pour/contracts';
import { describe, expect, it } from 'vitest';
import { useFakeShop } from '../testing/fakeServer';
import { lastEmitted } from '../testing/mountInApp';
import { fieldOf, typeInto } from '../testing/showInPour';
import OptionalFields from './OptionalFields.vue';

const shop = useFakeShop();
const show = (kept?: Costs) => shop.show(OptionalFields, { of: 'costs', fields: ['perKwh', 'film', 'filmLayers'], kept }); // prettier-ignore
const changed = (page: ReturnType<typeof show>): Costs =>
  settingsSchema.parse({ ...DEFAULT_SETTINGS, costs: lastEmitted(page, 'change') }).costs!;

describe('prices of what is used up', () => {
  it('are empty until somebody says them: no price is no zero', () => {
    const page = show();
    expect((fieldOf(page, 'A kWh').element as HTMLInputElement).value).toBe('');
    expect(page.emitted('change')).toBeUndefined();
  });
  it('are kept one by one, and gone once they are emptied', async () => {
    const page = show({ film: 12 });
    await typeInto(page, 'A kWh', '0.31');
    expect(changed(page)).toEqual({ film: 12, perKwh: 0.31 });
    await typeInto(page, 'A film of the vat', '');
    expect(changed(page)).not.toHaveProperty('film');
  });
  it('that cannot be are refused where they are typed', async () => {
    const page = show();
    await typeInto(page, '… good for layers', '12');
    expect(page.emitted('change')).toBeUndefined();
    expect(page.text()).toContain('From 100');
  });
});
