<script setup lang="ts">
import { formatQuantity } from '@zero-pour/core';
import { layOutPlate, valueOf, nameOfPart } from '@zero-pour/plan';
import { computed } from 'vue';
import { useUnits } from '../../state/unitStore';
import { usePour } from '../../state/usePour';

/** The plate from above with every copy where it has room, and how many more would fit. */
const { plan } = usePour();
const units = useUnits();
const factor = computed(() => (valueOf(plan.value.scale)?.percent.value ?? 100) / 100);
const layout = computed(() => layOutPlate(plan.value.context, factor.value));
const parts = computed(() => plan.value.context.parts);
/** Each copy by its own number; where there are several lines, with its line's letter (told below). */
const letterOf = (key: string): string =>
  parts.value.length > 1 ? String.fromCharCode(65 + parts.value.findIndex((part) => part.key === key)) : '';
const labels = computed(() => {
  const counts = new Map<string, number>();
  return (layout.value?.placed ?? []).map(({ key }) => {
    const n = (counts.get(key) ?? 0) + 1;
    counts.set(key, n);
    return `${letterOf(key)}${n}`;
  });
});
const legend = computed(() =>
  parts.value.map((part) => `${letterOf(part.key)} ${nameOfPart(part, parts.value)}`).join(', '),
);
const leftOver = computed(() => Object.values(layout.value?.left ?? {}).reduce((a, b) => a + b, 0));
const mm = (value: number): string => formatQuantity({ value, unit: 'mm', digits: 0 }, units.choice);
/** SVG's y grows downwards: the plate's front is at the bottom. */
const path = (outline: readonly (readonly [number, number])[], x: number, y: number, depth: number): string =>
  outline.map(([px, py]) => `${(x + px).toFixed(2)},${(depth - y - py).toFixed(2)}`).join(' ');
function middle(outline: readonly (readonly [number, number])[]): [number, number] {
  const xs = outline.map((p) => p[0]);
  const ys = outline.map((p) => p[1]);
  return [(Math.min(...xs) + Math.max(...xs)) / 2, (Math.min(...ys) + Math.max(...ys)) / 2];
}
const said = computed(() => {
  const { placed = [], moreOfFirst = 0 } = layout.value ?? {};
  const [one] = parts.value;
  const first = one ? nameOfPart(one, parts.value) : '';
  const stand = `${placed.length} ${placed.length === 1 ? 'part stands' : 'parts stand'} on it`;
  const rest =
    leftOver.value > 0 ? `, ${leftOver.value} ${leftOver.value === 1 ? 'has' : 'have'} no room` : '';
  const more = leftOver.value > 0 ? '' : moreOfFirst > 0 ? `; ${moreOfFirst} more of ${first} would fit at no extra time` : '; it is full'; // prettier-ignore
  return `${stand}${rest}${more}.`;
});
</script>

<template>
  <div v-if="layout" class="plate">
    <svg
      :viewBox="`-1 -1 ${layout.plateMm[0] + 2} ${layout.plateMm[1] + 2}`"
      role="img"
      :aria-label="`Plate of ${plan.context.printer?.name} from above: ${said}`"
    >
      <rect x="0" y="0" :width="layout.plateMm[0]" :height="layout.plateMm[1]" class="bed" />
      <g v-for="(part, i) in layout.placed" :key="i">
        <polygon :points="path(part.outline, part.xMm, part.yMm, layout.plateMm[1])" class="part" />
        <text
          :x="part.xMm + middle(part.outline)[0]"
          :y="layout.plateMm[1] - part.yMm - middle(part.outline)[1]"
          class="number"
        >
          {{ labels[i] }}
        </text>
      </g>
    </svg>
    <p>
      {{ plan.context.printer?.name }}, {{ mm(layout.plateMm[0]) }} × {{ mm(layout.plateMm[1]) }}: {{ said }}
    </p>
    <p v-if="parts.length > 1">{{ legend }}</p>
    <p class="mute">
      Outlines of the parts themselves, {{ mm(3) }} apart and from the edge; supports and rafts that spread
      wider want more.
    </p>
  </div>
  <p v-else class="mute">A pattern and a printer first.</p>
</template>

<style scoped>
svg {
  width: 100%;
  max-height: 340px;
  background: var(--plaster);
}
.bed {
  fill: var(--sheet);
  stroke: var(--line2);
  stroke-width: 0.4;
}
.part {
  fill: var(--wax2);
  stroke: var(--wax);
  stroke-width: 0.4;
}
.number {
  font: 700 5px var(--mono);
  fill: var(--wax);
  text-anchor: middle;
  dominant-baseline: central;
}
</style>
