<script setup lang="ts">
import { formatQuantity, MM_PER_INCH } from '@zero-pour/core';
import { computed } from 'vue';
import { useUnits } from '../../state/unitStore';
import type { PartScene } from './partScene';

/** A length to measure by, and which way the axes lie; drawn again with every frame (`tick`). */
const props = defineProps<{ scene: PartScene; tick: number }>();
const units = useUnits();

const BARS_MM = [0.5, 1, 2, 5, 10, 20, 50, 100];
const marks = computed(() =>
  props.tick > 0 ? { mmPerPixel: props.scene.mmPerPixel(), axes: props.scene.axes() } : undefined,
);
/** A round length that is about a tenth to a quarter of the view. */
const bar = computed(() => {
  const mmPerPixel = marks.value?.mmPerPixel;
  if (!mmPerPixel) return undefined;
  const perUnit = units.choice.length === 'in' ? MM_PER_INCH / 20 : 1;
  const mm = (BARS_MM.find((length) => (length * perUnit) / mmPerPixel > 60) ?? 100) * perUnit;
  return { text: formatQuantity({ value: mm, unit: 'mm', digits: 1 }, units.choice), px: mm / mmPerPixel };
});
</script>

<template>
  <svg v-if="bar" class="bar" :width="bar.px + 30" height="34" aria-hidden="true">
    <path
      :d="`M2 28h${bar.px}M2 22v11M${bar.px + 2} 22v11`"
      stroke="var(--ink)"
      stroke-width="1.6"
      fill="none"
    />
    <text :x="bar.px / 2 + 2" y="16" text-anchor="middle">{{ bar.text }}</text>
  </svg>
  <svg v-if="marks" class="axes" width="64" height="64" viewBox="-32 -32 64 64" aria-hidden="true">
    <g v-for="axis in marks.axes" :key="axis.name">
      <line
        x1="0"
        y1="0"
        :x2="axis.x * 20"
        :y2="-axis.y * 20"
        :stroke="axis.name === 'z' ? 'var(--wax)' : 'var(--ash)'"
        stroke-width="2.4"
      />
      <text :x="axis.x * 27" :y="-axis.y * 27 + 4" text-anchor="middle">{{ axis.name }}</text>
    </g>
  </svg>
</template>

<style scoped>
.bar {
  position: absolute;
  left: 16px;
  bottom: 12px;
  overflow: visible;
  pointer-events: none;
}
.axes {
  position: absolute;
  right: 10px;
  bottom: 8px;
  pointer-events: none;
}
text {
  font: 13px var(--mono);
  fill: var(--ink);
}
</style>
