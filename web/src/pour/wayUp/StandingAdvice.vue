<script setup lang="ts">
import type { Pattern } from '@zero-pour/contracts';
import { computed, defineAsyncComponent, shallowRef } from 'vue';
import JudgementList from '../../components/JudgementList.vue';
import OnDemand from '../../components/OnDemand.vue';
import { judgeLoad } from '@zero-pour/plan';
import { usePour } from '../../state/usePour';
import { supportLines } from './supportLines';
import type { StandingState } from './useStanding';

/** What the layers say of the part as it stands: supports with their weights, and the layers themselves. */
const props = defineProps<{ pattern: Pattern; state: StandingState }>();
const { pour, plan, set } = usePour();
/** Whether the plate holds it, once all its parts were cut. */
const load = computed(() => judgeLoad(plan.value.context));
const LayerChart = defineAsyncComponent(() => import('../../pattern/layers/LayerChart.vue'));
const chartOpen = shallowRef(false);
const layer = shallowRef(0);

const all = computed(() => pour.value.doc.wayUp.supported ?? []);
const supported = computed(() => all.value.includes(props.pattern.id));
function setSupported(on: boolean): void {
  const others = all.value.filter((id) => id !== props.pattern.id);
  const next = on ? [...others, props.pattern.id] : others;
  set(['wayUp', 'supported'], next.length > 0 ? next : undefined);
  // A file with its supports is printed as it lies.
  if (on) set(['wayUp', 'rotations', props.pattern.id], undefined);
}
const lines = computed(() =>
  props.state.status === 'known' ? supportLines(props.state.advice, supported.value) : [],
);
const layerMm = computed(() =>
  props.state.status === 'known' ? Math.max(0.1, props.state.job.layerMm) : 0.1,
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
    <JudgementList v-if="load" :judgements="[load]" />
    <OnDemand
      v-if="state.status === 'known'"
      v-model:open="chartOpen"
      title="Layer by layer"
      line="area, overhang, islands and cups over the height"
    >
      <LayerChart
        :direction="state.advice.direction"
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
