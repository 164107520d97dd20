<script setup lang="ts">
import type { Investing } from '@zero-pour/contracts';
import QuantityField from '../components/QuantityField.vue';
import { said } from '../components/said';

/** What the shop mixes powder in, and how many flasks stand under its vacuum; empty: not known. */
const props = defineProps<{ investing: Investing | undefined }>();
const emit = defineEmits<{ change: [investing: Investing] }>();
const FIELDS = ['bowlMl', 'flasksAtOnce'] as const;
const set = (field: (typeof FIELDS)[number], value: number | undefined): void => {
  const { [field]: _before, ...rest } = props.investing ?? {};
  emit('change', value === undefined ? rest : { ...rest, [field]: value });
};
</script>

<template>
  <div class="form-grid">
    <QuantityField
      v-for="field in FIELDS"
      :key="field"
      v-bind="said('settings', 'investing', field)"
      :model-value="investing?.[field]"
      @update:model-value="(value) => set(field, value)"
    />
  </div>
</template>
