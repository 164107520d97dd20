<script setup lang="ts">
import type { Planning } from '@zero-pour/contracts';
import { USUAL_MINUTES } from '@zero-pour/core';
import QuantityField from '../components/QuantityField.vue';
import { said } from '../components/said';

/** How long hands are at each piece of work in this shop; empty: as usual. */
const props = defineProps<{ planning: Planning | undefined }>();
const emit = defineEmits<{ change: [planning: Planning] }>();
type Work = keyof typeof USUAL_MINUTES;
const WORKS = Object.keys(USUAL_MINUTES) as Work[];
function setMinutes(work: Work, value: number | undefined): void {
  const { [work]: _before, ...rest } = props.planning?.minutes ?? {};
  emit('change', {
    ...props.planning,
    minutes: value === undefined ? rest : { ...rest, [work]: Math.round(value) },
  });
}
function setPresses(value: number | undefined): void {
  const { presses: _before, ...rest } = props.planning ?? {};
  emit('change', value === undefined ? rest : { ...rest, presses: value });
}
</script>

<template>
  <div class="form-grid">
    <QuantityField
      v-for="work in WORKS"
      :key="work"
      v-bind="said('settings', 'planning', 'minutes', work)"
      :hint="`empty: ${USUAL_MINUTES[work]} min`"
      :model-value="planning?.minutes?.[work]"
      @update:model-value="(value) => setMinutes(work, value)"
    />
    <QuantityField
      v-bind="said('settings', 'planning', 'presses')"
      hint="empty: one"
      :model-value="planning?.presses"
      @update:model-value="setPresses"
    />
  </div>
</template>
