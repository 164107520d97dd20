<script setup lang="ts">
import { dayMarks, hourMarks, type TimeAxis } from './timeAxis';

/** Midnights with their days, and hours between them. */
defineProps<{
  axis: TimeAxis;
  stretch: { from: number; to: number };
  width: number;
  labelWidth: number;
  height: number;
}>();
</script>

<template>
  <g>
    <g v-for="day in dayMarks(stretch)" :key="day.at">
      <line :x1="axis.x(day.at)" :x2="axis.x(day.at)" y1="8" :y2="height - 10" stroke="var(--line)" />
      <text v-if="axis.x(day.at) < width - 78" :x="axis.x(day.at) + 5" y="22" class="day">
        {{ day.label }}
      </text>
    </g>
    <text
      v-for="hour in hourMarks(stretch, width - labelWidth)"
      :key="hour.at"
      :x="axis.x(hour.at)"
      y="48"
      class="hour"
    >
      {{ hour.label }}
    </text>
  </g>
</template>

<style scoped>
text {
  font-family: var(--text);
  fill: var(--ink);
}
.day {
  font-size: 14px;
  font-weight: 650;
}
.hour {
  font: 11.5px var(--mono);
  fill: var(--mute);
  text-anchor: middle;
}
</style>
