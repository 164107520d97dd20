<script setup lang="ts">
import { computed } from 'vue';
import { clockOffMs } from '../time/clockOff';
import OverLine from './OverLine.vue';

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
  <OverLine>
    <strong>{{ sentence }}</strong> What is due, and when something was done, is counted by this screen: set
    its clock right, or the machine’s, whichever is wrong.
  </OverLine>
</template>
