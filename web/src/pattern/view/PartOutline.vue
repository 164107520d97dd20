<script setup lang="ts">
import type { Pattern } from '@zero-pour/contracts';
import { measureBounds, rotatePoints, rotationMatrix, type Rotation } from '@zero-pour/core';
import { computed } from 'vue';

/** The part without a 3-D view: its outermost points from the front and from above, to one scale. */
const props = defineProps<{ pattern: Pattern; rotation: Rotation }>();

const views = computed(() => {
  const points = rotatePoints(props.pattern.measure.supportPointsMm, rotationMatrix(props.rotation));
  const { min, max } = measureBounds(points);
  const view = (name: string, a: 0 | 1, b: 1 | 2) => {
    const [width, height] = [max[a] - min[a], max[b] - min[b]];
    const dots: [number, number][] = [];
    for (let i = 0; i < points.length; i += 3) dots.push([points[i + a]! - min[a], max[b] - points[i + b]!]);
    return { name, width, height, dots };
  };
  return [view('from the front', 0, 2), view('from above', 0, 1)];
});
</script>

<template>
  <div class="outline">
    <p class="mute">No 3-D view in this browser. The outermost points:</p>
    <div v-for="view in views" :key="view.name">
      <svg
        :viewBox="`-1 -1 ${view.width + 2} ${view.height + 2}`"
        role="img"
        :aria-label="`Outline ${view.name}`"
      >
        <rect
          x="0"
          y="0"
          :width="view.width"
          :height="view.height"
          fill="none"
          stroke="var(--line2)"
          stroke-width="0.1"
        />
        <circle v-for="([x, y], i) in view.dots" :key="i" :cx="x" :cy="y" r="0.18" fill="var(--wax)" />
      </svg>
      <span class="num">{{ view.name }}, {{ view.width.toFixed(1) }} × {{ view.height.toFixed(1) }} mm</span>
    </div>
  </div>
</template>

<style scoped>
.outline {
  display: flex;
  flex-wrap: wrap;
  gap: 20px;
  padding: 16px;
}
p {
  width: 100%;
}
svg {
  display: block;
  height: 200px;
  max-width: 100%;
}
</style>
