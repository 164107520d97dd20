<script setup lang="ts">
import type { Kiln } from '@zero-pour/contracts';
import type { BoardRow, MoldRow } from '@zero-pour/plan';
import { computed } from 'vue';
import { PITCH, shownRows } from './busyStretches';
import type { TimeAxis } from './timeAxis';

const props = defineProps<{
  rows: readonly BoardRow[];
  molds: readonly MoldRow[];
  kilns: readonly Kiln[];
  axis: TimeAxis;
  top: number;
  width: number;
  stretch: { from: number; to: number };
}>();

const shown = computed(() => shownRows(props.rows, props.molds, props.kilns));
const COLOURS = { kiln: 'var(--clay)', printer: 'var(--wax)', hands: 'var(--ink)' };
const bars = (stretches: readonly { from: number; to: number; label: string }[]) =>
  stretches
    .filter((s) => s.to > props.stretch.from && s.from < props.stretch.to)
    .map((s) => {
      const x = props.axis.x(Math.max(s.from, props.stretch.from));
      return { ...s, x, w: Math.max(4, props.axis.x(Math.min(s.to, props.stretch.to)) - x) };
    });
</script>

<template>
  <g>
    <line x1="0" :x2="width" :y1="top" :y2="top" stroke="var(--line2)" stroke-width="2" />
    <text x="14" :y="top + 22" class="head">Benches</text>
    <g v-for="(row, i) in shown" :key="row.name">
      <text x="14" :y="top + 52 + i * PITCH" class="name">{{ row.name }}</text>
      <g v-for="bar in bars(row.stretches)" :key="bar.from + bar.label">
        <rect :x="bar.x" :y="top + 37 + i * PITCH" :width="bar.w" height="21" :fill="COLOURS[row.kind]" />
        <text v-if="bar.label && bar.w > 24" :x="bar.x + 6" :y="top + 52 + i * PITCH" class="label">{{
          bar.label
        }}</text>
      </g>
    </g>
  </g>
</template>

<style scoped>
.head {
  font: 700 13px var(--text);
  fill: var(--mute);
}
.name {
  font: 14px var(--text);
  fill: var(--ink);
}
.label {
  font: 12.5px var(--mono);
  fill: var(--paper);
}
</style>
