// @vitest-environment happy-dom
import { METRIC, say, quantity } from '@zero-pour/core';
import type { VueWrapper } from '@vue/test-utils';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { nextTick } from 'vue';
import { useUnits } from '../state/unitStore';
import { lastEmitted, mountInApp } from '../testing/mountInApp';
import ChoiceRow from './ChoiceRow.vue';
import JudgementList from './JudgementList.vue';
import MomentField from './MomentField.vue';
import NoteField from './NoteField.vue';
import QuantityField from './QuantityField.vue';
import ReadingField from './ReadingField.vue';

let mounted: VueWrapper | undefined;
beforeEach(() => localStorage.clear());
afterEach(() => mounted?.unmount());
const show = (...args: Parameters<typeof mountInApp>): VueWrapper => (mounted = mountInApp(...args));

const input = (wrapper: VueWrapper): HTMLInputElement => wrapper.find('input').element as HTMLInputElement;
async function type(wrapper: VueWrapper, text: string, leave = true): Promise<void> {
  const field = wrapper.find('input');
  await field.trigger('focus');
  await field.setValue(text);
  if (leave) await field.trigger('blur');
}

describe('a quantity', () => {
  const length = { label: 'Diameter', unit: 'mm', modelValue: undefined, min: 0.3, max: 30 };

  it('is taken as it is typed, in its own unit or another', async () => {
    const field = show(QuantityField, length);
    await type(field, '1/16 in', false);
    expect(lastEmitted(field, 'update:modelValue')).toBeCloseTo(1.5875, 6);
    expect(field.text()).toContain('= 1.59 mm');
    await type(field, '12,5', false);
    expect(lastEmitted(field, 'update:modelValue')).toBe(12.5);
  });

  it('takes what a ring stick says where a length is asked for, and shows it in mm', async () => {
    const field = show(QuantityField, { label: 'Bore', unit: 'mm', modelValue: undefined, max: 400 });
    await field.find('input').trigger('focus');
    await type(field, 'US 7', false);
    expect(lastEmitted(field, 'update:modelValue')).toBeCloseTo(17.3196, 9);
    expect(field.text()).toContain('= 17.32 mm');
    const weight = show(QuantityField, { label: 'Weight', unit: 'g', modelValue: undefined });
    await type(weight, 'US 7', false);
    expect(weight.emitted('update:modelValue')).toBeUndefined();
  });

  it('keeps what it does not understand on view, with a sentence, and says nothing of it upward', async () => {
    const field = show(QuantityField, length);
    await type(field, 'thick');
    expect(field.emitted('update:modelValue')).toBeUndefined();
    expect([input(field).value, field.text().includes('“thick” is not understood here')]).toEqual([
      'thick',
      true,
    ]);
  });

  it('names its range, and offers Fahrenheit where Celsius is far off', async () => {
    const field = show(QuantityField, {
      label: 'Flask',
      unit: 'degC',
      modelValue: undefined,
      min: 30,
      max: 800,
    });
    await type(field, '1000');
    expect(field.text()).toContain('From 30 °C to 800 °C. If you mean Fahrenheit, write 1000 F.');
    expect(field.emitted('update:modelValue')).toBeUndefined();
    await type(field, '1000 F');
    expect(lastEmitted(field, 'update:modelValue')).toBeCloseTo(537.78, 2);
  });

  it('gives way to what stands for it when emptied, unless it is needed', async () => {
    const field = show(QuantityField, {
      ...length,
      modelValue: 4,
      standard: 6,
      standardFrom: 'as the shop does',
    });
    await type(field, '');
    expect(lastEmitted(field, 'update:modelValue')).toBeUndefined();
    expect(field.emitted('update:modelValue')).toHaveLength(1);
    mounted?.unmount();
    const needed = show(QuantityField, { ...length, modelValue: 4, required: true });
    await type(needed, '');
    expect(needed.emitted('update:modelValue')).toBeUndefined();
    expect(needed.text()).toContain('Needed here.');
  });

  it('shows what is kept without idle zeros, and follows the unit switch', async () => {
    const field = show(QuantityField, { label: 'Weight', unit: 'g', modelValue: 31.1, digits: 3 });
    expect(input(field).value).toBe('31.1');
    useUnits().set({ weight: 'dwt' });
    await nextTick();
    expect(input(field).value).toBe('19.998');
    useUnits().set({ ...METRIC });
  });
});

describe('a reading', () => {
  const flask = { label: 'Flask', unit: 'degC', modelValue: undefined, min: 10, max: 1000 };
  const state = (wrapper: VueWrapper) => wrapper.find('select.state');

  it('is measured unless something else is said', async () => {
    const field = show(ReadingField, flask);
    await type(field, '541');
    expect(lastEmitted(field, 'update:modelValue')).toEqual({ state: 'measured', value: 541 });
  });

  it('waits for the number of a guess: nothing is kept as 0', async () => {
    const field = show(ReadingField, flask);
    await state(field).setValue('guessed');
    expect(lastEmitted(field, 'update:modelValue')).toBeUndefined();
    await type(field, '500');
    expect(lastEmitted(field, 'update:modelValue')).toEqual({ state: 'guessed', value: 500 });
  });

  it('can be felt, when it is a temperature, or not measured at all', async () => {
    const field = show(ReadingField, flask);
    await state(field).setValue('felt');
    // How it felt is nobody's to say but the hand's.
    expect(lastEmitted(field, 'update:modelValue')).toBeUndefined();
    field.findComponent({ name: 'VSelect' }).vm.$emit('update:modelValue', 'cold');
    expect(lastEmitted(field, 'update:modelValue')).toEqual({ state: 'felt', felt: 'cold' });
    await state(field).setValue('not measured');
    expect(lastEmitted(field, 'update:modelValue')).toEqual({ state: 'not measured' });
    mounted?.unmount();
    const weight = show(ReadingField, { ...flask, unit: 'g' });
    expect(
      state(weight)
        .findAll('option')
        .map((o) => o.text()),
    ).toEqual(['measured', 'guessed', 'not measured']);
  });

  it('that was not measured can be measured after all, where its form writes “not measured” for nothing', async () => {
    const field = show(ReadingField, { ...flask, modelValue: { state: 'not measured' } });
    await state(field).setValue('measured');
    expect(field.emitted('update:modelValue')).toBeUndefined();
    await type(field, '28');
    expect(lastEmitted(field, 'update:modelValue')).toEqual({ state: 'measured', value: 28 });
  });

  it('turns a kept number into a guess without losing it', async () => {
    const field = show(ReadingField, { ...flask, modelValue: { state: 'measured', value: 530 } });
    await state(field).setValue('guessed');
    expect(lastEmitted(field, 'update:modelValue')).toEqual({ state: 'guessed', value: 530 });
  });
});

describe('a moment', () => {
  it('is kept when the field is left, as it was understood', async () => {
    const field = show(MomentField, { label: 'Pour wanted', modelValue: undefined });
    await type(field, '26 Nov 2031 09:15', false);
    expect(field.text()).toContain('= Wed 26 Nov 2031 09:15');
    expect(field.emitted('update:modelValue')).toBeUndefined();
    await field.find('input').trigger('blur');
    expect(lastEmitted(field, 'update:modelValue')).toBe(new Date(2031, 10, 26, 9, 15).toISOString());
  });

  it('says how to write it when it is not understood, and is taken away when emptied', async () => {
    const field = show(MomentField, {
      label: 'Pour wanted',
      modelValue: new Date(2031, 10, 26, 9, 15).toISOString(),
    });
    expect(input(field).value).toBe('Wed 26 Nov 2031 09:15');
    await type(field, 'soon');
    expect(field.text()).toContain('Write it like “Thu 09:15”');
    expect(field.emitted('update:modelValue')).toBeUndefined();
    await type(field, '');
    expect(field.emitted('update:modelValue')).toEqual([[undefined]]);
  });
});

describe('words and choices', () => {
  it('a note goes up as it is typed, and away when emptied', async () => {
    const note = show(NoteField, { label: 'Note', modelValue: 'tide' });
    await type(note, 'tide tables', false);
    expect(lastEmitted(note, 'update:modelValue')).toBe('tide tables');
    await type(note, '', false);
    expect(lastEmitted(note, 'update:modelValue')).toBeUndefined();
  });

  it('a row of choices says which is pressed', async () => {
    const row = show(ChoiceRow, { label: 'Outcome', options: ['sellable', 'scrap'], modelValue: 'scrap' });
    const pressed = row.findAll('[role=radio]').map((b) => b.attributes('aria-checked'));
    expect(pressed).toEqual(['false', 'true']);
    await row.findAll('button')[0]!.trigger('click');
    expect(lastEmitted(row, 'choose')).toBe('sellable');
  });

  it('judgements stand gravest first, each with its weight in words', () => {
    const list = show(JudgementList, {
      judgements: [
        { rule: 'a', weight: 'ok', lead: 'Clear.', why: say`${quantity(9, 'mm', 0)} wide.` },
        { rule: 'b', weight: 'stop', lead: 'Does not go in.', why: say`Too wide.` },
      ],
    });
    expect(list.findAll('li').map((li) => li.text().replace(/\s+/g, ' '))).toEqual([
      'stopDoes not go in. Too wide.',
      'okClear. 9 mm wide.',
    ]);
  });

  it('a judgement that comes is read out: the place for it is there before, and its list looks as it is placed', async () => {
    const list = show(JudgementList, { judgements: [], class: 'mt-3' });
    const live = list.element;
    expect([list.attributes('aria-live'), list.find('ul').exists()]).toEqual(['polite', false]);
    await list.setProps({ judgements: [{ rule: 'a', weight: 'ok', lead: 'Clear.', why: say`Wide.` }] });
    expect(list.element).toBe(live);
    expect(list.find('ul').classes()).toContain('mt-3');
  });
});
