import type { Mold } from '@zero-pour/contracts';
import type { UnitChoice } from '@zero-pour/core';
import { computed } from 'vue';
import { moldTimedSteps, type useMolds } from '../molds';
import type { BenchSource } from './benchSource';

/** The steps of making a mold, kept with the mold. */
export function benchOfMold(
  mold: () => Mold,
  molds: ReturnType<typeof useMolds>,
  units: { choice: UnitChoice },
): BenchSource {
  return {
    id: () => mold().id,
    title: () => mold().name,
    steps: computed(() => moldTimedSteps(mold(), molds.thingsOf(mold()), units.choice)),
    keep: (key, record) => molds.recordStep(mold(), key, record),
    oneByOne: true,
    empty: '',
    done: 'Note each shot at the mold: what came out, and how many were good.',
    caution: 'wax',
    back: () => `/molds/${mold().id}`,
  };
}
