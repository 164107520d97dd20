<script setup lang="ts" generic="K extends 'investing' | 'costs'">
import type { Costs, Investing } from '@zero-pour/contracts';
import QuantityField from '../components/QuantityField.vue';
import { said } from '../components/said';

/** Numbers of the settings that nobody has to say: an empty one is not known, or not counted. */
type Kept = { investing: Investing; costs: Costs }[K];
type Field = keyof Kept & string;
const props = defineProps<{ of: K; fields: readonly Field[]; kept: Kept | undefined }>();
const emit = defineEmits<{ change: [kept: Kept] }>();
const valueOf = (field: Field): number | undefined => props.kept?.[field] as number | undefined;
function set(field: Field, value: number | undefined): void {
  const { [field]: _before, ...rest } = (props.kept ?? {}) as Kept;
  emit('change', (value === undefined ? rest : { ...rest, [field]: value }) as Kept);
}
</script>

<template>
  <div class="form-grid">
    <QuantityField
      v-for="field in fields"
      :key="field"
      v-bind="said('settings', of, field)"
      :model-value="valueOf(field)"
      @update:model-value="(value) => set(field, value)"
    />
  </div>
</template>
