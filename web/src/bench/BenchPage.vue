<script setup lang="ts">
import type { BenchList } from '../state/benchLists';
import { usePourLoaded } from '../state/usePourLoaded';
import PourBench from './PourBench.vue';

const props = defineProps<{ id: string; stage: BenchList }>();
const ready = usePourLoaded(() => props.id);
</script>

<template>
  <v-theme-provider theme="char" with-background class="bench">
    <PourBench v-if="ready" :id="id" :key="id + stage" :stage="stage" />
  </v-theme-provider>
</template>

<style scoped>
.bench {
  min-height: 100vh;
}
</style>
