// @vitest-environment happy-dom
import { flushPromises } from '@vue/test-utils';
import { describe, expect, it } from 'vitest';
import { useFakeShop } from '../testing/fakeServer';
import { buttonOf } from '../testing/showInPour';
import OptionalFields from './OptionalFields.vue';
import ReaderFields from './ReaderFields.vue';

const shop = useFakeShop();

describe('what the shop mixes in', () => {
  it('is kept field by field, and not known again when emptied', async () => {
    const page = shop.show(OptionalFields, {
      of: 'investing',
      fields: ['bowlMl', 'flasksAtOnce'],
      kept: { flasksAtOnce: 2 },
    });
    const [bowl, flasks] = page.findAll('input');
    await bowl!.setValue('2500');
    await bowl!.trigger('blur');
    expect(page.emitted('change')!.at(-1)).toEqual([{ flasksAtOnce: 2, bowlMl: 2500 }]);
    await flasks!.setValue('');
    await flasks!.trigger('blur');
    expect(page.emitted('change')!.at(-1)).toEqual([{}]);
  });
});

describe('balance and thermometer', () => {
  it('are offered as stand-ins while they have no address, and lose theirs when it is emptied', async () => {
    const page = shop.show(ReaderFields, { readers: { thermometerUrl: 'http://10.0.0.7/t' } });
    await flushPromises();
    expect(page.text()).not.toContain('use the stand-in thermometer');
    await buttonOf(page, 'use the stand-in balance').trigger('click');
    expect(page.emitted('change')!.at(-1)).toEqual([
      { thermometerUrl: 'http://10.0.0.7/t', balanceUrl: 'http://127.0.0.1:4690/balance' },
    ]);
    const field = page.findAll('input')[1]!;
    await field.setValue('');
    await field.trigger('change');
    expect(page.emitted('change')!.at(-1)).toEqual([{}]);
  });
});
