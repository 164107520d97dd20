<script setup lang="ts">
import { gradeFeed, gradeFill, type FeedingGate, type LastFilled } from '@zero-pour/core';
import type { FeedAnswer } from '@zero-pour/jobs';
import { computed } from 'vue';
import type { PartScene } from '../../pattern';

/** Gates on the part, its masses by how they are fed, and a ring at the narrowest place on the way to each. */
const props = defineProps<{
  gates: readonly FeedingGate[];
  feed: FeedAnswer | undefined;
  /** The place that fills last, where that is known. */
  lastFilled: LastFilled | undefined;
  scene: PartScene;
  tick: number;
  width: number;
  height: number;
}>();
const toPixels = (mm: number): number => {
  void props.tick;
  return mm / props.scene.mmPerPixel();
};
const dots = computed(() => {
  void props.tick;
  return props.gates.map(({ at, diameterMm }) => ({
    ...props.scene.screenOf(at),
    r: Math.max(6, toPixels(diameterMm) / 2),
  }));
});
/** Marked only where it fills late or not at all. */
const late = computed(() => {
  void props.tick;
  const last = props.lastFilled;
  const grade = last && gradeFill(last.margin);
  return !last || grade === 'good' ? undefined : { ...props.scene.screenOf(last.at), grade };
});
const ways = computed(() => {
  void props.tick;
  return (props.feed?.feeds ?? []).map((feed) => {
    const mass = props.feed!.masses[feed.spot]!;
    return {
      mass: { ...props.scene.screenOf(mass.at), r: Math.max(9, toPixels(mass.widthMm) / 2) },
      neck: feed.neck && {
        ...props.scene.screenOf(feed.neck.at),
        r: Math.max(4, toPixels(feed.neck.widthMm) / 2),
      },
      grade: gradeFeed(feed),
    };
  });
});
</script>

<template>
  <!-- For the eye; the list beneath says the same to everyone. -->
  <svg class="marks" :width="width" :height="height" aria-hidden="true">
    <g v-for="(way, n) in ways" :key="`mass ${n}`" :class="way.grade">
      <circle class="mass" :cx="way.mass.x" :cy="way.mass.y" :r="way.mass.r" />
      <circle v-if="way.neck" class="neck" :cx="way.neck.x" :cy="way.neck.y" :r="way.neck.r" />
      <text :x="way.mass.x" :y="way.mass.y + 5">{{ n + 1 }}</text>
    </g>
    <g v-if="late" :class="late.grade" class="late">
      <path :d="`M${late.x - 9} ${late.y - 9}l18 18m0 -18l-18 18`" />
      <text :x="late.x" :y="late.y - 14">last</text>
    </g>
    <g v-for="(dot, n) in dots" :key="`gate ${n}`" class="gate">
      <circle :cx="dot.x" :cy="dot.y" :r="dot.r" />
      <text :x="dot.x" :y="dot.y + 5">G{{ n + 1 }}</text>
    </g>
  </svg>
</template>

<style scoped>
.marks {
  position: absolute;
  inset: 0;
  pointer-events: none;
}
.mass,
.neck {
  fill: none;
  stroke-width: 2.4;
}
/* Light round it, so that no colour of the part swallows it. */
.mass,
.neck {
  filter: drop-shadow(0 0 1px var(--paper)) drop-shadow(0 0 1px var(--paper));
}
.late path {
  stroke-width: 4;
}
.mass {
  stroke-dasharray: 6 4;
}
.neck {
  stroke-width: 4;
}
.good * {
  stroke: var(--verd);
}
.watch * {
  stroke: var(--glow);
}
.fix * {
  stroke: var(--oxide);
}
text {
  font-size: 14px;
  font-weight: 700;
  text-anchor: middle;
  fill: var(--ink);
  stroke: var(--paper) !important;
  stroke-width: 3;
  paint-order: stroke;
}
.gate circle {
  fill: var(--metal);
  fill-opacity: 0.75;
  stroke: var(--ink);
  stroke-width: 1.5;
}
</style>
