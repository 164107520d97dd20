<script setup lang="ts">
import { computed, shallowRef } from 'vue';
import { LayerChart } from '../../pattern';
import JudgementList from '../../components/JudgementList.vue';
import OnDemand from '../../components/OnDemand.vue';
import type { SupportAdvice } from '@zero-pour/core';
import type { StandingInput } from '@zero-pour/jobs';
import { planLoad, type Part } from '@zero-pour/plan';
import { usePour } from '../../state/usePour';
import { supportLines } from './supportLines';
import type { JobState } from '../../jobs';

/** What the layers say of the part as it stands: supports with their weights, and the layers themselves. */
const props = defineProps<{ part: Part; state: JobState<StandingInput, SupportAdvice> }>();
const { pour, plan, set } = usePour();
const advice = computed(() => (props.state.status === 'done' ? props.state.output : undefined));
/** Whether the plate holds it, once all its parts were cut. */
const load = computed(() => planLoad(plan.value.context));
const chartOpen = shallowRef(false);
const layer = shallowRef(0);

const supported = computed(() => pour.value.doc.wayUp.lines[props.part.key]?.supported === true);
function setSupported(on: boolean): void {
  set(['wayUp', 'lines', props.part.key, 'supported'], on || undefined);
  // A file with its supports is printed as it lies.
  if (on) set(['wayUp', 'lines', props.part.key, 'rotation'], undefined);
}
const lines = computed(() => (advice.value ? supportLines(advice.value, supported.value) : []));
/** Supports and layers are cut no finer. */
const CUT_MM = 0.1;
const layerMm = computed(() =>
  props.state.status === 'done' ? Math.max(CUT_MM, props.state.input.layerMm) : CUT_MM,
);
</script>

<template>
  <section class="stage-block" aria-label="Supports">
    <h2>As it stands now</h2>
    <v-checkbox
      label="The file carries its supports already"
      :model-value="supported"
      @update:model-value="(on) => setSupported(on === true)"
    />
    <p v-if="state.status === 'working'" class="mute" role="status">Cutting it into layers …</p>
    <p v-else-if="state.status === 'failed'" role="alert">{{ state.sentence }}</p>
    <ul v-else-if="lines.length > 0" class="lines">
      <li v-for="line in lines" :key="line.text" :class="{ grave: line.grave }">{{ line.text }}</li>
    </ul>
    <JudgementList v-if="load.status === 'known'" :judgements="[load.value]" />
    <OnDemand
      v-if="advice"
      v-model:open="chartOpen"
      title="Layer by layer"
      line="area, overhang, islands and cups over the height"
    >
      <LayerChart
        :direction="advice.direction"
        :layer-mm="layerMm"
        :layer="layer"
        @layer="(n) => (layer = n)"
      />
    </OnDemand>
  </section>
</template>

<style scoped>
.lines {
  margin: 4px 0 8px;
  padding: 0;
  list-style: none;
}
li {
  padding: 4px 0 4px 12px;
  border-left: 4px solid var(--line2);
}
.grave {
  border-color: var(--oxide);
}
</style>
