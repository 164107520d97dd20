<script setup lang="ts">
import { computed } from 'vue';
import type { PartScene, Point } from './partScene';

/** The picked points and the line between them, over the picture. */
const props = defineProps<{
  points: readonly { at: Point }[];
  scene: PartScene;
  tick: number;
  width: number;
  height: number;
}>();
const dots = computed(() => {
  void props.tick;
  return props.points.map(({ at }) => props.scene.screenOf(at));
});
</script>

<template>
  <svg class="measure" :width="width" :height="height" aria-hidden="true">
    <line v-if="dots.length === 2" :x1="dots[0]!.x" :y1="dots[0]!.y" :x2="dots[1]!.x" :y2="dots[1]!.y" />
    <circle v-for="(dot, n) in dots" :key="n" :cx="dot.x" :cy="dot.y" r="5" />
  </svg>
</template>

<style scoped>
.measure {
  position: absolute;
  inset: 0;
  pointer-events: none;
}
line {
  stroke: var(--ink);
  stroke-width: 2;
}
circle {
  fill: var(--paper);
  stroke: var(--ink);
  stroke-width: 2;
}
</style>
