<script setup lang="ts">
import type { CouponLayout } from '@zero-pour/core';
import { computed } from 'vue';

/** The coupon from above: raft and openings pale, what stands dark. */
const props = defineProps<{ layout: CouponLayout }>();
const [width, depth] = [computed(() => props.layout.sizeMm[0]), computed(() => props.layout.sizeMm[1])];
/** Boxes as rectangles, y from the top of the picture. */
const rectangles = computed(() =>
  [
    ...props.layout.add.map((s, i) => ({ s, cut: i < props.layout.rafts })),
    ...props.layout.cut.map((s) => ({ s, cut: true })),
  ].flatMap(({ s, cut }) => {
    if (s.kind === 'box') {
      return [
        { x: s.from[0], y: depth.value - s.to[1], w: s.to[0] - s.from[0], h: s.to[1] - s.from[1], cut },
      ];
    }
    if (s.kind === 'pin') {
      const r = s.diameterMm / 2;
      return [{ x: s.centre[0] - r, y: depth.value - s.centre[1] - r, w: 2 * r, h: 2 * r, cut }];
    }
    return [];
  }),
);
</script>

<template>
  <svg
    :viewBox="`-1 -1 ${width + 2} ${depth + 2}`"
    class="plan"
    role="img"
    aria-label="Plan of the coupon from above"
  >
    <rect
      v-for="(r, i) in rectangles"
      :key="i"
      :x="r.x"
      :y="r.y"
      :width="r.w"
      :height="r.h"
      :fill="r.cut ? 'var(--sheet)' : 'var(--wax)'"
      :stroke="r.cut ? 'var(--wax)' : 'none'"
      stroke-width="0.06"
    />
  </svg>
</template>

<style scoped>
.plan {
  display: block;
  width: 100%;
  height: 100%;
}
</style>
