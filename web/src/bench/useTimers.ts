import { useLocalStorage } from '@vueuse/core';
import { computed } from 'vue';
import { useBoard } from '../state/boardStore';
import { cleanSteps, isRunning, type TimedStep } from '../state/timedSteps';

/** Something else that runs while the hands are busy here. */
export interface RunningTimer {
  key: string;
  name: string;
  endsAt: number;
  kind: 'step here' | 'other pour' | 'own';
}

interface OwnTimer {
  key: string;
  name: string;
  endsAt: number;
}

/** Timers beside the step in work: other steps of this list, steps of other pours, and one's own. */
export function useTimers(pourId: () => string, runningHere: () => readonly TimedStep[]) {
  const board = useBoard();
  /** In this browser, so that they outlast the tab. */
  const own = useLocalStorage<OwnTimer[]>('zero-pour.timers', [], { shallow: true });

  const timers = computed<RunningTimer[]>(() =>
    [
      ...runningHere().map(({ key, name, endsAt }) => ({
        key,
        name,
        endsAt: endsAt!,
        kind: 'step here' as const,
      })),
      ...board.rows
        .filter(({ pour }) => pour.id !== pourId())
        .flatMap(({ pour, plan }) =>
          cleanSteps(plan)
            .filter(isRunning)
            .map(({ key, name, endsAt }) => ({
              key: `${pour.id} ${key}`,
              name: `Pour ${pour.number}: ${name}`,
              endsAt: endsAt!,
              kind: 'other pour' as const,
            })),
        ),
      ...own.value.map((timer) => ({ ...timer, kind: 'own' as const })),
    ].sort((a, b) => a.endsAt - b.endsAt),
  );

  function start(minutes: number): void {
    const key = crypto.randomUUID();
    own.value = [...own.value, { key, name: `${minutes} min timer`, endsAt: Date.now() + minutes * 60_000 }];
  }
  const stop = (key: string): void => {
    own.value = own.value.filter((timer) => timer.key !== key);
  };
  return { timers, start, stop };
}
