<script setup lang="ts">
import { PATTERN_LIMITS } from '@zero-pour/core';
import { findingContext, nameOfPart } from '@zero-pour/plan';
import type { Pattern } from '@zero-pour/contracts';
import { computed, shallowRef, watch } from 'vue';
import PickRow from '../../components/PickRow.vue';
import {
  AnalysisProgress,
  FindingList,
  findingsOf,
  PatternDrop,
  PatternNumbers,
  PatternViewer,
  useAnalyses,
  type PaintName,
} from '../../pattern';
import { usePour } from '../../state/usePour';
import StageHead from '../StageHead.vue';
import { useBriefLines } from '../../state/useBriefLines';

const analyses = useAnalyses();
const { plan } = usePour();
const { add: addLine } = useBriefLines();
const parts = computed(() => plan.value.context.parts);
const index = shallowRef(0);
const part = computed(() => parts.value[Math.min(index.value, parts.value.length - 1)]);

const state = computed(() => part.value && analyses.of(part.value.pattern));
const analysis = computed(() => (state.value?.status === 'analysed' ? state.value.analysis : undefined));
const findings = computed(() =>
  part.value && state.value
    ? findingsOf(part.value.pattern, state.value, findingContext(plan.value.context))
    : [],
);
const chosen = shallowRef<number>();
const paint = shallowRef<PaintName>('thickness');
watch(
  () => part.value?.pattern.id,
  () => {
    chosen.value = undefined;
    if (part.value) void analyses.ensure(part.value.pattern);
  },
  { immediate: true },
);

function add(pattern: Pattern): void {
  addLine(pattern.id);
  index.value = parts.value.length - 1;
}
</script>

<template>
  <StageHead
    stage="pattern"
    title="Pattern"
    :line="
      part ? `${part.pattern.fileName}, read as ${part.pattern.measure.format}` : 'drop the file of the part'
    "
  />
  <PatternDrop :compact="parts.length > 0" @kept="add" />
  <template v-if="part">
    <PickRow
      v-if="parts.length > 1"
      label="Pattern shown"
      :things="parts.map((other) => ({ key: other.key, name: nameOfPart(other, parts) }))"
      :picked="part.key"
      @pick="(key) => (index = parts.findIndex((other) => other.key === key))"
    />
    <div class="look">
      <PatternViewer
        v-model:paint="paint"
        class="view"
        :pattern="part.pattern"
        :findings="findings"
        :chosen="chosen"
        :finest-mm="plan.context.resin?.finestMm ?? PATTERN_LIMITS.finestMm"
        @choose="(n) => (chosen = n)"
      />
      <div>
        <PatternNumbers :pattern="part.pattern" :analysis="analysis" :alloy="plan.context.alloy" />
        <router-link :to="`/patterns/${part.pattern.id}`">Layers, ways through, versions</router-link>
      </div>
    </div>
    <AnalysisProgress
      v-if="state"
      :state="state"
      @stop="analyses.cancel(part.pattern)"
      @start="analyses.ensure(part.pattern)"
    />
    <FindingList
      :findings="findings"
      :status="state?.status ?? 'asking'"
      :chosen="chosen"
      @choose="(n) => (chosen = n)"
    />
  </template>
</template>

<style scoped>
.look {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 250px;
  gap: 18px;
  margin-top: 12px;
}
.view {
  height: 480px;
}
@media (max-width: 1180px) {
  .look {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
