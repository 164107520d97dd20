<script setup lang="ts">
import type { Flask } from '@zero-pour/contracts';
import { CLEARANCE_MM, formatQuantity, type TreeForm, type TreeLayout } from '@zero-pour/core';
import { computed } from 'vue';
import { useUnits } from '../state/unitStore';

/** The tree in its flask from the side, to scale: what the clearance check looks at. */
const props = defineProps<{ flask: Flask; layout: TreeLayout; form: TreeForm }>();

const units = useUnits();
const mm = (value: number): string => formatQuantity({ value, unit: 'mm', digits: 1 }, units.choice);
const PAD = 6;
const inner = computed(() => ({ d: props.flask.innerDiameterMm, h: props.flask.heightMm }));
const mid = computed(() => inner.value.d / 2);
const up = (heightMm: number): number => inner.value.h - heightMm;
const sprueTop = computed(() => props.form.coneHeightMm + props.form.mainSprueLengthMm);
</script>

<template>
  <svg
    class="tree"
    :viewBox="`${-PAD} ${-PAD - 8} ${inner.d + 2 * PAD} ${inner.h + 2 * PAD + 14}`"
    role="img"
    :aria-label="`Tree in the flask: reaches ${layout.reachMm.toFixed(1)} mm from the middle and ${layout.heightMm.toFixed(1)} mm up, in a flask ${inner.d} across and ${inner.h} high.`"
  >
    <rect x="0" y="0" :width="inner.d" :height="inner.h" fill="var(--hatch)" />
    <rect x="0" y="0" :width="inner.d" :height="CLEARANCE_MM.top" fill="var(--amber-tint)" />
    <rect x="0" y="0" :width="CLEARANCE_MM.wall" :height="inner.h" fill="var(--sand)" />
    <rect
      :x="inner.d - CLEARANCE_MM.wall"
      y="0"
      :width="CLEARANCE_MM.wall"
      :height="inner.h"
      fill="var(--sand)"
    />
    <path
      :d="`M${mid - flask.coneDiameterMm / 2} ${inner.h}L${mid - form.mainSprueDiameterMm / 2} ${up(form.coneHeightMm)}h${form.mainSprueDiameterMm}L${mid + flask.coneDiameterMm / 2} ${inner.h}z`"
      fill="var(--clay)"
    />
    <rect
      :x="mid - form.mainSprueDiameterMm / 2"
      :y="up(sprueTop)"
      :width="form.mainSprueDiameterMm"
      :height="form.mainSprueLengthMm"
      fill="var(--clay)"
    />
    <rect
      :x="mid - layout.reachMm"
      :y="up(layout.heightMm)"
      :width="2 * layout.reachMm"
      :height="Math.max(1, layout.heightMm - form.coneHeightMm)"
      fill="var(--wax)"
      fill-opacity="0.22"
      stroke="var(--wax)"
      stroke-width="0.6"
      stroke-dasharray="2 1.4"
    />
    <rect
      x="0"
      y="0"
      :width="inner.d"
      :height="inner.h"
      fill="none"
      stroke="var(--mute)"
      stroke-width="1.4"
    />
    <text :x="mid" y="-4" text-anchor="middle">{{ mm(inner.h - layout.heightMm) }} above</text>
    <text :x="mid" :y="inner.h + 9" text-anchor="middle">
      {{ mm(inner.d / 2 - layout.reachMm) }} to the wall
    </text>
  </svg>
</template>

<style scoped>
.tree {
  width: 100%;
  max-height: 340px;
  padding: 8px;
}
text {
  font-family: var(--mono);
  font-size: 5.4px;
  fill: var(--ink);
}
</style>
