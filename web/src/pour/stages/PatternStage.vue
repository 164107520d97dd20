<script setup lang="ts">
import { judgePattern } from '@zero-pour/core';
import type { Pattern } from '@zero-pour/contracts';
import { computed, defineAsyncComponent, shallowRef } from 'vue';
import JudgementList from '../../components/JudgementList.vue';
import PatternDrop from '../../pattern/PatternDrop.vue';
import PatternNumbers from '../../pattern/page/PatternNumbers.vue';
import { usePour } from '../../state/usePour';
import StageHead from '../StageHead.vue';

const PartView = defineAsyncComponent(() => import('../../pattern/view/PartView.vue'));
const { pour, plan, set } = usePour();
const parts = computed(() => plan.value.context.parts);
const index = shallowRef(0);
const part = computed(() => parts.value[Math.min(index.value, parts.value.length - 1)]);

function add(pattern: Pattern): void {
  set(['brief', 'patterns'], [...pour.value.doc.brief.patterns, { patternId: pattern.id, count: 1 }]);
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
    <div v-if="parts.length > 1" class="choose" role="group" aria-label="Pattern shown">
      <v-btn
        v-for="(other, i) in parts"
        :key="other.pattern.id"
        :variant="other === part ? 'flat' : 'outlined'"
        size="small"
        @click="index = i"
      >
        {{ other.pattern.name }}
      </v-btn>
    </div>
    <div class="look">
      <PartView :pattern="part.pattern" class="view" />
      <PatternNumbers :pattern="part.pattern" :alloy="plan.context.alloy" />
    </div>
    <JudgementList :judgements="judgePattern(part.pattern.measure)" />
  </template>
</template>

<style scoped>
.choose {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  margin-top: 12px;
}
.look {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 250px;
  gap: 18px;
  margin-top: 12px;
}
.view {
  height: 400px;
}
@media (max-width: 1180px) {
  .look {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
