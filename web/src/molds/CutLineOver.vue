<script setup lang="ts">
import type { CutLine } from '@zero-pour/core';
import { computed } from 'vue';
import type { PartScene } from '../pattern';

/** The line that the knife follows, over the picture of the part. */
const props = defineProps<{
  line: CutLine;
  scene: PartScene;
  tick: number;
  width: number;
  height: number;
}>();
const paths = computed(() => {
  void props.tick;
  return props.line.loops.map((loop) =>
    loop
      .map((at) => props.scene.screenOf(at))
      .map(({ x, y }, n) => `${n === 0 ? 'M' : 'L'}${x.toFixed(1)} ${y.toFixed(1)}`)
      .join('')
      .concat('Z'),
  );
});
</script>

<template>
  <svg class="over" :width="width" :height="height" aria-hidden="true">
    <g v-for="(path, n) in paths" :key="n">
      <path :d="path" class="ground" />
      <path :d="path" class="line" />
    </g>
  </svg>
</template>

<style scoped>
.over {
  position: absolute;
  inset: 0;
  pointer-events: none;
}
path {
  fill: none;
  stroke-linejoin: round;
}
.ground {
  stroke: var(--sheet);
  stroke-width: 4.5;
  opacity: 0.75;
}
.line {
  stroke: var(--melt);
  stroke-width: 2;
  stroke-dasharray: 7 4;
}
</style>
