<script setup lang="ts">
import {
  CARBON_C,
  closedSpans,
  formatQuantity,
  HOUR_MS,
  shownUnit,
  type BenchClock,
  type FlaskHeat,
  type ProgrammeCurve,
} from '@zero-pour/core';
import type { TimePlan } from '@zero-pour/plan';
import { clockTime } from '../time/shopClock';
import { computed, useTemplateRef } from 'vue';
import { useUnits } from '../state/unitStore';
import { axisTitle, BASE_LAYOUT, CHART_AXIS, usePlot, type Data, type Layout } from '../chart';
import { COLOURS } from '../theme/colours';

/** The kiln's temperature, and what the flask makes of it, over clock time (hours from kiln in when no pour time is set). */
const props = defineProps<{
  curve: ProgrammeCurve;
  times: TimePlan | undefined;
  bench: BenchClock;
  /** The flask under it, once it is reckoned. */
  heat?: FlaskHeat | undefined;
}>();
const units = useUnits();
const box = useTemplateRef<HTMLElement>('box');

const degrees = computed(() => shownUnit('degC', units.choice));
const shown = (tempC: number): number => tempC * degrees.value.factor + degrees.value.offset;
/** Local wall time without a zone: the chart draws what it is given. */
const wall = (at: number): string => clockTime(at, 'yyyy-MM-dd HH:mm:ss');
const xOf = (h: number): string | number => (props.times ? wall(props.times.kilnIn + h * HOUR_MS) : h);
const zeroH = computed(() =>
  props.times ? (props.times.zero - props.times.kilnIn) / HOUR_MS : props.curve.totalH,
);

const points = computed(() => {
  const own = props.curve.points.map((p) => ({ h: p.h, tempC: p.tempC }));
  const last = own.at(-1);
  // Ready before the wanted hour: the kiln holds until zero.
  return last && zeroH.value > last.h ? [...own, { h: zeroH.value, tempC: last.tempC }] : own;
});

const FLASK_LINES = [
  ['rimC', 'rim', COLOURS.metalText, 'dot', 1.6],
  ['patternsC', 'patterns', COLOURS.wax, 'dash', 2],
  ['coreC', 'core', COLOURS.meltText, 'solid', 2.8],
] as const;
const flaskLines = computed<Data[]>(() => {
  const rows = props.heat?.rows ?? [];
  if (rows.length === 0) return [];
  return FLASK_LINES.map(([key, name, color, dash, width]) => ({
    type: 'scatter',
    mode: 'lines',
    name,
    x: rows.map(({ h }) => xOf(h)),
    y: rows.map((row) => shown(row[key])),
    line: { color, dash, width },
    text: rows.map((row) => `${name} ${formatQuantity({ value: row[key], unit: 'degC' }, units.choice)}`),
    hoverinfo: 'text',
  }));
});
const data = computed<Data[]>(() => [
  ...flaskLines.value,
  {
    type: 'scatter',
    mode: 'lines',
    name: 'kiln',
    x: points.value.map((p) => xOf(p.h)),
    y: points.value.map((p) => shown(p.tempC)),
    line: { color: COLOURS.ink, width: 2.4 },
    text: points.value.map(
      (p) => `${formatQuantity({ value: p.tempC, unit: 'degC' }, units.choice)}, ${p.h.toFixed(1)} h`,
    ),
    hoverinfo: 'text',
  },
  {
    type: 'scatter',
    mode: 'markers',
    showlegend: false,
    x: hands.value.map((hand) => xOf(hand.atH)),
    y: hands.value.map(() => shown(0)),
    marker: { symbol: 'triangle-up', size: 12, color: COLOURS.wax },
    text: hands.value.map((hand) => hand.what),
    hoverinfo: 'text',
    cliponaxis: false,
  },
]);
const hands = computed(() => [{ atH: 0, what: 'Kiln in' }, ...props.curve.segments.flatMap((s) => s.hands)]);

function closedShapes(): Partial<Layout>['shapes'] {
  const { times } = props;
  if (!times) return [];
  return closedSpans(props.bench, times.kilnIn, Math.max(times.zero, times.kilnEnds) + HOUR_MS).map(
    (span) => ({
      type: 'rect',
      layer: 'below',
      xref: 'x',
      yref: 'paper',
      x0: wall(span.from),
      x1: wall(span.to),
      y0: 0,
      y1: 1,
      line: { width: 0 },
      fillcolor: COLOURS.sand,
    }),
  );
}

const layout = computed<Partial<Layout>>(() => {
  const zero = xOf(zeroH.value);
  return {
    ...BASE_LAYOUT,
    height: 320,
    showlegend: props.heat !== undefined,
    legend: { orientation: 'h', x: 0.01, y: 1.14, bgcolor: 'transparent' },
    xaxis: {
      ...CHART_AXIS,
      ...(props.times
        ? { type: 'date', tickformat: '%H:%M\n%a %-d %b' }
        : { title: axisTitle('hours from kiln in') }),
    },
    yaxis: { ...CHART_AXIS, range: [shown(0), shown(820)], ticksuffix: ` ${degrees.value.suffix}` },
    shapes: [
      ...(closedShapes() ?? []),
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
      {
        type: 'line',
        xref: 'x',
        yref: 'paper',
        x0: zero,
        x1: zero,
        y0: 0,
        y1: 1.02,
        line: { color: COLOURS.melt, width: 3 },
      },
    ],
    annotations: [
      {
        xref: 'paper',
        yref: 'y',
        x: 0.01,
        y: shown(CARBON_C),
        yshift: 10,
        xanchor: 'left',
        showarrow: false,
        text: `carbon burns above ${formatQuantity({ value: CARBON_C, unit: 'degC' }, units.choice)}`,
        font: { color: COLOURS.meltText, size: 12.5 },
      },
      {
        xref: 'x',
        yref: 'paper',
        x: zero,
        y: 1.02,
        yanchor: 'bottom',
        xanchor: 'right',
        showarrow: false,
        text: props.times ? `<b>zero ${clockTime(props.times.zero, 'EEE HH:mm')}</b>` : '<b>zero</b>',
        font: { color: COLOURS.meltText, size: 14 },
      },
      ...props.curve.segments.map((s) => ({
        x: xOf((s.holdFromH + s.endH) / 2),
        y: shown(s.targetC),
        yshift: 11,
        showarrow: false,
        text: formatQuantity({ value: s.targetC, unit: 'degC' }, units.choice),
        font: { size: 12.5 },
      })),
    ],
  };
});

const { ready } = usePlot(
  box,
  () => data.value,
  () => layout.value,
);
</script>

<template>
  <div class="sheet frame" :data-ready="ready">
    <div ref="box" role="img" aria-label="Kiln temperature over time; the segments are in the table below" />
  </div>
</template>

<style scoped>
.frame {
  min-height: 322px;
}
</style>
