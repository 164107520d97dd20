<script setup lang="ts">
import type { CureTest } from '@zero-pour/contracts';
import { cureDepthMm, formatQuantity, shownUnit, type WorkingCurve } from '@zero-pour/core';
import { computed, useTemplateRef } from 'vue';
import { axisTitle, BASE_LAYOUT, CHART_AXIS, usePlot, type Data, type Layout } from '../../chart';
import { useUnits } from '../../state/unitStore';
import { COLOURS } from '../../theme/colours';

/** Depth cured over energy, with the fitted line. */
const props = defineProps<{ discs: CureTest['discs']; curve: WorkingCurve | undefined }>();
const box = useTemplateRef<HTMLElement>('box');
const units = useUnits();
const perMm = computed(() => shownUnit('mm', units.choice));
const energies = computed(() => props.discs.map((d) => d.energyMjPerCm2));
const span = computed<[number, number]>(() => {
  const least = props.curve?.ecMjPerCm2 ?? Math.min(...energies.value);
  return [Math.min(least, ...energies.value) * 0.9, Math.max(...energies.value) * 1.3];
});

const data = computed<Data[]>(() => {
  const traces: Data[] = [
    {
      type: 'scatter',
      mode: 'markers',
      x: energies.value,
      y: props.discs.map((d) => d.depthMm * perMm.value.factor),
      text: props.discs.map(
        (d) =>
          `${d.energyMjPerCm2.toFixed(1)} mJ/cm²: ${formatQuantity({ value: d.depthMm, unit: 'mm', digits: 3 }, units.choice)}`,
      ),
      hoverinfo: 'text',
      marker: { size: 11, color: COLOURS.wax, line: { color: COLOURS.paper, width: 2 } },
    },
  ];
  const { curve } = props;
  if (curve) {
    const x = Array.from(
      { length: 40 },
      (_, i) => curve.ecMjPerCm2 * (span.value[1] / curve.ecMjPerCm2) ** (i / 39),
    );
    traces.unshift({
      type: 'scatter',
      mode: 'lines',
      x,
      y: x.map((e) => cureDepthMm(curve, e) * perMm.value.factor),
      line: { color: COLOURS.ink, width: 2 },
      hoverinfo: 'skip',
    });
  }
  return traces;
});
const layout = computed<Partial<Layout>>(() => ({
  ...BASE_LAYOUT,
  height: 330,
  xaxis: {
    ...CHART_AXIS,
    type: 'log',
    range: span.value.map(Math.log10) as [number, number],
    tickvals: [2, 5, 10, 20, 50, 100, 200, 500],
    title: axisTitle('energy, mJ/cm²'),
  },
  yaxis: { ...CHART_AXIS, rangemode: 'tozero', title: axisTitle(`cured depth, ${perMm.value.suffix}`) },
  annotations: props.curve
    ? [
        {
          x: Math.log10(props.curve.ecMjPerCm2),
          y: 0,
          text: `Ec ${props.curve.ecMjPerCm2.toFixed(1)}`,
          showarrow: false,
          xanchor: 'left',
          yanchor: 'bottom',
          font: { color: COLOURS.ink },
        },
      ]
    : [],
}));
const { ready } = usePlot(
  box,
  () => data.value,
  () => layout.value,
);
</script>

<template>
  <div class="sheet frame" :data-ready="ready">
    <div ref="box" role="img" aria-label="Cured depth over energy" />
  </div>
</template>

<style scoped>
.frame {
  min-height: 332px;
}
</style>
