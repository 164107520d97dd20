<script setup lang="ts">
import {
  fitWidths,
  formatQuantity,
  trueWithinReach,
  widthErrorMm,
  type FinestFeature,
  type MeasuredWidth,
} from '@zero-pour/core';
import { computed } from 'vue';
import { useUnits } from '../../state/unitStore';
import { seconds } from './words';

/** How wide features come out, and the finest that can be trusted. */
const props = defineProps<{
  widths: readonly MeasuredWidth[];
  exposureS: number;
  finest: FinestFeature | undefined;
}>();
const units = useUnits();
const model = computed(() => fitWidths(props.widths));
const mm = (value: number): string => formatQuantity({ value, unit: 'mm', digits: 3 }, units.choice);
const error = computed(() =>
  model.value.status === 'fitted' ? widthErrorMm(model.value.line, props.exposureS) : undefined,
);
</script>

<template>
  <section class="stage-block">
    <h2>How wide, how fine</h2>
    <p v-if="model.status === 'too few'" class="mute">
      Widths: needs {{ model.needed }}, from a gauge. They tell how much wider or thinner features come out.
    </p>
    <template v-else>
      <p v-if="error">
        At {{ seconds(exposureS) }} s features come out
        <b>{{ mm(Math.abs(error.errorMm)) }} {{ error.errorMm >= 0 ? 'wider' : 'thinner' }}</b> than drawn (±
        {{ mm(2 * error.se) }}). Scale takes this as what the print adds.
      </p>
      <p v-if="trueWithinReach(model.trueS, widths)">As drawn at {{ seconds(model.trueS) }} s.</p>
      <p v-else class="mute">As drawn only far from the exposures measured.</p>
      <p class="mute">
        {{ model.line.n }} widths, error = {{ model.line.intercept.toFixed(3) }} +
        {{ model.line.slope.toFixed(3) }} · ln t, R² {{ model.line.r2.toFixed(2) }}.
      </p>
    </template>
    <p v-if="finest" class="mt-2">
      Finest that prints nine times in ten: <b>{{ mm(finest.q50Mm) }}</b>
      <span class="mute">
        ({{ mm(finest.q05Mm) }} to {{ mm(finest.q95Mm) }}, {{ Math.round(finest.features) }} features near
        this exposure).</span
      >
    </p>
  </section>
</template>

<style scoped>
p {
  font-size: 14px;
}
</style>
