<script setup lang="ts">
import { formatHours, type Segment } from '@zero-pour/core';
import type { HoldStretch } from '@zero-pour/plan';
import { computed } from 'vue';
import { useSlowNow } from '../state/clock';
import { formatMoment } from '../time/formatMoment';

/** Longer holds, by a press, after which hands are wanted only while somebody is there. */
const props = defineProps<{ stretch: HoldStretch }>();
const emit = defineEmits<{ take: [segments: Segment[]] }>();
const now = useSlowNow();
const words = computed(() => {
  const longer = props.stretch.longer.map(({ segment, moreH }) => `${segment} ${formatHours(moreH)} longer`);
  return `Hold ${longer.join(', ')}: kiln in ${formatMoment(props.stretch.kilnIn, now.value)}`;
});
</script>

<template>
  <p class="stretch">
    <v-btn size="small" @click="emit('take', stretch.segments)">{{ words }}</v-btn>
    <span class="mute">Then hands are wanted only while the bench is open, and zero stays.</span>
  </p>
</template>

<style scoped>
.stretch {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 14px;
  align-items: center;
  margin-top: 8px;
}
</style>
