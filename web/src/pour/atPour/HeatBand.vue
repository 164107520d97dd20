<script setup lang="ts">
import { formatQuantity } from '@zero-pour/core';
import type { HeatLesson } from '@zero-pour/plan';
import { computed } from 'vue';
import { useUnits } from '../../state/unitStore';

/** Where a temperature's two edges are believed to be, the book's range, and the flasks that say so. */
const props = defineProps<{ lesson: HeatLesson; what: string }>();
const units = useUnits();
const WIDTH = 600;
const span = computed(() => {
  const { window, trials } = props.lesson;
  const temps = trials.map(({ tempC }) => tempC);
  const { coolEdge, hotEdge, range } = window;
  const low = Math.min(coolEdge.q05C, range.lowC, ...temps) - 10;
  const high = Math.max(hotEdge.q95C, range.highC, ...temps) + 10;
  return { low, high };
});
const at = (tempC: number): number => (WIDTH * (tempC - span.value.low)) / (span.value.high - span.value.low);
const shown = (value: number): string => formatQuantity({ value, unit: 'degC', digits: 0 }, units.choice);
/** Flasks at one temperature stand over each other. */
const dots = computed(() => {
  const height = new Map<number, number>();
  return props.lesson.trials.map(({ number, tempC, castings, cool, hot }) => {
    const slot = Math.round(at(tempC) / 12);
    const n = height.get(slot) ?? 0;
    height.set(slot, n + 1);
    const kind = cool > 0 ? 'cool' : hot > 0 ? 'hot' : 'fine';
    return { number, kind, x: at(tempC), y: 44 - 12 * n, says: `Pour ${number}, ${shown(tempC)}: ${castings} cast, ${cool} not filled, ${hot} shrunk or rough` }; // prettier-ignore
  });
});
const label = computed(() => {
  const { coolEdge, hotEdge, bestC } = props.lesson.window;
  return `${props.what}: fills from ${shown(coolEdge.q50C)}, sound up to ${shown(hotEdge.q50C)}, best at ${shown(bestC)}`;
});
</script>

<template>
  <svg :viewBox="`0 0 ${WIDTH} 92`" role="img" :aria-label="label">
    <rect
      class="book"
      :x="at(lesson.window.range.lowC)"
      y="50"
      :width="Math.max(2, at(lesson.window.range.highC) - at(lesson.window.range.lowC))"
      height="20"
    />
    <rect class="cool" x="0" y="50" :width="Math.max(0, at(lesson.window.coolEdge.q05C))" height="20" />
    <rect
      class="cool maybe"
      :x="at(lesson.window.coolEdge.q05C)"
      y="50"
      :width="at(lesson.window.coolEdge.q95C) - at(lesson.window.coolEdge.q05C)"
      height="20"
    />
    <rect
      class="hot"
      :x="at(lesson.window.hotEdge.q95C)"
      y="50"
      :width="WIDTH - at(lesson.window.hotEdge.q95C)"
      height="20"
    />
    <rect
      class="hot maybe"
      :x="at(lesson.window.hotEdge.q05C)"
      y="50"
      :width="at(lesson.window.hotEdge.q95C) - at(lesson.window.hotEdge.q05C)"
      height="20"
    />
    <line class="best" :x1="at(lesson.window.bestC)" :x2="at(lesson.window.bestC)" y1="46" y2="74" />
    <template v-for="dot in dots" :key="`${dot.number} ${dot.x} ${dot.y}`">
      <rect
        v-if="dot.kind === 'cool'"
        class="dot cool"
        :x="dot.x - 4.5"
        :y="dot.y - 4.5"
        width="9"
        height="9"
      >
        <title>{{ dot.says }}</title>
      </rect>
      <path v-else-if="dot.kind === 'hot'" class="dot hot" :d="`M${dot.x} ${dot.y - 6} l6 10 h-12 z`">
        <title>{{ dot.says }}</title>
      </path>
      <circle v-else class="dot" :cx="dot.x" :cy="dot.y" r="4.5">
        <title>{{ dot.says }}</title>
      </circle>
    </template>
    <text :x="at(lesson.window.coolEdge.q50C)" y="87">{{ shown(lesson.window.coolEdge.q50C) }}</text>
    <text :x="at(lesson.window.hotEdge.q50C)" y="87">{{ shown(lesson.window.hotEdge.q50C) }}</text>
  </svg>
</template>

<style scoped>
svg {
  width: 100%;
  max-width: 640px;
}
text {
  text-anchor: middle;
  font-size: 13px;
  fill: var(--ink);
}
@media (max-width: 600px) {
  /* The drawing is half as wide there. */
  text {
    font-size: 22px;
  }
}
.book {
  fill: none;
  stroke: var(--mute);
  stroke-dasharray: 4 3;
}
rect.cool:not(.dot) {
  fill: var(--wax);
  opacity: 0.75;
}
rect.hot:not(.dot) {
  fill: var(--melt);
  opacity: 0.75;
}
rect.maybe:not(.dot) {
  opacity: 0.28;
}
.best {
  stroke: var(--ink);
  stroke-width: 3;
}
.dot {
  fill: var(--paper);
  stroke: var(--ink);
  stroke-width: 1.6;
}
.dot.cool {
  fill: var(--wax);
}
.dot.hot {
  fill: var(--melt);
}
</style>
