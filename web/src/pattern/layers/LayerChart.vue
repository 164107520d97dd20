<script setup lang="ts">
import { formatQuantity, shownUnit, type PrintDirection } from '@zero-pour/core';
import { computed, useTemplateRef } from 'vue';
import { axisTitle, BASE_LAYOUT, CHART_AXIS, usePlot, type Data, type Layout } from '../../chart';
import { useUnits } from '../../state/unitStore';
import { COLOURS } from '../../theme/colours';

/** Area, outline and overhang of each layer over the height, with islands and cups marked; a click goes to a layer. */
const props = defineProps<{ direction: PrintDirection; layerMm: number; layer: number }>();
const emit = defineEmits<{ layer: [layer: number] }>();
const units = useUnits();
const box = useTemplateRef<HTMLElement>('box');

/** The area's name stands this far along; the overhang's beyond the first layers. */
const LABEL_SHARE = 0.6;
const FIRST_LAYERS = 3;
/** Beyond this share a label stands to the left of its place. */
const NEAR_THE_END = 0.8;

const perMm = computed(() => shownUnit('mm', units.choice).factor);
const heights = computed(() => props.direction.areaMm2.map((_, n) => (n + 1) * props.layerMm * perMm.value));
const says = (n: number): string => {
  const { areaMm2, perimeterMm, overhangByLayerMm2 } = props.direction;
  const q = (value: number, unit: 'mm' | 'mm2', digits: number) =>
    formatQuantity({ value, unit, digits }, units.choice);
  return `layer ${n + 1}, ${q((n + 1) * props.layerMm, 'mm', 2)}<br>${q(areaMm2[n]!, 'mm2', 1)}, outline ${q(perimeterMm[n]!, 'mm', 1)}<br>overhang ${q(overhangByLayerMm2[n]!, 'mm2', 2)}`;
};

const data = computed<Data[]>(() => {
  const { areaMm2, overhangByLayerMm2, islands, cups } = props.direction;
  const x = heights.value;
  return [
    {
      type: 'scatter',
      mode: 'lines',
      x,
      y: areaMm2,
      line: { color: COLOURS.wax, width: 2, shape: 'hv' },
      fill: 'tozeroy',
      fillcolor: COLOURS.wax2,
      text: areaMm2.map((_, n) => says(n)),
      hoverinfo: 'text',
    },
    {
      type: 'scatter',
      mode: 'lines',
      x,
      y: overhangByLayerMm2,
      line: { color: COLOURS.oxide, width: 1.6, dash: 'dot' },
      hoverinfo: 'skip',
    },
    {
      type: 'scatter',
      mode: 'markers',
      x: islands.map(({ layer }) => x[layer]!),
      y: islands.map(({ layer }) => areaMm2[layer]!),
      marker: { symbol: 'triangle-down', size: 12, color: COLOURS.meltText },
      text: islands.map(({ layer, areaMm2: area }) => `island, layer ${layer + 1}, ${area.toFixed(3)} mm²`),
      hoverinfo: 'text',
    },
    {
      type: 'scatter',
      mode: 'lines',
      x: cups.flatMap(({ firstLayer, lastLayer }) => [x[firstLayer]!, x[lastLayer]!, null]),
      y: cups.flatMap(() => [0, 0, null]),
      line: { color: COLOURS.amber, width: 7 },
      text: cups.flatMap((cup) => {
        const text = `suction cup, ${cup.areaMm2.toFixed(1)} mm² of mouth`;
        return [text, text, ''];
      }),
      hoverinfo: 'text',
    },
  ];
});

const layout = computed<Partial<Layout>>(() => {
  const { areaMm2, overhangByLayerMm2, cups, islands } = props.direction;
  const x = heights.value;
  const label = (at: number, y: number, text: string, color: string) => ({
    x: x[at] ?? 0,
    y,
    text,
    showarrow: false,
    xanchor: at > NEAR_THE_END * areaMm2.length ? ('right' as const) : ('left' as const),
    yshift: 12,
    font: { color, size: 13 },
  });
  const labelled = Math.floor(LABEL_SHARE * areaMm2.length);
  // The first layer is always the largest overhang, and has no room for words.
  const above = overhangByLayerMm2.slice(FIRST_LAYERS);
  const overhangPeak = above.indexOf(Math.max(...above)) + FIRST_LAYERS;
  const here = x[props.layer] ?? 0;
  return {
    ...BASE_LAYOUT,
    height: 230,
    margin: { l: 52, r: 14, t: 20, b: 40 },
    xaxis: {
      ...CHART_AXIS,
      title: axisTitle(`height above the plate, ${shownUnit('mm', units.choice).suffix}`),
      range: [0, x.at(-1)!],
    },
    yaxis: { ...CHART_AXIS, title: axisTitle('mm²'), rangemode: 'tozero' },
    annotations: [
      label(labelled, areaMm2[labelled]!, 'area', COLOURS.wax),
      ...((overhangByLayerMm2[overhangPeak] ?? 0) > 0
        ? [label(overhangPeak, overhangByLayerMm2[overhangPeak]!, 'overhang', COLOURS.oxide)]
        : []),
      ...(islands[0]
        ? [label(islands[0].layer, areaMm2[islands[0].layer]!, 'island', COLOURS.meltText)]
        : []),
      ...(cups[0] ? [label(cups[0].firstLayer + FIRST_LAYERS, 0, 'suction cup', COLOURS.amberText)] : []),
    ],
    shapes: [
      {
        type: 'line',
        x0: here,
        x1: here,
        yref: 'paper',
        y0: 0,
        y1: 1,
        line: { color: COLOURS.ink, width: 1.4 },
      },
    ],
  };
});

const { ready } = usePlot(
  box,
  () => data.value,
  () => layout.value,
  (x) => emit('layer', Math.round(x / perMm.value / props.layerMm) - 1),
);
</script>

<template>
  <div
    ref="box"
    class="chart"
    role="img"
    aria-label="Area and overhang of each layer over the height"
    :data-ready="ready"
  />
</template>

<style scoped>
.chart {
  min-height: 230px;
}
</style>
