<script setup lang="ts">
import { useLocalStorage } from '@vueuse/core';
import { useGuided, useStartGuide } from './guidedPour';

/** Offered on the board once in a browser, until it is taken or declined. */
const offered = useLocalStorage('zp-guide-offered', true);
const guided = useGuided();
const startGuide = useStartGuide();

async function start(): Promise<void> {
  if (await startGuide()) offered.value = false;
}
</script>

<template>
  <p v-if="offered && !guided" class="new-here">
    New here?
    <button type="button" class="text-button" @click="start">Be shown one pour, step by step</button>
    <button type="button" class="text-button mute" @click="offered = false">No, thanks</button>
  </p>
</template>

<style scoped>
.new-here {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 14px;
  padding: 6px 12px;
  margin-bottom: 10px;
  background: var(--wax2);
}
</style>
