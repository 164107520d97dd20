<script setup lang="ts">
import { formatPhrase } from '@zero-pour/core';
import { freshClocks, judgeStaleVat, readClock } from '@zero-pour/plan';
import { computed } from 'vue';
import JudgementList from '../components/JudgementList.vue';
import { useSlowNow } from '../state/clock';
import { useUnits } from '../state/unitStore';
import { usePour } from '../state/usePour';

/** What of this pour goes off, and how long it still has. */
const { plan } = usePour();
const now = useSlowNow();
const units = useUnits();
const clocks = computed(() =>
  freshClocks(plan.value.context).map((clock) => ({ ...clock, ...readClock(clock, now.value) })),
);
/** Told until the metal is in, wherever what was printed is handled. */
const stale = computed(() =>
  plan.value.states.pour === 'done' ? [] : judgeStaleVat(plan.value.context, now.value),
);
</script>

<template>
  <JudgementList v-if="stale.length > 0" :judgements="stale" class="mb-2" />
  <p v-for="clock in clocks" :key="clock.what" :class="['fresh', clock.weight]">
    <b>{{ clock.name }}:</b> {{ formatPhrase(clock.says, units.choice) }}
  </p>
</template>

<style scoped>
.fresh {
  padding: 7px 12px;
  margin-bottom: 10px;
  border-left: 4px solid var(--wax);
  background: var(--sheet);
}
.watch {
  border-color: var(--amber);
  background: var(--amber-tint);
}
.fix {
  border-color: var(--oxide);
}
</style>
