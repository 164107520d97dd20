<script setup lang="ts">
import { valueAt, type HandDevice, type PourPath, type Reading } from '@zero-pour/contracts';
import type { Unit } from '@zero-pour/core';
import { computed } from 'vue';
import QuantityField from '../components/QuantityField.vue';
import ReadingField from '../components/ReadingField.vue';
import ReadDevice from '../components/ReadDevice.vue';
import { fieldOf, said } from '../components/said';
import { useShop } from '../state/shopStore';
import { usePour } from '../state/usePour';

/** A number of the pour by its path: its label, unit and bounds are what the document's schema says of it. */
const props = defineProps<{
  at: PourPath;
  /** Where the form calls it otherwise. */
  label?: string;
  hint?: string;
  required?: boolean;
  disabled?: boolean;
  /** What holds while nothing is typed, and where it comes from. */
  standard?: number;
  standardFrom?: string;
  /** Which device reads it; of a reading its unit says so. */
  from?: HandDevice;
}>();
const { pour, set } = usePour();
const shop = useShop();

const field = computed(() => fieldOf('pour', props.at));
const shared = computed(() => ({
  ...said('pour', ...props.at),
  ...(props.label === undefined ? {} : { label: props.label }),
}));
/** Absent is nothing, and is shown as nothing: valueAt says null. */
const value = computed(() => valueAt(pour.value.doc, props.at) ?? undefined);
const reading = computed(() => value.value as Reading | undefined);
const number = computed(() => value.value as number | undefined);
const standing = computed(() =>
  props.standard === undefined
    ? {}
    : { standard: props.standard, ...(props.standardFrom ? { standardFrom: props.standardFrom } : {}) },
);

const BY_UNIT: Partial<Record<Unit, HandDevice>> = { g: 'balance', degC: 'thermometer' };
/** The device that can be asked: one that the shop has. */
const device = computed(() => {
  const kind = props.from ?? (field.value.reading ? BY_UNIT[field.value.unit] : undefined);
  return kind && shop.settings.readers?.[`${kind}Url`]?.trim() ? kind : undefined;
});
const takeRead = (read: number): void =>
  take(field.value.reading ? { state: 'measured', value: read } : read);

function take(next: number | Reading | undefined): void {
  if (next === undefined && props.required) return;
  const kept = typeof next === 'number' && field.value.whole ? Math.round(next) : next;
  set(props.at, kept as never);
}
</script>

<template>
  <div>
    <ReadingField v-if="field.reading" v-bind="shared" :model-value="reading" @update:model-value="take" />
    <QuantityField
      v-else
      v-bind="{ ...shared, ...standing }"
      :hint="hint ?? field.hint ?? ''"
      :required="required"
      :disabled="disabled"
      :model-value="number"
      @update:model-value="take"
    />
    <ReadDevice
      v-if="device && !disabled"
      :device="device"
      :label="shared.label"
      :unit="field.unit"
      :min="field.min"
      :max="field.max"
      @read="takeRead"
    />
  </div>
</template>
