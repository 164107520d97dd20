import type { Look } from '@zero-pour/core';
import { useLocalStorage, useWakeLock } from '@vueuse/core';
import { computed, onMounted, shallowRef } from 'vue';
import { useQuickNow } from '../state/clock';
import { isLeft, isRunning, nextStep } from '../state/timedSteps';
import type { BenchSource } from './benchSource';
import { useStepClock } from './useStepClock';
import { useTimers } from './useTimers';

const SHOWN_AHEAD = 5;

/** Steps at the bench: which one is in work, how long it has, and going on or back. */
export function useBench({ id, steps, keep, oneByOne }: BenchSource) {
  const now = useQuickNow();
  const sound = useLocalStorage('zero-pour.bench-sound', true);
  const { isSupported: canStayLit, isActive: staysLit, request: stayLit } = useWakeLock();
  onMounted(() => void stayLit('screen').catch(() => {}));

  /** A step that was chosen out of turn, so that several run side by side. */
  const chosen = shallowRef<string>();
  const step = computed(
    () => steps.value.find((s) => s.key === chosen.value && isLeft(s)) ?? nextStep(steps.value),
  );
  const index = computed(() => steps.value.findIndex((s) => s === step.value));
  const ahead = computed(() =>
    steps.value
      .filter((s) => isLeft(s) && s !== step.value && s.record?.startedAt === undefined)
      .slice(0, SHOWN_AHEAD),
  );
  const waitsForBegin = computed(
    () => step.value?.seconds != null && step.value.endsAt === undefined && oneByOne,
  );

  const { timers, ...timerActions } = useTimers(id, () =>
    steps.value.filter((s) => s !== step.value && isRunning(s) && s.record?.startedAt !== undefined),
  );
  const stepClock = useStepClock({ step, timers, now, sound });

  const iso = (): string => new Date().toISOString();
  const focus = (key: string): void => void (chosen.value = key);

  /** Begins what waits to be begun, else ends the step; false when nothing is left. */
  function goOn(saw?: Look): boolean {
    const s = step.value;
    if (!s) return false;
    if (waitsForBegin.value) {
      keep(s.key, { startedAt: iso() });
      return true;
    }
    const look = s.looks ? { saw: saw ?? s.looks[0]! } : {};
    keep(s.key, { ...s.record, doneAt: iso(), ...look });
    chosen.value = undefined;
    beginNext();
    return true;
  }
  function beginNext(): void {
    const following = nextStep(steps.value);
    if (oneByOne && following?.beginsItself && !following.record?.startedAt)
      keep(following.key, { startedAt: iso() });
  }
  function leaveOut(): void {
    if (step.value) keep(step.value.key, { skipped: true });
    chosen.value = undefined;
  }

  /** Takes the last step up again, or what was begun of this one. */
  function stepBack(): void {
    const s = step.value;
    if (s?.record?.startedAt) return keep(s.key, undefined);
    const at = index.value < 0 ? steps.value.length : index.value;
    const before = steps.value[at - 1];
    if (!before) return;
    const { startedAt } = before.record ?? {};
    keep(before.key, startedAt ? { startedAt } : undefined);
  }

  return {
    now,
    sound,
    canStayLit,
    staysLit,
    steps,
    step,
    index,
    ahead,
    timers,
    timerActions,
    waitsForBegin,
    ...stepClock,
    focus,
    goOn,
    leaveOut,
    stepBack,
  };
}
