<script setup lang="ts">
import { computed } from 'vue';
import { clockOffMs } from '../time/clockOff';

/** Over every page while this screen's clock is not the shop's: all that is counted on it goes by that clock. */
const sentence = computed(() => {
  const minutes = Math.round(Math.abs(clockOffMs.value) / 60_000);
  const hours = Math.round(minutes / 60);
  const far =
    minutes < 120 ? `${minutes} minutes` : hours < 48 ? `${hours} hours` : `${Math.round(hours / 24)} days`;
  return `This screen’s clock is ${far} ${clockOffMs.value > 0 ? 'ahead of' : 'behind'} the shop’s machine.`;
});
</script>

<template>
  <p class="clock tone stop no-print" role="alert">
    <strong>{{ sentence }}</strong> What is due, and when something was done, is counted by this screen: set
    its clock right, or the machine’s, whichever is wrong.
  </p>
</template>

<style scoped>
.clock {
  margin: 0;
  padding: 8px 16px;
  border-bottom: 1px solid var(--line2);
  border-left: 6px solid var(--tone);
  background: var(--paper);
}
</style>
