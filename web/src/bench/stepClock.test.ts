// @vitest-environment happy-dom
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { effectScope, nextTick, ref, type EffectScope } from 'vue';
import type { TimedStep } from '../state/timedSteps';
import { useStepClock } from './useStepClock';

const beeps = vi.hoisted(() => ({ count: 0 }));
vi.mock('./beep', () => ({ beep: () => void beeps.count++ }));

const START = Date.parse('2026-11-24T16:00:00.000Z');
const MINUTE = 60_000;
const cure = (fields: Partial<TimedStep> = {}): TimedStep => ({
  key: 'cure',
  name: 'Cure',
  note: '',
  seconds: 30 * 60,
  bounds: '30 min',
  record: { startedAt: new Date(START).toISOString() },
  late: '',
  caution: 'uv',
  endsAt: START + 30 * MINUTE,
  everyMs: 10 * MINUTE,
  ...fields,
});

describe('the reminder of a step', () => {
  let scope: EffectScope;
  const now = ref(new Date(START));
  const sound = ref(true);
  const step = ref<TimedStep | undefined>();
  const begin = (fields: Partial<TimedStep> = {}) => {
    scope?.stop();
    scope = effectScope();
    step.value = cure(fields);
    return scope.run(() => useStepClock({ step, timers: ref([]), now, sound }))!;
  };
  const at = async (minutes: number): Promise<void> => {
    now.value = new Date(START + minutes * MINUTE);
    await nextTick();
  };
  beforeEach(() => {
    beeps.count = 0;
    now.value = new Date(START);
    sound.value = true;
  });

  it('comes every so many minutes, stands a while, and sounds once each time', async () => {
    const { turnWords } = begin();
    await at(5);
    expect([turnWords.value, beeps.count]).toEqual(['', 0]);
    await at(10.1);
    expect([turnWords.value, beeps.count]).toEqual(['Turn or move it now.', 1]);
    await at(10.3);
    expect(beeps.count).toBe(1);
    await at(10.8);
    expect(turnWords.value).toBe('');
    await at(20.2);
    expect([turnWords.value, beeps.count]).toEqual(['Turn or move it now.', 2]);
  });
  it('gives way to the end of the step', async () => {
    const { turnWords, isOver } = begin();
    await at(30.1);
    expect([turnWords.value, isOver.value]).toEqual(['', true]);
  });
  it('is silent without sound, and not there before the step is begun or without one', async () => {
    sound.value = false;
    const { turnWords } = begin();
    await at(10.1);
    expect([turnWords.value, beeps.count]).toEqual(['Turn or move it now.', 0]);
    expect(begin({ record: undefined }).turnWords.value).toBe('');
    const { everyMs: _, ...once } = cure();
    scope.stop();
    scope = effectScope();
    step.value = once;
    const plain = scope.run(() => useStepClock({ step, timers: ref([]), now, sound }))!;
    expect(plain.turnWords.value).toBe('');
  });
});
