<script setup lang="ts">
import { said } from '../../components/said';
import { formatPhrase, type FarFromOthers, type RefusedFigure, type StartingFigure } from '@zero-pour/core';
import QuantityField from '../../components/QuantityField.vue';
import { useUnits } from '../../state/unitStore';
import { seconds } from './words';

/** Where the search begins: each figure with how it came about and what it does not know. */
defineProps<{
  figures: readonly StartingFigure[];
  refused: readonly RefusedFigure[];
  far: readonly FarFromOthers[];
  chosenS: number;
  typedS: number | undefined;
}>();
const emit = defineEmits<{ choose: [seconds: number | undefined] }>();
const units = useUnits();
</script>

<template>
  <section class="stage-block">
    <h2>Where it begins</h2>
    <p v-if="figures.length === 0" class="mute">
      No figure yet. Type the one from the bottle, or enter the maker’s under Record; the first coupon finds
      out how far off it is.
    </p>
    <ul>
      <li v-for="(figure, i) in figures" :key="i">
        <button
          type="button"
          :aria-pressed="Math.abs(figure.exposureS - chosenS) < 1e-9"
          @click="emit('choose', figure.exposureS)"
        >
          <b class="num">{{ seconds(figure.exposureS) }} s</b> {{ figure.way }}
        </button>
        <details>
          <summary>how, and what it does not know</summary>
          <p v-for="(step, k) in figure.reasoning" :key="k">{{ formatPhrase(step, units.choice) }}</p>
          <p class="mute">
            Does not know: {{ figure.unknown.map((u) => formatPhrase(u, units.choice)).join('; ') }}.
          </p>
        </details>
      </li>
      <li v-for="(no, i) in refused" :key="`no ${i}`" class="mute">
        Not used: {{ no.name }}. {{ formatPhrase(no.why, units.choice) }}
      </li>
    </ul>
    <QuantityField
      v-bind="said('profile', 'exposureS')"
      label="Or begin at"
      :model-value="typedS"
      @update:model-value="(s) => emit('choose', s)"
    />
    <p v-for="other in far" :key="other.name" class="far">
      <b>Far from what others report.</b> {{ other.name }} says {{ seconds(other.reportedS) }} s; here it is ×
      {{ other.ratio.toFixed(2) }}. Look at the age of the lamp or screen, the vat’s temperature, shaking, the
      age of the resin, the film, and whether the wavelength is the same.
    </p>
  </section>
</template>

<style scoped>
ul {
  list-style: none;
  margin: 0 0 12px;
  padding: 0;
}
li {
  padding: 5px 0;
  border-bottom: 1px solid var(--line);
  font-size: 14px;
}
button {
  border: none;
  background: none;
  font: inherit;
  color: var(--wax);
  text-align: left;
  cursor: pointer;
  padding: 4px 0;
  min-height: 30px;
}
button[aria-pressed='true'] {
  color: var(--ink);
  box-shadow: inset 3px 0 0 var(--wax);
  padding-left: 8px;
}
summary {
  cursor: pointer;
  color: var(--mute);
  font-size: 13px;
}
.far {
  margin-top: 10px;
  padding: 8px 11px;
  border-left: 4px solid var(--amber);
  background: var(--amber-tint);
  font-size: 14px;
}
</style>
