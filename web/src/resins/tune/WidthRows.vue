<script setup lang="ts">
import { WIDTH_KINDS, type Trial } from '@zero-pour/contracts';
import { said } from '../../components/said';
import QuantityField from '../../components/QuantityField.vue';

/** Features that were measured: drawn and come out. */
type Width = Trial['widths'][number];
const props = defineProps<{ widths: readonly Width[] }>();
const emit = defineEmits<{ change: [widths: Width[]] }>();

const set = (index: number, fields: Partial<Width>): void =>
  emit(
    'change',
    props.widths.map((width, i) => (i === index ? { ...width, ...fields } : width)),
  );
const add = (): void => {
  const last = props.widths.at(-1);
  emit('change', [
    ...props.widths,
    { kind: last?.kind ?? 'strut', drawnMm: last?.drawnMm ?? 0.4, measuredMm: last?.drawnMm ?? 0.4 },
  ]);
};
const remove = (index: number): void =>
  emit(
    'change',
    props.widths.filter((_, i) => i !== index),
  );
</script>

<template>
  <div class="widths">
    <div v-for="(width, i) in widths" :key="i" class="width">
      <v-select
        label="Feature"
        :items="[...WIDTH_KINDS]"
        :model-value="width.kind"
        @update:model-value="(kind) => set(i, { kind })"
      />
      <QuantityField
        v-bind="said('trial', 'widths', '0', 'drawnMm')"
        required
        :model-value="width.drawnMm"
        @update:model-value="(mm) => mm !== undefined && set(i, { drawnMm: mm })"
      />
      <QuantityField
        v-bind="said('trial', 'widths', '0', 'measuredMm')"
        required
        :model-value="width.measuredMm"
        @update:model-value="(mm) => mm !== undefined && set(i, { measuredMm: mm })"
      />
      <button type="button" class="text-button" :aria-label="`Take width ${i + 1} away`" @click="remove(i)">
        away
      </button>
    </div>
    <v-btn size="small" @click="add">Add a measured width</v-btn>
  </div>
</template>

<style scoped>
.widths {
  display: grid;
  gap: 8px;
  margin-top: 12px;
  justify-items: start;
}
.width {
  display: grid;
  grid-template-columns: 130px 130px 130px auto;
  gap: 8px;
  align-items: center;
}
</style>
