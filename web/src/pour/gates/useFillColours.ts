import { FILL_LIMITS } from '@zero-pour/core';
import { fillMarginsJob } from '@zero-pour/jobs';
import type { PartFill } from '@zero-pour/plan';
import { computed, watch, type ComputedRef } from 'vue';
import { useJob } from '../../jobs';
import { fillRamp, paintFill, type ViewShape } from '../../pattern';

export const FILL_RAMP = fillRamp(FILL_LIMITS.least, FILL_LIMITS.good);

/** Colours of a part by how well each place fills; null while they are not asked for, or not there yet. */
export function useFillColours(
  fill: () => PartFill | undefined,
  shape: () => ViewShape | undefined,
  shown: () => boolean,
): ComputedRef<Uint8Array | null> {
  const { state, ask } = useJob(fillMarginsJob, { waitMs: 60, resident: true });
  let of: ViewShape | undefined;
  let [name, count] = ['', 0];
  watch(
    [fill, shape, shown],
    () => {
      const wish = fill()?.wish;
      const now = shape();
      if (!shown() || !wish || !now) return;
      const { hottest: _hottest, ...asked } = wish;
      if (of !== now) [of, name] = [now, `places ${++count}`];
      const { buffer, byteOffset, byteLength } = now.positions;
      const bytes = new Uint8Array(buffer as ArrayBuffer, byteOffset, byteLength);
      ask({ ...asked, places: name }, new Map([[name, bytes]]));
    },
    { immediate: true },
  );
  return computed(() => {
    const now = shape();
    if (!shown() || state.value.status !== 'done' || !now || of !== now) return null;
    const { output } = state.value;
    return output.length === now.positions.length / 3 ? paintFill(output, FILL_RAMP) : null;
  });
}
