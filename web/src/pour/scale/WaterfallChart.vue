<script setup lang="ts">
import { useElementSize } from '@vueuse/core';
import { formatQuantity, formatValue, shownUnit } from '@zero-pour/core';
import { sharesOfSize, type PlannedSize, type ScaleChain } from '@zero-pour/plan';
import { computed, useTemplateRef } from 'vue';
import { axisTitle, BASE_LAYOUT, CHART_AXIS, usePlot, type Data, type Layout } from '../../chart';
import { usePour } from '../../state/usePour';
import { useUnits } from '../../state/unitStore';
import { COLOURS } from '../../theme/colours';

/** A size from the file to the finished piece: what each step adds and takes. */
const props = defineProps<{ size: PlannedSize; chain: ScaleChain }>();
const { plan } = usePour();
const units = useUnits();
const box = useTemplateRef<HTMLElement>('box');

const WAX = COLOURS.wax;
const MELT = COLOURS.meltText;
const METAL = COLOURS.metalText;
const mm = (value: number, digits = 3): string => formatQuantity({ value, unit: 'mm', digits }, units.choice);
const bare = (value: number): string => formatValue({ value, unit: 'mm', digits: 3 }, units.choice);
const signed = (value: number): string => `${value > 0 ? '+' : '−'}${bare(Math.abs(value))}`;

const shares = computed(() => sharesOfSize(props.size, props.chain, plan.value.context.sizes.learnt));
/** Bars in the reader's unit: the sizes at both ends stand on the ground, steps hang between. */
const bars = computed(() => {
  const { factor } = shownUnit('mm', units.choice);
  let at = props.size.drawnMm;
  const steps = shares.value.map(({ name, mm: change }) => {
    const bar = {
      name,
      from: at * factor,
      to: (at + change) * factor,
      text: signed(change),
      color: change > 0 ? WAX : MELT,
    };
    at += change;
    return bar;
  });
  const levels = [props.size.drawnMm * factor, ...steps.map((s) => s.to)];
  const reach = Math.max(...levels) - Math.min(...levels) || 0.01 * levels[0]!;
  const ground = Math.min(...levels) - 0.45 * reach;
  const end = (name: string, value: number) => ({
    name,
    from: ground,
    to: value * factor,
    text: bare(value),
    color: METAL,
  });
  return {
    ground,
    top: Math.max(...levels) + 0.3 * reach,
    list: [end('In the file', props.size.drawnMm), ...steps, end('Finished', at)],
  };
});

/** Too narrow for names side by side: the bars lie, the file's size on top. */
const NARROW_PX = 520;
const { width } = useElementSize(box);
const lying = computed(() => width.value > 0 && width.value < NARROW_PX);

const data = computed<Data[]>(() => {
  const names = bars.value.list.map((b) => b.name);
  const spans = bars.value.list.map((b) => b.to - b.from);
  return [
    {
      type: 'bar',
      ...(lying.value ? { x: spans, y: names, orientation: 'h' } : { x: names, y: spans }),
      base: bars.value.list.map((b) => b.from),
      marker: { color: bars.value.list.map((b) => b.color) },
      hoverinfo: 'skip',
      width: 0.62,
    } as Data,
  ];
});
const layout = computed<Partial<Layout>>(() => {
  const steps = {
    ...CHART_AXIS,
    tickfont: { ...CHART_AXIS.tickfont, color: COLOURS.ink, size: 13, family: BASE_LAYOUT.font!.family! },
    showgrid: false,
  };
  const sizes = {
    ...CHART_AXIS,
    range: [bars.value.ground, bars.value.top] as [number, number],
    title: axisTitle(shownUnit('mm', units.choice).suffix),
    nticks: lying.value ? 4 : 5,
  };
  return {
    ...BASE_LAYOUT,
    height: lying.value ? 300 : 270,
    margin: lying.value ? { l: 92, r: 12, t: 8, b: 44 } : { l: 64, r: 12, t: 12, b: 36 },
    xaxis: lying.value ? sizes : steps,
    yaxis: lying.value ? { ...steps, autorange: 'reversed' as const } : sizes,
    // Levels carry over from bar to bar; each step's number stands at its end.
    shapes: bars.value.list.slice(0, -1).map((bar, i) => {
      const [from, to] = [i + 0.31, i + 0.69];
      return {
        type: 'line' as const,
        ...(lying.value
          ? { x0: bar.to, x1: bar.to, y0: from, y1: to }
          : { x0: from, x1: to, y0: bar.to, y1: bar.to }),
        line: { color: COLOURS.line2, width: 1.5 },
      };
    }),
    annotations: bars.value.list.map((bar, i) => {
      const end = Math.max(bar.from, bar.to);
      return {
        ...(lying.value
          ? { x: end, y: i, xanchor: 'left' as const, xshift: 4 }
          : { x: i, y: end, yanchor: 'bottom' as const }),
        text: `<b>${bar.text}</b>`,
        showarrow: false,
        font: { size: 13, color: bar.color },
      };
    }),
  };
});
const { ready } = usePlot(
  box,
  () => data.value,
  () => layout.value,
);
const said = computed(() => shares.value.map((s) => `${s.name} ${signed(s.mm)}`).join(', '));
</script>

<template>
  <div class="sheet frame" :data-ready="ready">
    <div
      ref="box"
      role="img"
      :aria-label="`${size.target.name}, from ${mm(size.drawnMm)} in the file: ${said}`"
    />
  </div>
</template>

<style scoped>
.frame {
  min-height: 272px;
}
</style>
