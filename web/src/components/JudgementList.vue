<script setup lang="ts">
import { formatPhrase, sortJudgements, type Judgement } from '@zero-pour/core';
import { computed } from 'vue';
import { useUnits } from '../state/unitStore';

// The live place is there before the first judgement is, so that one that comes is read out; the list takes what it is placed by.
defineOptions({ inheritAttrs: false });
const props = defineProps<{ judgements: readonly Judgement[] }>();
const units = useUnits();
const sorted = computed(() => sortJudgements(props.judgements));
</script>

<template>
  <div class="live" aria-live="polite">
    <ul v-if="sorted.length > 0" class="judgements" aria-label="Judgements" v-bind="$attrs">
      <li v-for="(judgement, n) in sorted" :key="`${judgement.rule} ${n}`" :class="judgement.weight">
        <span class="weight">{{ judgement.weight }}</span>
        <span
          ><b>{{ judgement.lead }}</b> {{ formatPhrase(judgement.why, units.choice) }}</span
        >
      </li>
    </ul>
  </div>
</template>

<style scoped>
.live {
  display: contents;
}
.judgements {
  list-style: none;
  margin: 12px 0 0;
  padding: 0;
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(300px, 1fr));
  gap: 10px;
}
li {
  display: flex;
  gap: 9px;
  padding: 8px 11px;
  border-left: 4px solid var(--amber);
  background: var(--amber-tint);
  font-size: 14px;
}
.weight {
  font: 700 11.5px var(--mono);
  padding-top: 3px;
  min-width: 38px;
  color: var(--amber-text);
}
.ok {
  border-color: var(--verd);
  background: var(--verd-tint);
}
.ok .weight {
  color: var(--verd-text);
}
.fix {
  border-color: var(--melt);
  background: var(--melt-tint);
}
.fix .weight {
  color: var(--melt-text);
}
.stop {
  border-color: var(--oxide);
  background: var(--oxide-tint);
}
.stop .weight {
  color: var(--oxide);
}
</style>
