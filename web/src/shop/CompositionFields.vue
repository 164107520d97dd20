<script setup lang="ts">
import { COMPOSITION_OFF, compositionSum, type Alloy } from '@zero-pour/contracts';
import {
  alloyDensity,
  ELEMENT_DENSITIES,
  formatNumber,
  type Composition,
  type Element,
} from '@zero-pour/core';
import { computed, shallowRef, watch } from 'vue';
import QuantityField from '../components/QuantityField.vue';

/** What an alloy is made of. Shares that are not the whole are said, and not kept until they are. */
const props = defineProps<{ alloy: Alloy }>();
const emit = defineEmits<{ change: [alloy: Alloy] }>();
const ELEMENTS = Object.keys(ELEMENT_DENSITIES) as Element[];
/** Typed, and not the whole yet. */
const typed = shallowRef<Composition>({ ...props.alloy.composition });
watch(
  () => [props.alloy.name, props.alloy.composition] as const,
  ([, kept]) => void (typed.value = { ...kept }),
);
const sum = computed(() => compositionSum(typed.value));
const isWhole = computed(() => Math.abs(sum.value - 1) <= COMPOSITION_OFF);
const isEmpty = computed(() => Object.keys(typed.value).length === 0);
function set(element: Element, percent: number | undefined): void {
  const { [element]: _before, ...rest } = typed.value;
  typed.value = percent ? { ...rest, [element]: percent / 100 } : rest;
  if (isWhole.value || isEmpty.value) emit('change', { ...props.alloy, composition: typed.value });
}
const mixed = computed(() => (isWhole.value ? alloyDensity(typed.value) : undefined));
</script>

<template>
  <section class="stage-block">
    <h2>Made of</h2>
    <div class="shares">
      <QuantityField
        v-for="element in ELEMENTS"
        :key="element"
        :label="element"
        unit="percent"
        :digits="2"
        :min="0"
        :max="100"
        :model-value="typed[element] === undefined ? undefined : 100 * typed[element]"
        @update:model-value="(percent) => set(element, percent)"
      />
    </div>
    <p v-if="isEmpty" class="mute">Not known: nothing that is reckoned from its metals is said of it.</p>
    <p v-else-if="!isWhole" role="alert">
      The shares come to {{ formatNumber(100 * sum, 2) }} %, not 100: nothing of it is kept until they do.
    </p>
    <p v-else-if="mixed !== undefined" class="mute">
      By the mixing rule it would weigh {{ formatNumber(mixed, 2) }} g/cm³, give or take 3 %: a measured
      density comes before it.
    </p>
  </section>
</template>

<style scoped>
.shares {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(120px, 1fr));
  gap: 8px 12px;
  margin-bottom: 10px;
}
</style>
