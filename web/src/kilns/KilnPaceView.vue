<script setup lang="ts">
import type { Kiln, KilnCurve } from '@zero-pour/contracts';
import { formatQuantity, kilnPace, tauOfFalls } from '@zero-pour/core';
import { readingsFrom } from '@zero-pour/plan';
import { computed } from 'vue';
import NumberList from '../components/NumberList.vue';
import { useUnits } from '../state/unitStore';
import { rateRow } from './logWords';

/** How fast the kiln went by itself in this log, to be taken into its record by a press. */
const props = defineProps<{ kiln: Kiln; curve: KilnCurve }>();
const emit = defineEmits<{ take: [measured: NonNullable<Kiln['measured']>]; opened: [tauH: number] }>();
const units = useUnits();
const pace = computed(() => kilnPace(readingsFrom(props.curve, Date.parse(props.curve.run.startedAt))));
const shows = computed(() => pace.value.climbs.length + pace.value.cools.length > 0);
const isTaken = computed(() => {
  const { measured } = props.kiln;
  return measured?.from === props.curve.run.name && measured.at === props.curve.run.startedAt;
});

/** One figure of all its falls: of use where somebody knows that they were with the vent opened. */
const tau = computed(() => tauOfFalls(pace.value.cools));
const hours = (value: number): string => formatQuantity({ value, unit: 'h', digits: 2 }, units.choice);
function take(): void {
  const kept = (rates: typeof pace.value.climbs) =>
    rates
      .filter(({ cPerH }) => cPerH >= 1)
      .map(({ tempC, cPerH, offCPerH }) => ({ tempC, cPerH: Math.round(cPerH), offCPerH: Math.round(offCPerH * 10) / 10 })); // prettier-ignore
  const { run } = props.curve;
  emit('take', {
    at: run.startedAt,
    from: run.name,
    climbs: kept(pace.value.climbs),
    cools: kept(pace.value.cools),
  });
}
</script>

<template>
  <div>
    <p v-if="!shows" class="mute">
      It never lagged behind a set point in this log: how fast it can climb or cool by itself is not shown.
    </p>
    <template v-else>
      <div class="paces">
        <section v-if="pace.climbs.length > 0">
          <h4>Climbs by itself, driven with all it has</h4>
          <NumberList :rows="pace.climbs.map((rate) => rateRow(rate, units.choice))" />
        </section>
        <section v-if="pace.cools.length > 0">
          <h4>Cools by itself, shut</h4>
          <NumberList :rows="pace.cools.map((rate) => rateRow(rate, units.choice))" />
        </section>
      </div>
      <p class="mute">
        Slope of one passage through each temperature, ± twice its standard error. Another load, or another
        day’s voltage, is another pace. Just after a cut-off it is the elements that cool, then what they
        heat.
      </p>
      <p v-if="tau" class="mt-2">
        As one time constant of cooling:
        <span class="num">{{ hours(tau.tauH) }} ± {{ hours(2 * tau.offH) }}</span
        >.
        <button type="button" class="text-button" @click="emit('opened', Math.round(tau.tauH * 100) / 100)">
          its vent was open in this log: keep it as the opened one
        </button>
      </p>
      <p v-if="isTaken">Plans count with these.</p>
      <v-btn v-else size="small" @click="take">Plan with these</v-btn>
    </template>
  </div>
</template>

<style scoped>
.paces {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(240px, 1fr));
  gap: 10px 30px;
  margin-bottom: 10px;
}
h4 {
  font-size: 14px;
}
</style>
