<script setup lang="ts">
import { said } from '../../components/said';
import { FEATURE_SIZE_MM, formatQuantity } from '@zero-pour/core';
import type { TuningOf, TuningThings } from '@zero-pour/plan';
import { computed, shallowRef } from 'vue';
import QuantityField from '../../components/QuantityField.vue';
import { useShop } from '../../state/shopStore';
import { useUnits } from '../../state/unitStore';
import { TUNED_OF } from './useTuneChoice';
import { CLASS_NAMES } from './words';

/** Printer, layer height and class that are tuned. */
const props = defineProps<{
  things: TuningThings;
  of: TuningOf;
  layers: readonly number[];
  vatC: number | null;
  featureMm: number;
}>();
const emit = defineEmits<{ choose: [change: { printer?: string; layer?: number; of?: TuningOf }] }>();
const shop = useShop();
const units = useUnits();
const otherLayer = shallowRef(false);

const printers = computed(() =>
  shop.lists.printer.filter((p) => !p.retired || p.id === props.things.printer.id),
);
const mm = (value: number, digits: number): string =>
  formatQuantity({ value, unit: 'mm', digits }, units.choice);
const sizeOf = (of: TuningOf): string =>
  of === 'base' ? '' : mm(of === props.of ? props.featureMm : FEATURE_SIZE_MM[of], 2);
</script>

<template>
  <div class="settings">
    <v-select
      label="Printer"
      :items="printers.map((p) => ({ title: `${p.name}, ${p.wavelengthNm} nm`, value: p.id }))"
      :model-value="things.printer.id"
      @update:model-value="(printer: string) => emit('choose', { printer })"
    />
    <v-select
      v-if="!otherLayer"
      label="Layer height"
      :items="[...layers.map((l) => ({ title: mm(l, 3), value: l })), { title: 'another …', value: 0 }]"
      :model-value="things.layerMm"
      @update:model-value="(layer: number) => (layer === 0 ? (otherLayer = true) : emit('choose', { layer }))"
    />
    <QuantityField
      v-else
      v-bind="said('profile', 'layerMm')"
      required
      :model-value="things.layerMm"
      @update:model-value="(layer) => layer !== undefined && emit('choose', { layer })"
    />
    <span v-if="vatC !== null" class="mute"
      >vat at {{ formatQuantity({ value: vatC, unit: 'degC' }, units.choice) }}</span
    >
  </div>
  <div class="class-tabs" role="tablist" aria-label="Class of parts">
    <button
      v-for="kind in TUNED_OF"
      :key="kind"
      type="button"
      role="tab"
      :aria-selected="kind === of"
      @click="emit('choose', { of: kind })"
    >
      {{ CLASS_NAMES[kind] }} <span>{{ sizeOf(kind) }}</span>
    </button>
  </div>
</template>

<style scoped>
.settings {
  display: grid;
  grid-template-columns: 240px 170px auto;
  gap: 12px;
  align-items: center;
  margin-bottom: 10px;
}
@media (max-width: 700px) {
  .settings {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
