<script setup lang="ts">
import { jointsOf, type Joints, type Settings } from '@zero-pour/contracts';
import { computed } from 'vue';
import QuantityField from '../components/QuantityField.vue';
import { said } from '../components/said';

/** What the shop's wax joints bear, and what a dip adds to a support that is kept as a sprue. */
const props = defineProps<{ settings: Settings }>();
const emit = defineEmits<{ change: [joints: Joints] }>();
const joints = computed(() => jointsOf(props.settings));
const FIELDS = ['strengthKpa', 'dipMm'] as const;
</script>

<template>
  <div class="form-grid">
    <QuantityField
      v-for="field in FIELDS"
      :key="field"
      v-bind="said('settings', 'joints', field)"
      required
      :model-value="joints[field]"
      @update:model-value="(value) => value !== undefined && emit('change', { ...joints, [field]: value })"
    />
  </div>
</template>
