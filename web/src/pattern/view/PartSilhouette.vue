<script setup lang="ts">
import { isWholePattern, type ListedPattern } from '@zero-pour/contracts';
import { hullOf, measureBounds, rotatePoints, rotationMatrix } from '@zero-pour/core';
import { computed } from 'vue';

/** A pattern small enough for a list: the outline of its outermost points, seen from above its front; no mesh is loaded. Nothing is drawn until they are here. */
const props = defineProps<{ pattern: ListedPattern }>();

const SEEN_FROM = { xDeg: 35, yDeg: 0, zDeg: 30 };
const picture = computed(() => {
  if (!isWholePattern(props.pattern)) return undefined;
  const points = rotatePoints(props.pattern.measure.supportPointsMm, rotationMatrix(SEEN_FROM));
  const seen: [number, number][] = [];
  for (let i = 0; i < points.length; i += 3) seen.push([points[i]!, -points[i + 2]!]);
  if (seen.length < 3) return undefined;
  const { min, max } = measureBounds(Float64Array.from(seen.flatMap(([x, y]) => [x, y, 0])));
  const side = Math.max(max[0] - min[0], max[1] - min[1]) * 1.08 || 1;
  const [left, top] = [(min[0] + max[0] - side) / 2, (min[1] + max[1] - side) / 2];
  return {
    box: `${left} ${top} ${side} ${side}`,
    width: side / 30,
    outline: hullOf(seen)
      .map((p) => p.join(','))
      .join(' '),
  };
});
</script>

<template>
  <svg class="silhouette" :viewBox="picture?.box ?? '0 0 1 1'" aria-hidden="true">
    <polygon
      v-if="picture"
      :points="picture.outline"
      fill="var(--wax2)"
      stroke="var(--wax)"
      :stroke-width="picture.width"
      stroke-linejoin="round"
    />
  </svg>
</template>

<style scoped>
.silhouette {
  flex: none;
  width: 40px;
  height: 40px;
}
</style>
