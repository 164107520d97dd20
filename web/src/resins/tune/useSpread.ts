import { USUAL_SPREAD } from '@zero-pour/core';
import { spreadJob } from '@zero-pour/jobs';
import { shopTunings } from '@zero-pour/plan';
import { computed, shallowRef, watch } from 'vue';
import { useJob } from '../../jobs';
import { useRecords } from '../../state/recordStore';

/** How much this shop's coupons scatter, from all its tunings but the coupon being counted; what is usual until that is known. */
export function useSpread(counted: () => string | undefined) {
  const records = useRecords();
  const { state, ask } = useJob(spreadJob, { background: true });
  const known = shallowRef(USUAL_SPREAD);
  watch(
    () => (records.ready ? shopTunings(records.lists, counted()) : undefined),
    (tunings) => tunings && ask(tunings),
    { immediate: true },
  );
  watch(state, (now) => {
    if (now.status === 'done') known.value = now.output;
  });
  const spread = computed(() => known.value);
  /** Being worked out anew: what stands on it may yet change. */
  const outdated = computed(() => state.value.status === 'working');
  return { spread, outdated };
}
