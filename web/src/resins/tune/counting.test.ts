// @vitest-environment happy-dom
import { BENCH_RECORD_SCHEMAS, type Trial } from '@zero-pour/contracts';
import { usualCoupon } from '@zero-pour/core';
import type { VueWrapper } from '@vue/test-utils';
import { afterEach, describe, expect, it } from 'vitest';
import { lastEmitted, mountInApp } from '../../testing/mountInApp';
import { NOW, THINGS } from '../../testing/resinThings';
import CountEntry from './CountEntry.vue';
import CountField from './CountField.vue';
import { newTrial, saysSomething, type TrialPlan } from './newTrial';
import { readSeen, seenText } from './readSeen';

const PLAN: TrialPlan = {
  of: 'filigree',
  nextS: 3.7,
  before: undefined,
  coupon: undefined,
  exposureS: 3,
  baseExposureS: 25,
  baseLayers: 6,
};

let mounted: VueWrapper | undefined;
afterEach(() => mounted?.unmount());

describe('a count as it is typed', () => {
  it.each([
    ['22', { good: 22 }],
    ['22/24', { good: 22 }],
    ['22 of 24', { good: 22 }],
    ['0', { good: 0 }],
    ['all', { word: 'all' }],
    ['M', { word: 'most' }],
    ['n', { word: 'none' }],
    ['', null],
    ['-', null],
  ] as const)('“%s”', (text, seen) => {
    expect(readSeen(text, 24)).toEqual({ status: 'read', seen });
  });
  it.each(['25', '-1', '3.5', '12/20', 'many'])('is refused in a sentence: “%s”', (text) => {
    const read = readSeen(text, 24);
    expect(read.status === 'unreadable' && read.reason).toMatch(/24/);
  });
  it('reads back as it was written', () => {
    for (const text of ['7', 'half']) {
      const read = readSeen(text, 24);
      expect(read.status === 'read' && seenText(read.seen)).toBe(text);
    }
    expect(seenText(undefined)).toBe('');
  });
});

describe('count field', () => {
  it('hands up the count and goes on with Enter, unless it cannot be', async () => {
    mounted = mountInApp(CountField, { label: '0.25 mm struts standing', of: 24, modelValue: null });
    const input = mounted.find('input');
    await input.setValue('22');
    expect(lastEmitted(mounted, 'update:modelValue')).toEqual({ good: 22 });
    await input.trigger('keydown', { key: 'Enter' });
    expect(mounted.emitted('next')).toHaveLength(1);
    await input.setValue('30');
    await input.trigger('keydown', { key: 'Enter' });
    expect(mounted.emitted('next')).toHaveLength(1);
    expect(mounted.find('[role=alert]').text()).toContain('24');
    expect(lastEmitted(mounted, 'update:modelValue')).toEqual({ good: 22 });
  });
  it('takes a word by button', async () => {
    mounted = mountInApp(CountField, { label: 'slots', of: 24, modelValue: null });
    await mounted
      .findAll('button')
      .find((b) => b.text() === 'few')!
      .trigger('click');
    expect(lastEmitted(mounted, 'update:modelValue')).toEqual({ word: 'few' });
    expect((mounted.find('input').element as HTMLInputElement).value).toBe('few');
  });
});

describe('a new trial', () => {
  it('keeps all of the one before but for what is tried', () => {
    const first = newTrial(THINGS, PLAN, NOW);
    expect(BENCH_RECORD_SCHEMAS.trial.safeParse(first).error?.issues).toBeUndefined();
    expect(first).toMatchObject({ exposureS: 3.7, baseExposureS: 25, primingCoats: 2 });
    expect(first.coupon.label).toBe('3.7 S');
    const before: Trial = {
      ...first,
      vatC: { state: 'measured', value: 28 },
      raftMm: 1.2,
      baseExposureS: 30,
    };
    const next = newTrial(THINGS, { ...PLAN, before, nextS: 4.1 }, NOW);
    expect(next).toMatchObject({ exposureS: 4.1, baseExposureS: 30, vatC: before.vatC });
    expect(next.counts).toEqual({});
  });
  it('tries base seconds at the exposure as it was', () => {
    const base = newTrial(THINGS, { ...PLAN, of: 'base', nextS: 32 }, NOW);
    expect(base).toMatchObject({ exposureS: 3, baseExposureS: 32 });
  });
  it('takes the coupon that was made for it', () => {
    const made = { ...usualCoupon('x', ['heavy']), raftMm: 1.4 };
    const trial = newTrial(THINGS, { ...PLAN, coupon: made }, NOW);
    expect(trial.coupon.classes.map((c) => c.castClass)).toEqual(['heavy']);
    expect(trial.raftMm).toBe(1.4);
  });
  it('says something once anything was seen', () => {
    const trial = newTrial(THINGS, PLAN, NOW);
    expect(saysSomething(trial)).toBe(false);
    expect(saysSomething({ ...trial, counts: { filigree: { struts: null, slots: null } } })).toBe(false);
    expect(saysSomething({ ...trial, counts: { filigree: { struts: { good: 0 }, slots: null } } })).toBe(
      true,
    );
    expect(saysSomething({ ...trial, base: 'curled' })).toBe(true);
  });
});

describe('counting a coupon', () => {
  it('has a field for every row, and keeps what is typed beside what was', async () => {
    const trial = newTrial(THINGS, { ...PLAN, coupon: usualCoupon('', ['filigree', 'standard']) }, NOW);
    mounted = mountInApp(CountEntry, { trial, number: 1, standing: 'kept' });
    const inputs = mounted.findAll('[data-count]');
    expect(inputs.map((i) => i.attributes('aria-label'))).toEqual([
      '0.25 mm struts standing of 24',
      '0.25 mm slots open of 24',
      '0.4 mm struts standing of 24',
      '0.4 mm slots open of 24',
    ]);
    await inputs[1]!.setValue('all');
    expect(lastEmitted(mounted, 'change')).toMatchObject({
      counts: { filigree: { struts: null, slots: { word: 'all' } } },
    });
    await mounted
      .findAll('[role=radio]')
      .find((b) => b.text() === 'curled')!
      .trigger('click');
    expect(lastEmitted(mounted, 'change')).toMatchObject({ base: 'curled' });
    await mounted
      .findAll('button')
      .find((b) => b.text() === 'slots webbed')!
      .trigger('click');
    expect(lastEmitted(mounted, 'change')).toMatchObject({ flaws: ['slots webbed'] });
    await mounted.trigger('keydown', { key: 'Escape' });
    expect(mounted.emitted('close')).toHaveLength(1);
  });
});
