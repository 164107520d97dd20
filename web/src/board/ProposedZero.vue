<script setup lang="ts">
import { formatMoment } from '../time/formatMoment';

/** Where a plan that is looked at would have a zero. */
defineProps<{ at: number; x: number; top: number; height: number; now: number }>();
</script>

<template>
  <g>
    <title>In the plan: {{ formatMoment(at, now) }}</title>
    <line :x1="x" :x2="x" :y1="top + 24" :y2="top + height - 13" />
    <ellipse :cx="x" :cy="top + 14" rx="9" ry="11" />
  </g>
</template>

<style scoped>
line,
ellipse {
  fill: none;
  stroke: var(--melt);
  stroke-width: 2.5;
  stroke-dasharray: 4 4;
}
</style>
