<script setup lang="ts">
import type { TuningAnswer } from '@zero-pour/jobs';
import type { TuningOf, UsedTrial } from '@zero-pour/plan';
import { computed, useTemplateRef } from 'vue';
import { axisTitle, BASE_LAYOUT, CHART_AXIS, usePlot, type Data, type Layout } from '../../chart';
import { seconds } from './words';
import { shownSpan } from './shownSpan';
import { COLOURS } from '../../theme/colours';

/** Both edges over exposure: expected share, 90 % band, the counts as points with their trial's number. */
const props = defineProps<{ answer: TuningAnswer; trials: readonly UsedTrial[]; of: TuningOf }>();
const box = useTemplateRef<HTMLElement>('box');

const STRUT = COLOURS.wax;
const SLOT = COLOURS.meltText;
const names = computed(() =>
  props.of === 'base'
    ? (['● base holds', '■ comes free, flat'] as const)
    : (['● struts that stand', '■ slots still open'] as const),
);

function edgeTraces(curve: TuningAnswer['struts'], color: string, fill: string): Data[] {
  const x = curve.exposuresS;
  const line = { type: 'scatter', mode: 'lines', x, hoverinfo: 'skip' } as const;
  return [
    { ...line, y: curve.low.map((v) => 100 * v), line: { width: 0 } },
    { ...line, y: curve.high.map((v) => 100 * v), line: { width: 0 }, fill: 'tonexty', fillcolor: fill },
    { ...line, y: curve.expected.map((v) => 100 * v), line: { color, width: 2.6 } },
  ];
}

/** A coupon by its number, parts by their name, what was carried over by its sign. */
const nameOf = ({ number, trial }: UsedTrial): string =>
  trial.part?.name ?? (number > 0 ? String(number) : '≈');

/** Coupons that came out alike at one exposure are one point with all their numbers. */
function pointsOf(of: 'struts' | 'slots') {
  const points = new Map<
    string,
    { x: number; y: number; carried: boolean; numbers: string[]; says: string }
  >();
  for (const trial of props.trials.filter((t) => t[of].of > 0)) {
    const y = (100 * trial[of].good) / trial[of].of;
    const key = `${trial.exposureS} ${y} ${trial.laws.length}`;
    const says = `${seconds(trial.exposureS)} s: ${Math.round(trial[of].good * 10) / 10} of ${trial[of].of}`;
    const point = points.get(key) ?? {
      x: trial.exposureS,
      y,
      carried: trial.laws.length > 0,
      numbers: [],
      says,
    };
    point.numbers.push(nameOf(trial));
    points.set(key, point);
  }
  return [...points.values()];
}

/** Struts and slots that came out alike at one exposure stand side by side: one would hide the other. */
const BESIDE = 0.008;
const besideX = (of: 'struts' | 'slots'): number[] => {
  const others = pointsOf(of === 'struts' ? 'slots' : 'struts');
  return pointsOf(of).map(({ x, y }) => {
    const meets = others.some((other) => other.x === x && Math.abs(other.y - y) < 2);
    return meets ? x * (1 + (of === 'struts' ? -BESIDE : BESIDE)) : x;
  });
};

function points(of: 'struts' | 'slots', color: string, symbol: 'circle' | 'square'): Data {
  const shown = pointsOf(of);
  return {
    type: 'scatter',
    mode: 'text+markers',
    x: besideX(of),
    y: shown.map((p) => p.y),
    text: shown.map((p) => p.numbers.join(', ')),
    textposition: of === 'struts' ? 'bottom right' : 'top right',
    textfont: { size: 12, color: COLOURS.ink },
    hovertext: shown.map((p) => p.says),
    hoverinfo: 'text',
    marker: {
      symbol: shown.map((p) => (p.carried ? (`${symbol}-open` as const) : symbol)),
      size: 12,
      color,
      line: { color: shown.map((p) => (p.carried ? color : COLOURS.paper)), width: 2 },
    },
    cliponaxis: false,
  };
}

const data = computed<Data[]>(() => [
  ...edgeTraces(props.answer.struts, STRUT, 'rgba(18,85,90,0.15)'),
  ...edgeTraces(props.answer.slots, SLOT, 'rgba(217,84,30,0.15)'),
  points('struts', STRUT, 'circle'),
  points('slots', SLOT, 'square'),
]);

const settled = computed(() => props.answer.verdict.kind !== 'next coupon');
/** The exposure that is to be taken. */
const takenS = computed(() => (settled.value ? props.answer.recommended : props.answer.next).exposureS);

const spanS = computed(() => shownSpan(props.answer.struts.exposuresS, takenS.value));

/** Ticks at round seconds over the span. */
const ticks = computed(() => {
  const [from, to] = spanS.value;
  const steps = [0.1, 0.2, 0.5, 1, 2, 5, 10, 20];
  const step = steps.find((s) => (to - from) / s <= 14) ?? 50;
  const out: number[] = [];
  for (let s = Math.ceil(from / step) * step; s <= to; s += step) out.push(Math.round(s * 1000) / 1000);
  return out;
});

/** The band in which nearly as many come out, and the exposure that is to be taken. */
const shapes = (at: number, [low, high]: readonly [number, number]): Layout['shapes'] => {
  const span = { xref: 'x', yref: 'paper', y0: 0, y1: 1 } as const;
  return [
    {
      ...span,
      type: 'rect',
      layer: 'below',
      x0: low,
      x1: high,
      line: { width: 0 },
      fillcolor: COLOURS.verdTint,
    },
    { ...span, type: 'line', x0: at, x1: at, line: { color: COLOURS.ink, width: 2, dash: 'dash' } },
  ];
};

const layout = computed<Partial<Layout>>(() => {
  const { recommended, struts, slots } = props.answer;
  const at = takenS.value;
  const [low, high] = recommended.bandS;
  /** Each edge is named at the end where it is clear of the other, below its curve. */
  const label = (text: string, curve: TuningAnswer['struts'], end: 0 | -1, color: string) => ({
    x: Math.log10(curve.exposuresS.at(end)!),
    y: 100 * curve.expected.at(end)! - 9,
    text: `<b>${text}</b>`,
    showarrow: false,
    xanchor: end === 0 ? ('left' as const) : ('right' as const),
    xshift: end === 0 ? 8 : -8,
    font: { color, size: 14 },
  });
  return {
    ...BASE_LAYOUT,
    height: 380,
    margin: { l: 58, r: 18, t: 26, b: 44 },
    xaxis: {
      ...CHART_AXIS,
      type: 'log',
      range: [Math.log10(spanS.value[0]), Math.log10(spanS.value[1])],
      tickvals: ticks.value,
      ticktext: ticks.value.map(seconds),
      showgrid: false,
      title: axisTitle(props.of === 'base' ? 'base exposure, seconds a layer' : 'exposure, seconds a layer'),
    },
    yaxis: {
      ...CHART_AXIS,
      range: [-4, 106],
      tickvals: [0, 25, 50, 75, 100],
      ticktext: ['0', '25', '50', '75', '100 %'],
    },
    shapes: shapes(at, recommended.bandS),
    annotations: [
      label(names.value[0], struts, -1, STRUT),
      label(names.value[1], slots, 0, SLOT),
      {
        x: Math.log10(at),
        y: 1,
        yref: 'paper',
        yanchor: 'bottom',
        text: `<b>${settled.value ? 'best' : 'print'} ${seconds(at)} s${settled.value ? '' : ' next'}</b>`,
        showarrow: false,
        font: { size: 13 },
      },
      {
        x: Math.log10(Math.sqrt(low * high)),
        y: 3,
        text: low === high ? '' : `best band ${seconds(low)} – ${seconds(high)} s`,
        showarrow: false,
        yanchor: 'bottom',
        bgcolor: COLOURS.verdTint,
        font: { color: COLOURS.verdText, size: 12.5 },
      },
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
    <div
      ref="box"
      role="img"
      aria-label="Share of struts standing and slots open over exposure; the counts are in the table below"
    />
  </div>
</template>

<style scoped>
.frame {
  min-height: 382px;
}
</style>
