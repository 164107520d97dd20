// @vitest-environment happy-dom
import type { BenchExceptionDay } from '@zero-pour/contracts';
import { describe, expect, it } from 'vitest';
import { useFakeShop } from '../testing/fakeServer';
import { buttonOf } from '../testing/showInPour';
import BenchExceptions from './BenchExceptions.vue';

const shop = useFakeShop();
const HOLIDAY: BenchExceptionDay = { key: 'a', from: '2026-12-24', to: '2026-12-26', open: false, note: '' };
function show(exceptions: BenchExceptionDay[] | undefined) {
  const page = shop.show(BenchExceptions, { exceptions });
  const last = (): BenchExceptionDay[] => (page.emitted('change')!.at(-1) as [BenchExceptionDay[]])[0];
  const type = async (label: string, typed: string): Promise<void> => {
    const field = page
      .findAll('.v-input')
      .find((one) => one.text().startsWith(label))!
      .find('input');
    await field.setValue(typed);
    await field.trigger('change');
    await field.trigger('blur');
  };
  return { page, last, type };
}

describe('days that are otherwise', () => {
  it('begin as a closed day, today, of the whole day', async () => {
    const { page, last } = show(undefined);
    await buttonOf(page, 'Add a day').trigger('click');
    const [one] = last();
    expect(one).toMatchObject({ open: false, note: '' });
    expect(one!.from).toBe(one!.to);
    expect(one!.from).toMatch(/^\d{4}-\d\d-\d\d$/);
    expect(one!.fromMin ?? one!.toMin).toBeUndefined();
  });
  it('move their last day with the first, and never end before they begin', async () => {
    const { last, type } = show([HOLIDAY]);
    await type('First day', '2026-12-30');
    expect(last()[0]).toMatchObject({ from: '2026-12-30', to: '2026-12-30' });
    await type('Last day', '2026-12-20');
    expect(last()[0]).toMatchObject({ from: '2026-12-24', to: '2026-12-24' });
  });
  it('take hours, and lose them again', async () => {
    const { last, type } = show([HOLIDAY]);
    await type('From, hours', '15:30');
    expect(last()[0]!.fromMin).toBe(930);
    const { last: after, type: retype } = show([{ ...HOLIDAY, fromMin: 930 }]);
    await retype('From, hours', '');
    expect(after()[0]).not.toHaveProperty('fromMin');
  });
  it('go away by a press', async () => {
    const { page, last } = show([HOLIDAY, { ...HOLIDAY, key: 'b', from: '2027-01-01', to: '2027-01-01' }]);
    await page.get('[aria-label="Take 2026-12-24 away"]').trigger('click');
    expect(last().map(({ key }) => key)).toEqual(['b']);
  });
});
