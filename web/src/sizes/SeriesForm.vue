<script setup lang="ts">
import StandingLine from '../components/StandingLine.vue';
import { SIZE_AXES, type SizeSeries } from '@zero-pour/contracts';
import { castsWax, SIZE_STAGES, type SizeStage } from '@zero-pour/core';
import { computed } from 'vue';
import MomentField from '../components/MomentField.vue';
import NoteField from '../components/NoteField.vue';
import { useRecords } from '../state/recordStore';
import { useEdited } from '../state/useEdited';
import PairRows from './PairRows.vue';
import ThingsFields from './ThingsFields.vue';

/** One series: what it was made with, where it was measured, and its sizes. */
const props = defineProps<{ series: SizeSeries }>();
const emit = defineEmits<{ remove: [series: SizeSeries] }>();
const records = useRecords();
const { item, standing, change } = useEdited<SizeSeries>(
  () => props.series,
  () => (changed) => records.keepTyped('sizeSeries', changed),
);
const shown = computed(() => item.value ?? props.series);
const set = (fields: Partial<SizeSeries>): void => change({ ...shown.value, ...fields });

const STAGE_TITLES: Record<SizeStage, string> = {
  printed: 'off the printer',
  cured: 'cured',
  wax: 'as wax',
  cast: 'as cast',
  finished: 'finished',
};
/** Wax comes out of molds only. */
function setStage(stage: SizeStage): void {
  const needsMold = stage === 'wax' && !castsWax(shown.value.route);
  set({ stage, ...(needsMold ? { route: 'wax from a rubber mold', moldMaterial: 'natural rubber' } : {}) });
}
</script>

<template>
  <section :aria-label="`Series of ${shown.stage} sizes`">
    <div class="head">
      <h2>Measured {{ STAGE_TITLES[shown.stage] }}</h2>
      <StandingLine :standing="standing" />
      <button type="button" class="text-button" @click="emit('remove', shown)">Take this series away</button>
    </div>
    <div class="form-grid">
      <v-select
        label="Measured"
        :items="SIZE_STAGES.map((value) => ({ title: STAGE_TITLES[value], value }))"
        :model-value="shown.stage"
        @update:model-value="setStage"
      />
      <ThingsFields :things="shown" :stage="shown.stage" @change="set" />
      <MomentField
        past
        label="When"
        :model-value="shown.measuredAt"
        @update:model-value="(at) => at && set({ measuredAt: at })"
      />
      <v-text-field
        label="Bottle or lot"
        maxlength="60"
        :model-value="shown.lot"
        @update:model-value="(lot) => set({ lot })"
      />
    </div>
    <PairRows class="mt-4" :pairs="shown.pairs" :axes="SIZE_AXES" @change="(pairs) => set({ pairs })" />
    <NoteField
      class="mt-4"
      label="Note"
      :model-value="shown.note"
      @update:model-value="(note) => set({ note: note ?? '' })"
    />
  </section>
</template>

<style scoped>
.head {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 16px;
  align-items: baseline;
  margin-bottom: 12px;
}
.head h2 {
  font-size: 17px;
  color: var(--ink);
}
.head .text-button {
  margin-left: auto;
}
</style>
