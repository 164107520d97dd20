<script setup lang="ts">
import { BIN_MM, formatQuantity, formatValue, shownUnit } from '@zero-pour/core';
import { computed } from 'vue';
import { useUnits } from '../../state/unitStore';
import { colourAt, cssOf, thicknessRamp } from '../view/paint';

/** Volume by local thickness, with the line that the resin draws. */
const props = defineProps<{ histogramMm3: readonly number[]; finestMm: number; resin: string }>();
const units = useUnits();

const WIDTH = 500;
const HEIGHT = 138;
const LEFT = 8;
const FLOOR = 108;
const TOP = 24;
/** Bars this wide are told apart; the last of them holds a thousandth of the volume or more. */
const BAR_MM = [0.1, 0.2, 0.25, 0.5, 1];
const BARS_MAX = 20;

const total = computed(() => props.histogramMm3.reduce((sum, v) => sum + v, 0));
const lastMm = computed(() => {
  let left = 0.001 * total.value;
  for (let b = props.histogramMm3.length - 1; b >= 0; b--) {
    left -= props.histogramMm3[b]!;
    if (left < 0) return (b + 1) * BIN_MM;
  }
  return 1;
});
const barMm = computed(() => BAR_MM.find((mm) => lastMm.value / mm <= BARS_MAX) ?? 2);
const bars = computed(() => {
  const count = Math.ceil(lastMm.value / barMm.value);
  const sums = new Array<number>(count).fill(0);
  props.histogramMm3.forEach((volume, b) => {
    sums[Math.min(count - 1, Math.floor((b * BIN_MM + 1e-9) / barMm.value))]! += volume;
  });
  const most = Math.max(...sums);
  const ramp = thicknessRamp(props.finestMm);
  return sums.map((volume, n) => {
    const height = (volume / most) * (FLOOR - TOP);
    return {
      x: xOf(n * barMm.value) + 1,
      y: FLOOR - height,
      width: Math.max(1, xOf(barMm.value) - xOf(0) - 2),
      height,
      fill: cssOf(colourAt(ramp, (n + 0.5) * barMm.value)),
      says: `${mm(n * barMm.value)} to ${mm((n + 1) * barMm.value)}: ${((100 * volume) / total.value).toFixed(1)} %`,
    };
  });
});
const spanMm = computed(() => Math.ceil(lastMm.value / barMm.value) * barMm.value);
const xOf = (value: number): number => LEFT + (value / spanMm.value) * (WIDTH - 2 * LEFT);
const mm = (value: number): string => formatQuantity({ value, unit: 'mm', digits: 2 }, units.choice);
const ticks = computed(() => {
  const step = [0.2, 0.5, 1, 2, 5].find((s) => spanMm.value / s <= 8) ?? 10;
  return Array.from({ length: Math.floor(spanMm.value / step + 1e-9) + 1 }, (_, n) => n * step);
});
const lineX = computed(() => xOf(props.finestMm));
</script>

<template>
  <svg
    :viewBox="`0 0 ${WIDTH} ${HEIGHT}`"
    class="histogram"
    role="img"
    aria-label="Volume by local thickness"
  >
    <rect v-for="bar in bars" :key="bar.x" v-bind="bar">
      <title>{{ bar.says }}</title>
    </rect>
    <line :x1="LEFT" :x2="WIDTH - LEFT" :y1="FLOOR" :y2="FLOOR" stroke="var(--line2)" />
    <g v-if="finestMm <= spanMm">
      <line :x1="lineX" :x2="lineX" y1="4" :y2="FLOOR + 4" stroke="var(--oxide)" stroke-width="2" />
      <text :x="lineX + 6" y="14" class="limit">{{ resin }} holds {{ mm(finestMm) }}</text>
    </g>
    <text :x="WIDTH - LEFT" y="14" text-anchor="end" class="title">
      volume by thickness, {{ shownUnit('mm', units.choice).suffix }}
    </text>
    <text
      v-for="tick in ticks"
      :key="tick"
      :x="xOf(tick)"
      y="126"
      :text-anchor="tick > 0.97 * spanMm ? 'end' : tick === 0 ? 'start' : 'middle'"
      class="tick"
    >
      {{ formatValue({ value: tick, unit: 'mm', digits: tick % 1 === 0 ? 0 : 1 }, units.choice) }}
    </text>
  </svg>
</template>

<style scoped>
.histogram {
  width: 100%;
  display: block;
}
text {
  font-size: 13px;
  fill: var(--mute);
}
.limit {
  fill: var(--oxide);
}
.tick {
  font: 12.5px var(--mono);
}
</style>
