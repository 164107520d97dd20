<script setup lang="ts">
import type { Pattern } from '@zero-pour/contracts';
import {
  classifyPart,
  formatPhrase,
  HANG_TILTS_DEG,
  PART_CLASSES,
  type PatternAnalysis,
} from '@zero-pour/core';
import { computed } from 'vue';
import { useShop } from '../../state/shopStore';
import { useUnits } from '../../state/unitStore';

/** What the part is judged by: resin, way of hanging, metal, class. */
const props = defineProps<{ pattern: Pattern; analysis: PatternAnalysis | undefined }>();
const emit = defineEmits<{ class: [classOverride: Pattern['classOverride']] }>();
const resinId = defineModel<string>('resinId', { required: true });
const alloyId = defineModel<string | undefined>('alloyId', { required: true });
const tiltDeg = defineModel<number>('tiltDeg', { required: true });

const shop = useShop();
const units = useUnits();
const reading = computed(() => props.analysis && classifyPart(props.analysis.thickness.histogramMm3));
const reason = computed(() => {
  if (props.pattern.classOverride) return 'The shop’s own choice stands.';
  return reading.value ? `By thickness: ${formatPhrase(reading.value.reason, units.choice)}.` : '';
});
const classes = computed(() => [
  { title: reading.value?.partClass ?? 'by thickness', value: null },
  ...PART_CLASSES.map((name) => ({ title: `${name}, ours`, value: name })),
]);
const resins = computed(() => [
  { title: 'a usual resin', value: '' },
  ...shop.lists.resin.map(({ id, name }) => ({ title: name, value: id })),
]);
const tilts = HANG_TILTS_DEG.map((deg) => ({
  title: deg === 0 ? 'as in the file' : `tilted ${deg}° about x`,
  value: deg,
}));
</script>

<template>
  <div class="judged">
    <v-select v-model="resinId" label="Resin" :items="resins" />
    <v-select v-model="tiltDeg" label="Hangs in the flask" :items="tilts" />
    <v-select
      v-if="shop.lists.alloy.length > 0"
      v-model="alloyId"
      label="Metal"
      :items="shop.lists.alloy.map(({ id, name }) => ({ title: name, value: id }))"
    />
    <v-select
      label="Class"
      :model-value="pattern.classOverride"
      :items="classes"
      :hint="reason"
      persistent-hint
      @update:model-value="(value: Pattern['classOverride']) => emit('class', value)"
    />
  </div>
</template>

<style scoped>
.judged {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(170px, 1fr));
  gap: 12px;
  align-items: start;
  margin-top: 12px;
}
</style>
