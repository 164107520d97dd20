<script setup lang="ts">
import { planEarliest, valueOf } from '@zero-pour/plan';
import { computed } from 'vue';
import MomentField from '../../components/MomentField.vue';
import { useSlowNow } from '../../state/clock';
import { usePour } from '../../state/usePour';
import { formatMoment } from '../../time/formatMoment';

/** The wanted pour and the due day, with what is possible from now. */
const { pour, plan, set } = usePour();
const now = useSlowNow();
const brief = computed(() => pour.value.doc.brief);
const earliest = computed(() => {
  const burnout = valueOf(plan.value.burnout);
  return burnout && !pour.value.doc.burnout.startedAt ? planEarliest(plan.value, burnout, now.value) : null;
});
const late = computed(() => {
  const times = valueOf(plan.value.times);
  return times && !times.poured && !times.kilnStarted && times.start < now.value - 60_000
    ? times.start
    : undefined;
});
const takeEarliest = (): void => {
  if (earliest.value !== null) set(['brief', 'zeroAt'], new Date(earliest.value).toISOString());
};
</script>

<template>
  <section class="stage-block">
    <h2>When</h2>
    <div class="form-grid when">
      <MomentField
        label="Pour wanted"
        :model-value="brief.zeroAt"
        @update:model-value="(at) => set(['brief', 'zeroAt'], at)"
      />
      <MomentField
        label="Due to the customer"
        :model-value="brief.dueAt"
        hint="If there is a day"
        @update:model-value="(at) => set(['brief', 'dueAt'], at)"
      />
    </div>
    <v-checkbox
      label="No plan moves it"
      :model-value="brief.zeroPinned === true"
      hide-details
      @update:model-value="(pinned) => set(['brief', 'zeroPinned'], pinned ? true : undefined)"
    />
    <p v-if="late !== undefined" class="late">
      <b>Too late for that hour.</b> The first step left should have begun {{ formatMoment(late, now) }}.
    </p>
    <p v-if="earliest !== null" class="mute mt-2">
      Earliest pour that keeps bench hours: <b class="num">{{ formatMoment(earliest, now) }}</b>
      <button type="button" class="text-button ml-2" @click="takeEarliest">take it</button>
    </p>
  </section>
</template>

<style scoped>
.when {
  grid-template-columns: repeat(auto-fill, minmax(260px, 1fr));
}
.late {
  margin-top: 10px;
  padding: 7px 11px;
  border-left: 4px solid var(--amber);
  background: var(--amber-tint);
}
</style>
