<script setup lang="ts">
import { usePourLoaded } from '../state/usePourLoaded';
import BenchWork from './BenchWork.vue';
import type { BenchList } from '../state/benchLists';

const props = defineProps<{ id: string; stage: BenchList }>();
const ready = usePourLoaded(() => props.id);
</script>

<template>
  <v-theme-provider theme="char" with-background class="bench">
    <BenchWork v-if="ready" :id="id" :key="id + stage" :stage="stage" />
  </v-theme-provider>
</template>

<style scoped>
.bench {
  min-height: 100vh;
}
</style>
