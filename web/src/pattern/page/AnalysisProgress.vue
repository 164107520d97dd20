<script setup lang="ts">
import { formatNumber, type Step } from '@zero-pour/core';
import type { AnalysisState } from '../jobs/analysisStore';
import { STEP_WORDS } from '../stepWords';

/** What is being read of the part, how far it is, and the way to stop it or to begin again. */
defineProps<{ state: AnalysisState }>();
const emit = defineEmits<{ stop: []; start: [] }>();
const words = (step: Step): string => STEP_WORDS[step];
</script>

<template>
  <div v-if="state.status !== 'analysed' && state.status !== 'asking'" class="progress">
    <template v-if="state.status === 'waiting' || state.status === 'working'">
      <p role="status">
        {{ state.status === 'waiting' ? 'Waiting for its turn' : `Now ${words(state.step)}` }} …
      </p>
      <v-progress-linear
        :model-value="state.status === 'working' ? 100 * state.share : 0"
        :indeterminate="state.status === 'waiting'"
        color="primary"
        height="6"
        aria-label="How far the part is read"
      />
      <v-btn size="small" @click="emit('stop')">Stop</v-btn>
    </template>
    <template v-else-if="state.status === 'unread'">
      <p>Thickness, gaps, feed, hollows and ways through have not been read yet.</p>
      <v-btn size="small" variant="flat" @click="emit('start')">Read the part</v-btn>
    </template>
    <p v-else-if="state.status === 'too open'">
      The surface is too open to tell inside from outside ({{ formatNumber(100 * state.openShare, 0) }} % of
      the rays end in it): thickness and findings need a closed part. Close it where it was made.
    </p>
    <template v-else>
      <p role="alert">{{ state.sentence }}</p>
      <v-btn size="small" @click="emit('start')">Try again</v-btn>
    </template>
  </div>
</template>

<style scoped>
.progress {
  display: grid;
  gap: 8px;
  justify-items: start;
  padding: 10px 14px;
  background: var(--sheet);
  border-left: 4px solid var(--wax);
  margin-bottom: 12px;
}
</style>
