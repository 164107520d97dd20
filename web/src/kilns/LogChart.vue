<script setup lang="ts">
import {
  CARBON_C,
  formatQuantity,
  HOUR_MS,
  shownUnit,
  type CurvePoint,
  type FlaskHeat,
  type KilnEvent,
  type KilnReadings,
} from '@zero-pour/core';
import { computed, useTemplateRef } from 'vue';
import { axisTitle, BASE_LAYOUT, CHART_AXIS, usePlot, type Data, type Layout } from '../chart';
import { useUnits } from '../state/unitStore';
import { COLOURS } from '../theme/colours';
import { clockTime } from '../time/shopClock';

/** What a kiln did over clock time (over hours, where nobody knows when), beside what was asked, with the flask's core under it. */
const props = defineProps<{
  readings: KilnReadings;
  /** When the first of them was, ms. */
  from: number | undefined;
  events: readonly KilnEvent[];
  /** What was planned, and when that began; the set points of the log stand for it where it is not known. */
  planned?: { points: readonly CurvePoint[]; from: number } | undefined;
  heat?: FlaskHeat | undefined;
}>();
const units = useUnits();
const box = useTemplateRef<HTMLElement>('box');
const degrees = computed(() => shownUnit('degC', units.choice));
const shown = (tempC: number): number => tempC * degrees.value.factor + degrees.value.offset;
const xOf = (h: number, from = props.from): string | number =>
  from === undefined ? h : clockTime(from + h * HOUR_MS, 'yyyy-MM-dd HH:mm:ss');
const said = (tempC: number): string => formatQuantity({ value: tempC, unit: 'degC' }, units.choice);

interface Line {
  name: string;
  points: { x: string | number; tempC: number }[];
  color: string;
  dash?: 'dot' | 'dash';
  width: number;
}
const asked = computed((): Line[] => {
  const { planned, readings } = props;
  const of = { color: COLOURS.mute, dash: 'dash' as const, width: 1.6 };
  if (planned)
    return [{ ...of, name: 'planned', points: planned.points.map(({ h, tempC }) => ({ x: xOf(h, planned.from), tempC })) }]; // prettier-ignore
  if (!readings.hasSet) return [];
  const points = Array.from(readings.setC, (tempC, n) => ({ x: xOf(readings.h[n]!), tempC }));
  return [{ ...of, name: 'set point', points }];
});
const lines = computed((): Line[] => {
  const { readings, heat } = props;
  const kiln = Array.from(readings.h, (h, n) => ({ x: xOf(h), tempC: readings.tempC[n]! }));
  const core = heat?.rows.map(({ h, coreC }) => ({ x: xOf(h), tempC: coreC }));
  return [
    ...asked.value,
    { name: 'kiln', points: kiln, color: COLOURS.ink, width: 2.4 },
    ...(core ? [{ name: 'core', points: core, color: COLOURS.meltText, width: 2.8 }] : []),
  ];
});
const data = computed<Data[]>(() =>
  lines.value.map(({ name, points, color, dash, width }) => ({
    type: 'scatter',
    mode: 'lines',
    name,
    x: points.map(({ x }) => x),
    y: points.map(({ tempC }) => (Number.isNaN(tempC) ? null : shown(tempC))),
    connectgaps: false,
    line: { color, dash: dash ?? 'solid', width },
    text: points.map(({ tempC }) => (Number.isNaN(tempC) ? '' : `${name} ${said(tempC)}`)),
    hoverinfo: 'text',
  })),
);
const layout = computed<Partial<Layout>>(() => ({
  ...BASE_LAYOUT,
  height: 320,
  showlegend: true,
  legend: { orientation: 'h', x: 0.01, y: 1.12, bgcolor: 'transparent' },
  xaxis: {
    ...CHART_AXIS,
    ...(props.from === undefined
      ? { title: axisTitle('hours from its first row') }
      : { type: 'date', tickformat: '%H:%M\n%a %-d %b' }),
  },
  yaxis: { ...CHART_AXIS, range: [shown(0), shown(820)], ticksuffix: ` ${degrees.value.suffix}` },
  shapes: [
    ...props.events.map(
      ({ fromH, toH }) =>
        ({
          type: 'rect',
          layer: 'below',
          xref: 'x',
          yref: 'paper',
          x0: xOf(fromH),
          x1: xOf(toH),
          y0: 0,
          y1: 1,
          line: { width: 0 },
          fillcolor: COLOURS.oxideTint,
        }) as const,
    ),
    {
      type: 'line',
      xref: 'paper',
      yref: 'y',
      x0: 0,
      x1: 1,
      y0: shown(CARBON_C),
      y1: shown(CARBON_C),
      line: { color: COLOURS.melt, width: 1.4, dash: 'dot' },
    },
  ],
  annotations: props.events.map(({ kind, fromH, toH }) => ({
    xref: 'x',
    yref: 'paper',
    x: xOf((fromH + toH) / 2),
    y: 0.02,
    yanchor: 'bottom',
    showarrow: false,
    textangle: -90,
    text: kind === 'power' ? 'power out' : 'heat lost',
    font: { color: COLOURS.oxide, size: 12.5 },
  })),
}));
const { ready } = usePlot(
  box,
  () => data.value,
  () => layout.value,
);
</script>

<template>
  <div class="sheet frame" :data-ready="ready">
    <div ref="box" role="img" aria-label="What the kiln did over time; what befell it is told below" />
  </div>
</template>

<style scoped>
.frame {
  min-height: 322px;
}
</style>
