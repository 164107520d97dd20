<script setup lang="ts">
import type { Along, PointKind, RecordPoint } from '@zero-pour/contracts';
import { formatQuantity, shownUnit } from '@zero-pour/core';
import { computed, useTemplateRef } from 'vue';
import { axisTitle, BASE_LAYOUT, CHART_AXIS, usePlot, type Data, type Layout } from '../chart';
import { useUnits } from '../state/unitStore';
import { COLOURS } from '../theme/colours';
import { formatDay } from '../time/formatMoment';
import { called, unitOf } from './recordWords';

/** One point a pour, groups by colour and by shape. */
const props = defineProps<{
  groups: readonly { name: string; points: readonly RecordPoint[] }[];
  of: PointKind;
  along: Along;
}>();
const units = useUnits();
const box = useTemplateRef<HTMLElement>('box');
const INKS = [COLOURS.wax, COLOURS.meltText, COLOURS.verd, COLOURS.ink, COLOURS.mute];
const SHAPES = ['circle', 'square', 'triangle-up', 'diamond', 'cross'] as const;

const shown = (of: PointKind | Along, value: number): string =>
  of === 'day' ? formatDay(value) : formatQuantity({ value, unit: unitOf(of) }, units.choice);
/** A number as the axis counts it: in the units that are chosen. */
function placed(of: PointKind | Along, value: number): number {
  const { factor, offset } = shownUnit(unitOf(of), units.choice);
  return of === 'day' ? value : value * factor + offset;
}
const suffix = (of: PointKind | Along): string => {
  const text = of === 'day' ? '' : shownUnit(unitOf(of), units.choice).suffix;
  return text ? `${called(of)}, ${text}` : called(of);
};
const data = computed((): Data[] =>
  props.groups.map(({ name, points }, n) => ({
    type: 'scatter',
    mode: 'markers',
    cliponaxis: false,
    name,
    x: points.map(({ x }) => (props.along === 'day' ? new Date(x) : placed(props.along, x))) as number[],
    y: points.map(({ y }) => placed(props.of, y)),
    hovertext: points.map((p) => `Pour ${p.number} · ${shown(props.along, p.x)}: ${shown(props.of, p.y)}`),
    hoverinfo: 'text',
    marker: {
      size: 10,
      color: INKS[n % INKS.length]!,
      symbol: SHAPES[n % SHAPES.length]!,
      line: { width: 1, color: COLOURS.paper },
    },
  })),
);
const layout = computed(
  (): Partial<Layout> => ({
    ...BASE_LAYOUT,
    height: 380,
    showlegend: props.groups.length > 1,
    legend: { orientation: 'h', y: 1.14, x: 0 },
    margin: { ...BASE_LAYOUT.margin, t: 44, b: 52 },
    xaxis: { ...CHART_AXIS, title: axisTitle(suffix(props.along)), type: props.along === 'day' ? 'date' : 'linear' },
    yaxis: { ...CHART_AXIS, title: axisTitle(suffix(props.of)), rangemode: 'tozero' },
  }),
); // prettier-ignore
usePlot(
  box,
  () => data.value,
  () => layout.value,
);
const label = computed(() => `${called(props.of)} along ${called(props.along).toLowerCase()}`);
</script>

<template>
  <div ref="box" class="chart" role="img" :aria-label="label" />
</template>

<style scoped>
.chart {
  width: 100%;
  min-height: 380px;
}
</style>
