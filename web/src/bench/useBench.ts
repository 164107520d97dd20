import type { StepRecord } from '@zero-pour/contracts';
import { valueOf } from '@zero-pour/plan';
import { computed, watch } from 'vue';
import { useQuickNow } from '../state/clock';
import type { PourHandle } from '../state/usePour';
import { formatStopwatch } from '../time/formatMoment';
import { beep } from './beep';
import { cleanSteps, investingSteps, nextStep, type TimedStep } from './timedSteps';

const SHOWN_AHEAD = 5;

/**
 * Steps at the bench: which one is in work, how long it has, and going on or back. All times are kept with the
 * pour, so that a reload loses nothing.
 */
export function useBench({ pour, plan, set }: PourHandle, stage: 'clean' | 'invest') {
  const now = useQuickNow();

  const steps = computed<TimedStep[]>(() =>
    stage === 'clean' ? cleanSteps(plan.value) : investingSteps(plan.value),
  );
  const step = computed(() => nextStep(steps.value));
  const index = computed(() => steps.value.findIndex((s) => s === step.value));
  const ahead = computed(() => steps.value.slice(index.value + 1, index.value + 1 + SHOWN_AHEAD));
  const mix = computed(() => valueOf(plan.value.mix));
  const powderIn = computed(() => pour.value.doc.invest.powderInAt);
  const waitsForPowder = computed(() => stage === 'invest' && powderIn.value === undefined);
  const waitsForBegin = computed(
    () => stage === 'clean' && step.value?.seconds != null && step.value.record?.startedAt === undefined,
  );

  /** On the investing clock a step ends at its place on the clock; a cleaning step counts from its own begin. */
  const endsAt = computed<number | undefined>(() => {
    const s = step.value;
    if (!s || s.seconds === null) return undefined;
    if (stage === 'clean')
      return s.record?.startedAt ? Date.parse(s.record.startedAt) + s.seconds * 1000 : undefined;
    const ends = mix.value?.steps.find((m) => m.key === s.key)?.endsAtMin;
    return powderIn.value && ends != null ? Date.parse(powderIn.value) + ends * 60_000 : undefined;
  });
  const leftMs = computed(() =>
    endsAt.value === undefined ? undefined : endsAt.value - now.value.getTime(),
  );
  const isOver = computed(() => leftMs.value !== undefined && leftMs.value <= 0);
  watch(isOver, (over) => {
    if (over) beep();
  });

  /** The large digits: time left, time over with a plus, or the step's length before it is begun. */
  const digits = computed(() => {
    if (!step.value) return '';
    if (leftMs.value === undefined)
      return step.value.seconds === null ? '' : formatStopwatch(step.value.seconds * 1000);
    return leftMs.value >= 0 ? formatStopwatch(leftMs.value) : `+${formatStopwatch(-leftMs.value)}`;
  });

  const iso = (): string => new Date().toISOString();
  const keep = (key: string, record: StepRecord | undefined): void => set([stage, 'steps', key], record);

  /** Begins what waits to be begun, else ends the step and begins the next; false when nothing is left. */
  function goOn(): boolean {
    const s = step.value;
    if (waitsForPowder.value) set(['invest', 'powderInAt'], iso());
    else if (!s) return false;
    else if (waitsForBegin.value) keep(s.key, { startedAt: iso() });
    else {
      keep(s.key, { ...s.record, doneAt: iso() });
      const following = nextStep(steps.value);
      if (stage === 'clean' && following && following.seconds !== null)
        keep(following.key, { startedAt: iso() });
    }
    return true;
  }

  /** Takes the last step up again; from the first investing step, takes the powder's moment back. */
  function stepBack(): void {
    const s = step.value;
    if (s?.record?.startedAt && stage === 'clean') keep(s.key, undefined);
    const at = index.value < 0 ? steps.value.length : index.value;
    const before = steps.value[at - 1];
    if (before)
      keep(before.key, before.record?.startedAt ? { startedAt: before.record.startedAt } : undefined);
    else if (stage === 'invest') set(['invest', 'powderInAt'], undefined);
  }

  return {
    now,
    steps,
    step,
    index,
    ahead,
    mix,
    powderIn,
    waitsForPowder,
    waitsForBegin,
    digits,
    isOver,
    goOn,
    stepBack,
  };
}
