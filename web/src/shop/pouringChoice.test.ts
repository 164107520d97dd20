// @vitest-environment happy-dom
import { DEFAULT_SETTINGS, settingsSchema, usualPouring, type Pouring } from '@zero-pour/contracts';
import { describe, expect, it } from 'vitest';
import { useFakeShop } from '../testing/fakeServer';
import { lastEmitted } from '../testing/mountInApp';
import { buttonOf, typeInto } from '../testing/showInPour';
import PouringChoice from './PouringChoice.vue';

const shop = useFakeShop();
const show = (pouring?: Pouring) => shop.show(PouringChoice, { pouring });
const changed = (page: ReturnType<typeof show>): Pouring =>
  settingsSchema.parse({ ...DEFAULT_SETTINGS, pouring: lastEmitted(page, 'change') }).pouring!;

describe('the way of pouring', () => {
  it('is nobody’s until it is said, and then has what is usual for it', async () => {
    const page = show();
    expect(page.findAll('input')).toHaveLength(0);
    await buttonOf(page, 'under vacuum').trigger('click');
    expect(changed(page)).toEqual(usualPouring('vacuum'));
  });
  it('keeps its vacuum within what a pump pulls, and while the shop tries another way', async () => {
    const page = show(usualPouring('vacuum'));
    await typeInto(page, 'Vacuum at the pour', '22 inHg');
    expect(changed(page).vacuumKpa).toBeCloseTo(74.5, 1);
    await typeInto(page, 'Vacuum at the pour', '300');
    expect(changed(page).vacuumKpa).toBeCloseTo(74.5, 1);
    const other = show({ ...usualPouring('vacuum'), vacuumKpa: 60 });
    await buttonOf(other, 'with a centrifuge').trigger('click');
    expect(changed(other)).toMatchObject({ way: 'centrifuge', vacuumKpa: 60, armMm: 300 });
  });
  it('asks a centrifuge for its arm and its turns', async () => {
    const page = show(usualPouring('centrifuge'));
    await typeInto(page, 'Turns a minute', '450');
    expect(changed(page)).toMatchObject({ turnsPerMin: 450 });
    await typeInto(page, 'Axis to flask', '10 in');
    expect(changed(page).armMm).toBeCloseTo(254, 6);
  });
});
