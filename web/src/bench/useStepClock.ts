import { computed, watch, type Ref } from 'vue';
import type { TimedStep } from '../state/timedSteps';
import { formatStopwatch } from '../time/formatMoment';
import { beep } from './beep';

/** What is over beeps again after so long, until it is done. */
const AGAIN_MS = 20_000;
/** “Turn it now” stands so long. */
const REMIND_MS = 30_000;

/** How long the step in work has, and the sound when it, or a timer beside it, is over. */
export function useStepClock({
  step,
  timers,
  now,
  sound,
}: {
  step: Readonly<Ref<TimedStep | undefined>>;
  timers: Readonly<Ref<readonly { endsAt: number }[]>>;
  now: Readonly<Ref<Date>>;
  sound: Readonly<Ref<boolean>>;
}) {
  const leftMs = computed(() =>
    step.value?.endsAt === undefined ? undefined : step.value.endsAt - now.value.getTime(),
  );
  const isOver = computed(() => leftMs.value !== undefined && leftMs.value <= 0);
  /** What is said once the least time is over: how long it may still take, or that it was too long. */
  const overWords = computed(() => {
    const { lastAt } = step.value ?? {};
    if (!isOver.value || lastAt === undefined) return '';
    const left = lastAt - now.value.getTime();
    return left >= 0 ? `Ready; at most ${formatStopwatch(left)} more.` : 'Longer than it should be.';
  });
  const overCount = computed(
    () => timers.value.filter((timer) => timer.endsAt <= now.value.getTime()).length + (isOver.value ? 1 : 0),
  );
  /** How often it was to be turned by now; the words stand for a while after each. */
  const turns = computed(() => {
    const { everyMs, record } = step.value ?? {};
    if (!everyMs || !record?.startedAt || isOver.value) return { count: 0, due: false };
    const ranMs = now.value.getTime() - Date.parse(record.startedAt);
    const count = Math.max(0, Math.floor(ranMs / everyMs));
    return { count, due: count > 0 && ranMs - count * everyMs < REMIND_MS };
  });
  const turnWords = computed(() => (turns.value.due ? 'Turn or move it now.' : ''));
  watch(
    () => `${step.value?.key} ${turns.value.count}`,
    () => turns.value.due && sound.value && beep(),
  );
  let beepedAt = 0;
  watch([overCount, now], ([count, at], [before]) => {
    if (count === 0 || !sound.value) return;
    if (count <= (before ?? 0) && at.getTime() - beepedAt < AGAIN_MS) return;
    beepedAt = at.getTime();
    beep();
  });

  /** The large digits: time left, time over with a plus, or the step's length before it is begun. */
  const digits = computed(() => {
    if (!step.value) return '';
    if (leftMs.value === undefined)
      return step.value.seconds === null ? '' : formatStopwatch(step.value.seconds * 1000);
    return leftMs.value >= 0 ? formatStopwatch(leftMs.value) : `+${formatStopwatch(-leftMs.value)}`;
  });

  return { digits, isOver, overWords, turnWords };
}
