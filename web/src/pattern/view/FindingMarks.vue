<script setup lang="ts">
import type { Finding } from '@zero-pour/core';
import { computed } from 'vue';
import type { PartScene } from './partScene';
import { placeMarks } from './placeMarks';

/** Numbers of the findings on the part; all places of the chosen one. */
const props = defineProps<{
  findings: readonly Finding[];
  chosen: number | undefined;
  scene: PartScene;
  tick: number;
  width: number;
  height: number;
}>();
const emit = defineEmits<{ choose: [index: number] }>();

const marks = computed(() => {
  void props.tick;
  const points = props.findings.flatMap(({ places }, index) => {
    const first = places[0];
    if (!first) return [];
    const { x, y } = props.scene.screenOf(first.at);
    return [{ n: index, x, y }];
  });
  return placeMarks(points, props.width, props.height);
});
const rings = computed(() => {
  void props.tick;
  const places = props.chosen === undefined ? [] : (props.findings[props.chosen]?.places ?? []);
  const mmPerPixel = props.scene.mmPerPixel();
  return places.map(({ at, sizeMm }) => ({
    ...props.scene.screenOf(at),
    r: Math.min(60, Math.max(7, sizeMm / 2 / mmPerPixel + 4)),
  }));
});
</script>

<template>
  <!-- For the eye and the pointer; the list beside it says the same to everyone. -->
  <svg class="marks" :width="width" :height="height" aria-hidden="true">
    <circle
      v-for="(ring, i) in rings"
      :key="`ring ${i}`"
      :cx="ring.x"
      :cy="ring.y"
      :r="ring.r"
      class="ring"
    />
    <g
      v-for="mark in marks"
      :key="mark.n"
      :class="['tone', findings[mark.n]!.weight, { on: mark.n === chosen }]"
      @click="emit('choose', mark.n)"
    >
      <line :x1="mark.x" :y1="mark.y" :x2="mark.labelX" :y2="mark.labelY" />
      <circle :cx="mark.x" :cy="mark.y" r="2.4" class="point" />
      <rect :x="mark.labelX - 13" :y="mark.labelY - 13" width="26" height="26" />
      <text :x="mark.labelX" :y="mark.labelY + 5" text-anchor="middle">{{ mark.n + 1 }}</text>
    </g>
  </svg>
</template>

<style scoped>
.marks {
  position: absolute;
  inset: 0;
  pointer-events: none;
}
g {
  pointer-events: auto;
  cursor: pointer;
}
line {
  stroke: var(--ink);
  stroke-width: 1.2;
}
.point {
  fill: var(--ink);
}
.ring {
  fill: none;
  stroke: var(--ink);
  stroke-width: 2;
  stroke-dasharray: 5 3;
}
rect {
  fill: var(--paper);
  stroke: var(--tone);
  stroke-width: 2;
}
text {
  font: 700 14px var(--mono);
  fill: var(--tone);
}
.on rect {
  fill: var(--tone);
}
.on text {
  fill: var(--paper);
}
</style>
