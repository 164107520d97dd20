import type { StepRecord } from '@zero-pour/contracts';
import type { CautionKey, UnitChoice } from '@zero-pour/core';
import { computed, type ComputedRef } from 'vue';
import type { BenchList } from '../state/benchLists';
import { recordStep } from '../state/recordSteps';
import { pouringSteps } from '../state/pouringSteps';
import { cleanSteps, investingSteps, powderStep, type TimedStep } from '../state/timedSteps';
import type { PourHandle } from '../state/usePour';

/** A list of steps that can be stepped through at the bench, whosever it is. */
export interface BenchSource {
  /** Of what: timers of everything else are shown beside the step. */
  id: () => string;
  /** "Pour 31 · clean". */
  title: () => string;
  steps: ComputedRef<TimedStep[]>;
  keep: (key: string, record: StepRecord | undefined) => void;
  /** Each timed step is begun by hand, or by itself where it says so; else one clock runs for all of them. */
  oneByOne: boolean;
  empty: string;
  done: string;
  caution: CautionKey;
  /** Where leaving leads. */
  back: () => string;
}

const WORDS: Record<BenchList, Pick<BenchSource, 'empty' | 'done' | 'caution'>> = {
  clean: {
    empty: 'Choose a resin with a cleaning protocol first.',
    done: 'Cured, dry, dust off. What is worth casting is asked at Clean.',
    caution: 'resin',
  },
  invest: {
    empty: 'Choose flask, metal and powder first.',
    done: 'Leave the flask still while it sets.',
    caution: 'powder',
  },
  pour: { empty: 'Choose metal and flask first.', done: 'Read what came out at Result.', caution: 'pour' },
};

function stepsOf({ plan, flask, flaskAt }: PourHandle, list: BenchList, choice: UnitChoice): TimedStep[] {
  if (list === 'clean') return cleanSteps(plan.value, choice);
  return list === 'invest'
    ? [...powderStep(plan.value), ...investingSteps(plan.value)]
    : pouringSteps(plan.value, flask.value, flaskAt.value, choice);
}

/** The steps of one of a pour's lists; all times are kept with the pour, so that a reload loses nothing. */
export function benchOfPour(handle: PourHandle, list: BenchList, units: { choice: UnitChoice }): BenchSource {
  return {
    id: () => handle.pour.value.id,
    title: () => `Pour ${handle.pour.value.number} · ${list}`,
    steps: computed(() => stepsOf(handle, list, units.choice)),
    keep: (key, record) => recordStep(handle, list, key, record),
    oneByOne: list === 'clean',
    ...WORDS[list],
    back: () => `/pours/${handle.pour.value.id}/${list}`,
  };
}
