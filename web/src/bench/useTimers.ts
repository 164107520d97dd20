import { useLocalStorage } from '@vueuse/core';
import { METRIC } from '@zero-pour/core';
import { computed } from 'vue';
import { moldTimedSteps, useMolds } from '../molds';
import { useBoard } from '../state/boardStore';
import { cleanSteps, isRunning, type TimedStep } from '../state/timedSteps';

/** Something else that runs while the hands are busy here. */
export interface RunningTimer {
  key: string;
  name: string;
  endsAt: number;
  kind: 'step here' | 'elsewhere' | 'own';
}

interface OwnTimer {
  key: string;
  name: string;
  endsAt: number;
}

/** Timers beside the step in work: other steps of this list, steps of other pours and molds, and one's own. */
export function useTimers(id: () => string, runningHere: () => readonly TimedStep[]) {
  const board = useBoard();
  const molds = useMolds();
  /** Everything else that is cleaned or made, with what it is called. */
  const elsewhere = computed(() => [
    ...board.rows.map(({ pour, plan }) => ({
      id: pour.id,
      name: `Pour ${pour.number}`,
      steps: cleanSteps(plan),
    })),
    ...molds.all
      .filter(({ state }) => state === 'being made')
      .map((mold) => ({
        id: mold.id,
        name: mold.name,
        steps: moldTimedSteps(mold, molds.thingsOf(mold), METRIC),
      })),
  ]);
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
      ...elsewhere.value
        .filter((other) => other.id !== id())
        .flatMap((other) =>
          other.steps.filter(isRunning).map(({ key, name, endsAt }) => ({
            key: `${other.id} ${key}`,
            name: `${other.name}: ${name}`,
            endsAt: endsAt!,
            kind: 'elsewhere' as const,
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
