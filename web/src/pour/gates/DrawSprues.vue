<script setup lang="ts">
import { SPRUE_OVER_GATE } from '@zero-pour/core';
import type { PartGates } from '@zero-pour/plan';
import { computed, reactive, shallowRef } from 'vue';
import QuantityField from '../../components/QuantityField.vue';
import { useDrawSprues } from './useDrawSprues';

/** Sprues into the print: the gates, a sprue that they lead to and its base, as one solid with the part. */
const props = defineProps<{ entry: PartGates }>();
const { step, sentence, draw } = useDrawSprues(() => props.entry);
const own = computed(() => props.entry.placed.filter(({ set }) => set));
const least = computed(() => {
  const largest = Math.max(0, ...own.value.map(({ diameterMm }) => diameterMm));
  return Math.ceil(10 * SPRUE_OVER_GATE * largest - 1e-9) / 10;
});
const toOne = shallowRef(false);
const withBase = shallowRef(false);
/** What was typed; the usual holds for the rest. */
type Typed = Record<'diameterMm' | 'lengthMm' | 'baseMm' | 'baseHeightMm', number | undefined>;
const typed = reactive<Typed>({
  diameterMm: undefined,
  lengthMm: undefined,
  baseMm: undefined,
  baseHeightMm: undefined,
});
const sprue = computed(() => {
  const diameterMm = typed.diameterMm ?? least.value;
  return {
    diameterMm,
    lengthMm: typed.lengthMm ?? 10,
    base: withBase.value
      ? { diameterMm: typed.baseMm ?? 3 * diameterMm, heightMm: typed.baseHeightMm ?? diameterMm }
      : null,
  };
});
const thin = computed(() => toOne.value && sprue.value.diameterMm < least.value - 1e-9);
const set = (name: keyof Typed, value: number | undefined): void => void (typed[name] = value);
</script>

<template>
  <section class="stage-block">
    <h2>Sprues into the print</h2>
    <p class="mute mb-2">
      The gates become part of a new version of the pattern: closed, read anew as it prints, and saved as STL
      or 3MF under Pattern. The piece keeps its weight, class and price.
    </p>
    <div class="acts">
      <v-checkbox v-model="toOne" label="Lead them to one sprue" hide-details density="compact" />
      <v-checkbox v-if="toOne" v-model="withBase" label="On a base" hide-details density="compact" />
    </div>
    <div v-if="toOne" class="form-grid">
      <QuantityField
        label="Sprue, diameter"
        unit="mm"
        :digits="1"
        :min="1"
        :max="30"
        :standard="least"
        standard-from="1.1 of the largest gate"
        :model-value="typed.diameterMm"
        @update:model-value="(v) => set('diameterMm', v)"
      />
      <QuantityField
        label="Sprue, length"
        unit="mm"
        :digits="1"
        :min="1"
        :max="100"
        :standard="10"
        :model-value="typed.lengthMm"
        @update:model-value="(v) => set('lengthMm', v)"
      />
      <template v-if="withBase">
        <QuantityField
          label="Base, diameter"
          unit="mm"
          :digits="1"
          :min="1"
          :max="80"
          :standard="3 * sprue.diameterMm"
          :model-value="typed.baseMm"
          @update:model-value="(v) => set('baseMm', v)"
        />
        <QuantityField
          label="Base, height"
          unit="mm"
          :digits="1"
          :min="0.5"
          :max="60"
          :standard="sprue.diameterMm"
          :model-value="typed.baseHeightMm"
          @update:model-value="(v) => set('baseHeightMm', v)"
        />
      </template>
    </div>
    <p v-if="thin" class="thin">
      Thinner than {{ SPRUE_OVER_GATE }} of the largest gate: the sprue freezes while the gate still feeds.
    </p>
    <div class="acts">
      <v-btn size="small" :disabled="step !== ''" @click="draw(toOne ? sprue : null)">
        Draw {{ own.length === 1 ? 'the gate' : `the ${own.length} gates` }} into the print
      </v-btn>
      <span v-if="step" role="status" class="mute">{{ step }} …</span>
      <span v-if="sentence" role="alert">{{ sentence }}</span>
    </div>
  </section>
</template>

<style scoped>
.acts {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 8px 16px;
}
.thin {
  color: var(--oxide);
  font-weight: 650;
}
</style>
