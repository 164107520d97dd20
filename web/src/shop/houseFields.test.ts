// @vitest-environment happy-dom
import type { House } from '@zero-pour/contracts';
import { describe, expect, it } from 'vitest';
import { HouseChoice } from '../burnout';
import { useFakeShop } from '../testing/fakeServer';
import { lastEmitted } from '../testing/mountInApp';
import { buttonOf, flatText } from '../testing/showInPour';
import HouseFields from './HouseFields.vue';

const shop = useFakeShop();
const HOUSE: House = { key: 'h', name: 'Harbour House', daysThere: 1, daysWithIt: 3, daysBack: 2, takes: 'prints', accepts: '' }; // prettier-ignore

describe('casting houses of the shop', () => {
  it('begin without a word of how long they have it', async () => {
    const page = shop.show(HouseFields, { houses: undefined });
    await buttonOf(page, 'Add a casting house').trigger('click');
    expect((lastEmitted(page, 'change') as House[])[0]).not.toHaveProperty('daysWithIt');
  });
  it('take days, and lose the days that nobody knows', async () => {
    const page = shop.show(HouseFields, { houses: [HOUSE] });
    const type = async (label: string, typed: string) => {
      const field = page
        .findAll('.v-input')
        .find((one) => one.text().startsWith(label))!
        .find('input');
      await field.setValue(typed);
      await field.trigger('blur');
    };
    await type('Days back', '4');
    expect((lastEmitted(page, 'change') as House[])[0]!.daysBack).toBe(4);
    await type('Days with it', '');
    expect((lastEmitted(page, 'change') as House[])[0]).not.toHaveProperty('daysWithIt');
  });
});

describe('where a pour is burnt out', () => {
  const show = (house: Partial<House>, sentAt?: string) =>
    shop.show(HouseChoice, { houses: [{ ...HOUSE, ...house }], houseKey: 'h', readonly: false, sentAt });
  it('says nothing good of what it does not know', () => {
    const { daysWithIt: _unknown, ...rest } = HOUSE;
    const page = shop.show(HouseChoice, {
      houses: [rest],
      houseKey: 'h',
      readonly: false,
      sentAt: undefined,
    });
    expect(flatText(page)).toContain('Its burnout is not known here');
    expect(flatText(page)).toContain('What it accepts nobody has written down');
    expect(flatText(page)).toContain('How many days it has it is not known');
    expect(flatText(show({ accepts: 'castable wax' }))).toContain('It accepts: castable wax.');
  });
  it('is handed over by a press, and taken back by one', async () => {
    const page = show({});
    await buttonOf(page, 'Handed over now').trigger('click');
    expect(Date.parse(lastEmitted(page, 'sent') as string)).toBeGreaterThan(0);
    const sent = show({}, new Date().toISOString());
    await buttonOf(sent, 'Not handed over').trigger('click');
    expect(sent.emitted('sent')!.at(-1)).toEqual([undefined]);
  });
});
