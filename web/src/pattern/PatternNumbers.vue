<script setup lang="ts">
import type { Alloy, Pattern } from '@zero-pour/contracts';
import { formatQuantity, type Unit } from '@zero-pour/core';
import { computed } from 'vue';
import { useUnits } from '../state/unitStore';

const props = defineProps<{ pattern: Pattern; alloy?: Alloy | undefined }>();
const units = useUnits();
const show = (value: number, unit: Unit, digits?: number): string =>
  formatQuantity(digits === undefined ? { value, unit } : { value, unit, digits }, units.choice);

const rows = computed(() => {
  const m = props.pattern.measure;
  const cm3 = m.volumeMm3 / 1000;
  const size = m.sizeMm.map((side) => show(side, 'mm').replace(/ \D+$/, '')).join(' × ');
  return [
    ['Size', `${size} ${units.choice.length}`],
    ['Volume', `${show(cm3, 'cm3')}${m.closed ? '' : ', estimate'}`],
    ['Surface', show(m.areaMm2 / 100, 'cm2')],
    ['Volume ÷ surface', show(m.volumeMm3 / m.areaMm2, 'mm')],
    ['Triangles', m.triangles.toLocaleString('en-GB').replaceAll(',', ' ')],
    ['Surface is', m.closed ? 'closed' : `open, ${m.openEdges} open edges`],
    ['Bodies', String(m.shells)],
    ...(m.degenerate > 0 ? [['Empty triangles dropped', String(m.degenerate)]] : []),
    ...(props.alloy ? [[`In ${props.alloy.name}`, show(cm3 * props.alloy.densityGPerCm3, 'g', 2)]] : []),
  ] as const;
});
</script>

<template>
  <dl class="numbers">
    <div v-for="[name, value] in rows" :key="name">
      <dt>{{ name }}</dt>
      <dd class="num">{{ value }}</dd>
    </div>
  </dl>
</template>

<style scoped>
.numbers {
  margin: 0;
}
.numbers div {
  display: flex;
  justify-content: space-between;
  gap: 12px;
  padding: 5px 0;
  border-bottom: 1px solid var(--line);
}
dd {
  margin: 0;
  text-align: right;
}
</style>
