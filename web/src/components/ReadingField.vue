<script setup lang="ts">
import type { Reading } from '@zero-pour/contracts';
import type { Unit } from '@zero-pour/core';
import { computed, ref, watch } from 'vue';
import QuantityField from './QuantityField.vue';

const props = withDefaults(
  defineProps<{
    label: string;
    unit: Unit;
    modelValue: Reading | undefined;
    min?: number;
    max?: number;
    digits?: number;
  }>(),
  { min: 0, max: 1e5 },
);
const emit = defineEmits<{ 'update:modelValue': [reading: Reading | undefined] }>();

type State = Reading['state'];
/** How it will be known, chosen before it is told what: it waits here, since 0, or "felt right", would be a false reading. */
const chosen = ref<State>();
watch(
  () => props.modelValue,
  () => (chosen.value = undefined),
);

const standing = computed(() => chosen.value ?? props.modelValue?.state ?? 'measured');
const number = computed(() =>
  props.modelValue && 'value' in props.modelValue ? props.modelValue.value : undefined,
);
const states = computed(() => [
  'measured',
  'guessed',
  ...(props.unit === 'degC' ? ['felt'] : []),
  'not measured',
]);

function setNumber(value: number | undefined): void {
  const state = standing.value === 'guessed' ? 'guessed' : 'measured';
  if (value !== undefined) emit('update:modelValue', { state, value });
  // Emptied it says nothing; a number that was never there is not taken away.
  else if (number.value !== undefined) emit('update:modelValue', undefined);
}

function setState(state: State): void {
  chosen.value = undefined;
  if (state === 'not measured') emit('update:modelValue', { state });
  else if (state !== 'felt' && number.value !== undefined)
    emit('update:modelValue', { state, value: number.value });
  else if (state !== props.modelValue?.state) chosen.value = state;
}
</script>

<template>
  <div class="reading">
    <v-select
      v-if="standing === 'felt'"
      :label="label"
      :items="['cold', 'right', 'hot']"
      :model-value="modelValue?.state === 'felt' ? modelValue.felt : undefined"
      placeholder="cold, right or hot?"
      persistent-placeholder
      @update:model-value="
        (felt) => emit('update:modelValue', { state: 'felt', felt: felt as 'cold' | 'right' | 'hot' })
      "
    />
    <v-text-field
      v-else-if="standing === 'not measured'"
      :label="label"
      model-value="not measured"
      readonly
      tabindex="-1"
    />
    <QuantityField
      v-else
      :label="label"
      :unit="unit"
      :model-value="number"
      :min="min"
      :max="max"
      v-bind="digits === undefined ? {} : { digits }"
      @update:model-value="setNumber"
    />
    <select
      class="state"
      :aria-label="`${label}: how it is known`"
      :value="standing"
      @change="setState(($event.target as HTMLSelectElement).value as State)"
    >
      <option v-for="state in states" :key="state" :value="state">{{ state }}</option>
    </select>
  </div>
</template>

<style scoped>
.reading {
  display: grid;
  grid-template-columns: minmax(130px, 1fr) auto;
  gap: 0;
  align-items: start;
}
.state {
  height: 48px;
  border: none;
  border-left: 1px solid var(--line);
  border-bottom: 1px solid var(--line2);
  border-radius: 0 3px 0 0;
  background: var(--paper);
  color: var(--mute);
  font: 13.5px var(--text);
  padding: 0 6px;
  width: 112px;
  cursor: pointer;
}
</style>
