<script setup lang="ts">
import type { SupportAdvice, SupportPoint } from '@zero-pour/core';
import { computed } from 'vue';
import type { PartScene } from '../../pattern';

/** Supports as dots on the part, larger where heavier; crossed where cutters do not reach. */
const props = defineProps<{ advice: SupportAdvice; supported: boolean; scene: PartScene; tick: number; width: number; height: number }>(); // prettier-ignore
const RADIUS: Record<SupportPoint['weight'], number> = { fine: 3, middle: 4.6, heavy: 6.4 };
const dots = computed(() => {
  void props.tick;
  if (props.supported) return [];
  return props.advice.points.map((point) => ({
    ...props.scene.screenOf(point.at),
    r: RADIUS[point.weight],
    hard: point.cut !== 'free',
    anchor: point.anchor,
  }));
});
const islands = computed(() => {
  void props.tick;
  return props.advice.islands.map((at) => props.scene.screenOf(at));
});
</script>

<template>
  <!-- For the eye; the lines beside it say the same to everyone. -->
  <svg class="marks" :width="width" :height="height" aria-hidden="true">
    <g v-for="(dot, i) in dots" :key="i">
      <circle :cx="dot.x" :cy="dot.y" :r="dot.r" :class="{ anchor: dot.anchor }" />
      <path v-if="dot.hard" :d="`M${dot.x - 6},${dot.y - 6}l12,12m0,-12l-12,12`" class="cross" />
    </g>
    <path
      v-for="(at, i) in islands"
      :key="`island ${i}`"
      :d="`M${at.x - 8},${at.y - 12}h16l-8,12z`"
      class="island"
    />
  </svg>
</template>

<style scoped>
.marks {
  position: absolute;
  inset: 0;
  pointer-events: none;
}
circle {
  fill: var(--glow);
  stroke: var(--ink);
  stroke-width: 1.2;
}
.anchor {
  stroke-width: 3;
}
.cross {
  stroke: var(--oxide);
  stroke-width: 2.4;
}
.island {
  fill: var(--oxide);
  stroke: var(--paper);
}
</style>
