<script setup lang="ts">
import type { Standing } from '@zero-pour/core';

/** A share with its interval as a bar, and on how many pieces it stands. */
defineProps<{ standing: Standing; words: string }>();
const percent = (share: number): string => `${Math.round(100 * share)}`;
</script>

<template>
  <span class="yield" :class="{ few: standing.few }">
    <svg
      v-if="standing.n > 0"
      viewBox="0 0 100 12"
      preserveAspectRatio="none"
      role="img"
      :aria-label="`${percent(standing.low)} to ${percent(standing.high)} %`"
    >
      <rect x="0" y="5" width="100" height="2" fill="var(--line)" />
      <rect
        :x="100 * standing.low"
        y="2"
        :width="100 * (standing.high - standing.low)"
        height="8"
        :fill="standing.few ? 'url(#few-pieces)' : 'var(--verd-mid)'"
      />
      <rect :x="(100 * standing.good) / standing.n - 1" y="0" width="2" height="12" fill="var(--ink)" />
      <defs>
        <pattern
          id="few-pieces"
          width="3"
          height="3"
          patternUnits="userSpaceOnUse"
          patternTransform="rotate(45)"
        >
          <rect width="1.2" height="3" fill="var(--amber)" />
        </pattern>
      </defs>
    </svg>
    <span class="line">
      <b v-if="standing.n > 0" class="num">{{ percent(standing.good / standing.n) }} %</b>
      <span class="words">{{ words }}{{ standing.n > 0 && standing.few ? ', few' : '' }}</span>
    </span>
  </span>
</template>

<style scoped>
.yield {
  display: block;
  min-width: 130px;
}
svg {
  display: block;
  width: 100%;
  height: 12px;
}
.line {
  display: flex;
  gap: 8px;
  align-items: baseline;
}
.words {
  font-size: 13px;
  color: var(--mute);
}
.line b {
  white-space: nowrap;
}
.few b {
  color: var(--mute);
}
</style>
