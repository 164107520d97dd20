<script setup lang="ts">
import { usualPouring, type Pouring } from '@zero-pour/contracts';
import { POUR_WAYS, type PourWay } from '@zero-pour/core';
import QuantityField from '../components/QuantityField.vue';
import { said } from '../components/said';

/** How the shop gets metal into a flask, with what its filling is reckoned by. */
const props = defineProps<{ pouring: Pouring | undefined }>();
const emit = defineEmits<{ change: [pouring: Pouring] }>();
const NAMES: Record<PourWay, string> = {
  gravity: 'by gravity',
  vacuum: 'under vacuum',
  centrifuge: 'with a centrifuge',
};
const take = (way: PourWay): void =>
  emit('change', props.pouring ? { ...props.pouring, way } : usualPouring(way));
const set = (fields: Partial<Pouring>): void => {
  if (props.pouring) emit('change', { ...props.pouring, ...fields });
};
</script>

<template>
  <div class="choice">
    <v-btn-toggle
      :model-value="pouring?.way"
      aria-label="How the shop pours"
      @update:model-value="(way: PourWay | undefined) => way && take(way)"
    >
      <v-btn v-for="way in POUR_WAYS" :key="way" :value="way">{{ NAMES[way] }}</v-btn>
    </v-btn-toggle>
    <QuantityField
      v-if="pouring?.way === 'vacuum'"
      v-bind="said('settings', 'pouring', 'vacuumKpa')"
      required
      :model-value="pouring.vacuumKpa"
      @update:model-value="(vacuumKpa) => vacuumKpa !== undefined && set({ vacuumKpa })"
    />
    <template v-if="pouring?.way === 'centrifuge'">
      <QuantityField
        v-bind="said('settings', 'pouring', 'armMm')"
        required
        :model-value="pouring.armMm"
        @update:model-value="(armMm) => armMm !== undefined && set({ armMm })"
      />
      <QuantityField
        v-bind="said('settings', 'pouring', 'turnsPerMin')"
        required
        :model-value="pouring.turnsPerMin"
        @update:model-value="(n) => n !== undefined && set({ turnsPerMin: Math.round(n) })"
      />
    </template>
  </div>
</template>

<style scoped>
.choice {
  display: grid;
  grid-template-columns: auto repeat(2, minmax(150px, 220px));
  justify-content: start;
  align-items: center;
  gap: 12px;
}
.choice .v-btn-toggle {
  height: 48px;
}
@media (max-width: 900px) {
  .choice {
    grid-template-columns: 1fr;
  }
}
</style>
