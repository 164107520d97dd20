<script setup lang="ts">
import { INVEST_CHECKS } from '@zero-pour/core';
import { computed } from 'vue';
import { usePour } from '../../state/usePour';

/** What is looked over before powder meets water: what was ticked, and what then was not, tells of causes later. */
const { pour, set } = usePour();
const checks = computed(() => pour.value.doc.invest.checks ?? {});
function tick(check: (typeof INVEST_CHECKS)[number], done: boolean): void {
  const { [check]: _, ...others } = checks.value;
  const next = done ? { ...others, [check]: new Date().toISOString() } : others;
  set(['invest', 'checks'], Object.keys(next).length > 0 ? next : undefined);
}
</script>

<template>
  <div class="checks" role="group" aria-label="Looked over before the mix">
    <v-checkbox
      v-for="check in INVEST_CHECKS"
      :key="check"
      :label="check"
      :model-value="checks[check] !== undefined"
      hide-details
      @update:model-value="(done) => tick(check, done === true)"
    />
  </div>
</template>

<style scoped>
.checks {
  display: flex;
  flex-wrap: wrap;
  gap: 0 18px;
}
.checks :deep(.v-label)::first-letter {
  text-transform: capitalize;
}
</style>
