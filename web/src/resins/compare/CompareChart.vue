<script setup lang="ts">
import type { PlateComparison, PlateCosts } from '@zero-pour/core';
import { computed, useTemplateRef } from 'vue';
import { BASE_LAYOUT, CHART_AXIS, usePlot, type Data, type Layout } from '../../chart';
import { COLOURS } from '../../theme/colours';

/** Cost of a good casting, by what it is made of. */
const props = defineProps<{ rows: readonly PlateComparison[]; currency: string }>();
const box = useTemplateRef<HTMLElement>('box');
const PARTS: readonly { key: keyof PlateCosts; name: string; color: string }[] = [
  { key: 'resin', name: 'resin', color: COLOURS.wax },
  { key: 'printer', name: 'printer', color: COLOURS.waxMid },
  { key: 'light', name: 'screen', color: COLOURS.tan },
  { key: 'kiln', name: 'kiln', color: COLOURS.meltText },
];
const names = computed(() =>
  props.rows.map((row) =>
    row.name.replaceAll(' · ', '<br>').replace(/<br>(\S+)<br>([\d.]+ mm)/, '<br>$1, $2'),
  ),
);
const data = computed<Data[]>(() =>
  PARTS.map(({ key, name, color }) => ({
    type: 'bar',
    orientation: 'h',
    name,
    y: names.value,
    x: props.rows.map((row) => row.costs[key] / row.goodCastings),
    text: props.rows.map((row) => (row.costs[key] / row.totalCost > 0.09 ? name : '')),
    textposition: 'inside',
    insidetextanchor: 'middle',
    hovertext: props.rows.map((row) => `${name} ${(row.costs[key] / row.goodCastings).toFixed(2)}`),
    hoverinfo: 'text',
    marker: { color },
  })),
);
const layout = computed<Partial<Layout>>(() => ({
  ...BASE_LAYOUT,
  barmode: 'stack',
  height: 90 + 62 * props.rows.length,
  margin: { l: 170, r: 70, t: 10, b: 44 },
  xaxis: {
    ...CHART_AXIS,
    rangemode: 'tozero',
    title: { text: `cost of one good casting${props.currency ? `, ${props.currency}` : ''}, metal apart` },
  },
  yaxis: { ...CHART_AXIS, autorange: 'reversed' },
  annotations: props.rows.map((row, i) => ({
    x: row.costPerGood,
    y: names.value[i]!,
    text: `<b>${row.costPerGood.toFixed(2)}</b>`,
    showarrow: false,
    xanchor: 'left',
    xshift: 6,
  })),
}));
const { ready } = usePlot(
  box,
  () => data.value,
  () => layout.value,
);
</script>

<template>
  <div class="sheet" :data-ready="ready">
    <div ref="box" role="img" aria-label="Cost of one good casting by choice; the numbers are in the table" />
  </div>
</template>
