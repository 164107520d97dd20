import { heatJob } from '@zero-pour/jobs';
import type { BoardRow } from '@zero-pour/plan';
import { useTimeoutFn } from '@vueuse/core';
import { watch, type ComputedRef } from 'vue';
import { useReadings } from '../jobs';

/** A board that nobody has changed for so long wants the heat of its flasks. */
const WANTS_AFTER_MS = 2500;

/** Orders the heat of every flask on the board that is not reckoned yet: quick ones only, whatever else its pours want. */
export function useBoardHeat(rows: ComputedRef<readonly BoardRow[]>): void {
  const readings = useReadings();
  const wants = (): readonly BoardRow['plan']['wants'][number][] =>
    rows.value.flatMap(({ plan }) => plan.wants.filter(({ job }) => job === heatJob.name));
  const { start } = useTimeoutFn(
    () => {
      for (const wanted of wants()) void readings.order(wanted);
    },
    WANTS_AFTER_MS,
    { immediate: false },
  );
  watch(rows, () => start(), { immediate: true });
}
