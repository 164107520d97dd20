<script setup lang="ts">
import { clockTime } from '../time/shopClock';
import { computed } from 'vue';
import { formatStopwatch } from '../time/formatMoment';
import { glossTimes } from '../time/glossTimes';

/** How much of the working time is used, from powder in water on. */
const props = defineProps<{ powderInAt: string | undefined; workingMin: number; now: Date }>();
const from = computed(() => (props.powderInAt ? Date.parse(props.powderInAt) : undefined));
const usedMs = computed(() => (from.value === undefined ? 0 : props.now.getTime() - from.value));
const workingMs = computed(() => props.workingMin * 60_000);
const usedShare = computed(() => Math.min(100, (usedMs.value / workingMs.value) * 100));
</script>

<template>
  <div v-if="from !== undefined" class="clock">
    <div class="bar"><i :style="{ width: `${usedShare}%` }" /></div>
    <div class="num under">
      <span>{{ formatStopwatch(usedMs) }} of {{ formatStopwatch(workingMs) }} working time</span
      ><span>
        powder in at {{ clockTime(from, 'HH:mm:ss') }} · gloss-off {{ glossTimes(from, workingMin) }}</span
      >
    </div>
  </div>
</template>

<style scoped>
.bar {
  height: 18px;
  background: var(--char-line);
}
.bar i {
  display: block;
  height: 100%;
  background: linear-gradient(90deg, var(--oxide), var(--melt));
}
.under {
  display: flex;
  justify-content: space-between;
  padding: 8px 0 4px;
  font-size: 17px;
  color: var(--line);
}
</style>
