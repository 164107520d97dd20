<script setup lang="ts">
import { formatQuantity, shownUnit } from '@zero-pour/core';
import type { MeasuredSize } from '@zero-pour/plan';
import { computed, shallowRef, useTemplateRef } from 'vue';
import { axisTitle, BASE_LAYOUT, CHART_AXIS, usePlot, type Data, type Layout } from '../chart';
import { useUnits } from '../state/unitStore';
import { COLOURS } from '../theme/colours';

/** What is left when the fit is taken off: over the size, or over time with each bottle in its own mark. */
const props = defineProps<{
  sizes: readonly MeasuredSize[];
  residualsMm: readonly number[];
  outliers: readonly number[];
}>();
const units = useUnits();
const box = useTemplateRef<HTMLElement>('box');
const over = shallowRef<'size' | 'time'>('size');

const MARKS = ['circle', 'square', 'diamond', 'triangle-up', 'cross'] as const;
const lots = computed(() => [...new Set(props.sizes.map((s) => s.lot))]);
const factor = computed(() => shownUnit('mm', units.choice).factor);
const mm = (value: number): string => formatQuantity({ value, unit: 'mm', digits: 3 }, units.choice);

/** Sizes that fall on one place are one point with all their numbers. */
const points = computed(() => {
  const found = new Map<string, { i: number; numbers: number[] }>();
  props.sizes.forEach((size, i) => {
    const x = over.value === 'size' ? size.printMm : size.at.getTime();
    const key = `${x.toFixed(3)} ${props.residualsMm[i]!.toFixed(4)} ${size.lot}`;
    const known = found.get(key);
    if (known) known.numbers.push(i + 1);
    else found.set(key, { i, numbers: [i + 1] });
  });
  return [...found.values()];
});
const numbersOf = (numbers: readonly number[]): string =>
  numbers.length > 2 && numbers.at(-1)! - numbers[0]! === numbers.length - 1
    ? `${numbers[0]}–${numbers.at(-1)}`
    : numbers.join(', ');

const data = computed<Data[]>(() => {
  const shown = points.value.map(({ i }) => props.sizes[i]!);
  return [
    {
      type: 'scatter',
      mode: 'text+markers',
      x: shown.map((s) => (over.value === 'size' ? s.printMm * factor.value : s.at.toISOString())),
      y: points.value.map(({ i }) => props.residualsMm[i]! * factor.value),
      text: points.value.map(({ numbers }) => numbersOf(numbers)),
      textposition: over.value === 'size' ? 'top center' : 'middle right',
      textfont: { size: 12, color: COLOURS.ink },
      hovertext: points.value.map(
        ({ i }) =>
          `${mm(props.sizes[i]!.printMm)} printed, ${mm(props.residualsMm[i]!)} off${props.sizes[i]!.lot ? `, ${props.sizes[i]!.lot}` : ''}`,
      ),
      hoverinfo: 'text',
      marker: {
        size: 11,
        symbol: shown.map((s) => MARKS[lots.value.indexOf(s.lot) % MARKS.length]!),
        color: points.value.map(({ i }) => (props.outliers.includes(i) ? COLOURS.meltText : COLOURS.wax)),
        line: { color: COLOURS.paper, width: 1.5 },
      },
      cliponaxis: false,
    } as Data,
  ];
});
const layout = computed<Partial<Layout>>(() => {
  const reach = Math.max(0.02, ...props.residualsMm.map((r) => Math.abs(r))) * 1.35 * factor.value;
  return {
    ...BASE_LAYOUT,
    height: 250,
    margin: { l: 62, r: 30, t: 14, b: 44 },
    xaxis: {
      ...CHART_AXIS,
      showgrid: false,
      type: over.value === 'size' ? 'linear' : 'date',
      ...(over.value === 'size' ? { rangemode: 'tozero' as const } : {}),
      title: axisTitle(
        over.value === 'size' ? `printed, ${shownUnit('mm', units.choice).suffix}` : 'measured',
      ),
    },
    yaxis: {
      ...CHART_AXIS,
      range: [-reach, reach],
      nticks: 5,
      zeroline: true,
      zerolinecolor: COLOURS.ink,
      title: axisTitle(`off the fit, ${shownUnit('mm', units.choice).suffix}`),
    },
  };
});
const { ready } = usePlot(
  box,
  () => data.value,
  () => layout.value,
);
const lotKey = computed(() =>
  lots.value.length < 2
    ? ''
    : lots.value.map((lot, i) => `${'●■◆▲✚'[i % 5]} ${lot || 'no bottle told'}`).join('   '),
);
</script>

<template>
  <div>
    <div class="sheet frame" :data-ready="ready">
      <div ref="box" role="img" aria-label="What is left of each size; the numbers are in the table below" />
    </div>
    <div class="under">
      <button type="button" class="text-button" :aria-pressed="over === 'size'" @click="over = 'size'">
        over size
      </button>
      <button type="button" class="text-button" :aria-pressed="over === 'time'" @click="over = 'time'">
        over time
      </button>
      <span class="mute">{{ lotKey }}</span>
    </div>
  </div>
</template>

<style scoped>
.frame {
  min-height: 252px;
}
.under {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 16px;
  font-size: 14px;
  padding-top: 4px;
}
.under [aria-pressed='true'] {
  color: var(--ink);
  font-weight: 650;
  text-decoration: none;
}
</style>
