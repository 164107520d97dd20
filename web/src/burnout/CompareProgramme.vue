<script setup lang="ts">
import type { Kiln, Programme } from '@zero-pour/contracts';
import { programmeCurve, type FlaskHeat } from '@zero-pour/core';
import { heatJob, type FlaskInput } from '@zero-pour/jobs';
import type { BurnoutPlan } from '@zero-pour/plan';
import { computed, shallowRef, watch } from 'vue';
import { useJob } from '../jobs';
import ComparedTable from './ComparedTable.vue';

/** Another programme of the shop beside this one, for this flask in this kiln. */
const props = defineProps<{
  burnout: BurnoutPlan;
  heat: FlaskHeat | undefined;
  flask: FlaskInput;
  kiln: Kiln;
  programmes: readonly Programme[];
  loadedAtC: number | undefined;
}>();
const other = shallowRef<string>();
const chosen = computed(() => props.programmes.find(({ id }) => id === other.value));
const curve = computed(() => {
  if (!chosen.value) return undefined;
  const { burnout, kiln, loadedAtC } = props;
  return programmeCurve(chosen.value.segments, burnout.castingC, kiln, loadedAtC);
});
const { state, ask, clear } = useJob(heatJob);
watch([curve, () => props.flask] as const, ([now, flask]) => {
  if (!now) return clear();
  ask({ ...flask, kiln: now.points.map(({ h, tempC }) => [h, tempC]) });
});
const otherHeat = computed(() => (state.value.status === 'done' ? state.value.output : undefined));
</script>

<template>
  <section class="stage-block" aria-label="Compare">
    <h2>Beside another programme</h2>
    <v-select
      label="Another programme"
      :items="programmes.map(({ id, name }) => ({ title: name, value: id }))"
      :model-value="other"
      clearable
      no-data-text="No other programme in the shop."
      class="pick"
      @update:model-value="(id) => (other = id ?? undefined)"
    />
    <p v-if="state.status === 'failed'" role="alert">{{ state.sentence }}</p>
    <ComparedTable
      v-if="chosen && curve"
      :programmes="[
        { name: 'This one', curve: burnout.curve, heat },
        { name: chosen.name, curve, heat: otherHeat },
      ]"
      :kiln="kiln"
    />
  </section>
</template>

<style scoped>
.pick {
  max-width: 420px;
}
</style>
