<script setup lang="ts">
import { BORIC_SCHOOLS, formatQuantity, type BoricSchool } from '@zero-pour/core';
import { askedBoric, valueOf } from '@zero-pour/plan';
import { computed } from 'vue';
import { useUnits } from '../../state/unitStore';
import { usePour } from '../../state/usePour';
import PourField from '../PourField.vue';

/** Boric acid in either school, and as the resin's maker asks for it. */
const { pour, plan, set } = usePour();
const units = useUnits();
const boric = computed(() => pour.value.doc.invest.boric);
const SCHOOLS: Record<BoricSchool, string> = {
  none: 'none',
  powder: 'percent of the powder',
  water: 'percent of the water',
};
/** The same grams in the other school's words. */
const otherSchool = computed(() => {
  const { boric: grams, powder, water } = valueOf(plan.value.mix) ?? {};
  if (!grams || !powder || !water) return '';
  const of = (total: number): string =>
    formatQuantity({ value: (100 * grams.value) / total, unit: 'percent', digits: 1 }, units.choice);
  return `${of(powder.value)} of the powder is ${of(water.value)} of the water.`;
});
/** What a press would take over; undefined where nothing is asked, or it is so already. */
const asked = computed(() => {
  const ask = askedBoric(plan.value.context);
  if (!ask || ask.school === 'none' || ask.percent === undefined) return undefined;
  const { school, percent } = boric.value;
  return school === ask.school && percent === ask.percent
    ? undefined
    : { school: ask.school, percent: ask.percent };
});
function takeAsked(): void {
  if (!asked.value) return;
  set(['invest', 'boric', 'school'], asked.value.school);
  set(['invest', 'boric', 'percent'], asked.value.percent);
}
</script>

<template>
  <v-select
    label="Boric acid"
    :items="BORIC_SCHOOLS.map((s) => ({ title: SCHOOLS[s], value: s }))"
    :model-value="boric.school"
    hint="Holds sharp recesses; much harder to divest"
    persistent-hint
    @update:model-value="(school) => set(['invest', 'boric', 'school'], school)"
  />
  <div v-if="boric.school !== 'none'">
    <PourField :at="['invest', 'boric', 'percent']" required />
    <p v-if="otherSchool" class="mute small">{{ otherSchool }}</p>
  </div>
  <v-btn v-if="asked && !pour.used" size="small" @click="takeAsked">As the resin asks</v-btn>
</template>

<style scoped>
.small {
  font-size: 13.5px;
}
</style>
