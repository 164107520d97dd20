// @vitest-environment happy-dom
import { DEFAULT_SETTINGS, settingsSchema, type Settings } from '@zero-pour/contracts';
import { describe, expect, it } from 'vitest';
import { useFakeShop } from '../testing/fakeServer';
import { lastEmitted } from '../testing/mountInApp';
import { buttonOf, typeInto } from '../testing/showInPour';
import CleaningSettings from './CleaningSettings.vue';

const shop = useFakeShop();
const show = (settings: Settings = DEFAULT_SETTINGS) => shop.show(CleaningSettings, { settings });
const changed = (page: ReturnType<typeof show>, before = DEFAULT_SETTINGS): Settings =>
  settingsSchema.parse({ ...before, ...(lastEmitted(page, 'change') as Partial<Settings>) });

describe('the curing lamp', () => {
  it('takes a wavelength within those that lamps have, and none at all', async () => {
    const page = show();
    await typeInto(page, 'Wavelength', '365');
    expect(changed(page).cure.lampNm).toBe(365);
    await typeInto(page, 'Wavelength', '40');
    expect(changed(page).cure.lampNm).toBe(365);
    expect(page.find('.v-messages__message').text()).not.toBe('');
  });
  it('keeps what is around the print', async () => {
    const page = show();
    await page.findAll('input[type="checkbox"]')[0]!.setValue(true);
    expect(changed(page).cure).toMatchObject({ turntable: true, reflector: false });
  });
});

describe('baths', () => {
  it('are added as a dirty one first, then a clean one, filled now', async () => {
    const page = show();
    await buttonOf(page, 'Add a bath').trigger('click');
    const first = changed(page);
    expect(first.baths.map((bath) => [bath.name, bath.medium])).toEqual([['Dirty bath', 'alcohol']]);
    expect(Date.now() - Date.parse(first.baths[0]!.changedAt)).toBeLessThan(60_000);
    const second = show(first);
    await buttonOf(second, 'Add a bath').trigger('click');
    expect(changed(second, first).baths.map((bath) => bath.name)).toEqual(['Dirty bath', 'Clean bath']);
  });
  it('are good for so many parts, and taken away', async () => {
    const { settings } = shop.file;
    const page = show(settings);
    await typeInto(page, 'Good for parts', '25', 1);
    expect(changed(page, settings).baths.map((bath) => bath.partsMost)).toEqual([60, 25]);
    await typeInto(page, 'Good for parts', '0', 1);
    expect(changed(page, settings).baths[1]!.partsMost).toBe(25);
    await page.find('[aria-label="Take Dirty bath away"]').trigger('click');
    expect(changed(page, settings).baths.map((bath) => bath.name)).toEqual(['Clean bath']);
  });
});
