<script setup lang="ts">
import type { SizeSeries } from '@zero-pour/contracts';
import { said } from '../components/said';
import { computed, nextTick, reactive, useTemplateRef } from 'vue';
import QuantityField from '../components/QuantityField.vue';
import { useUnits } from '../state/unitStore';
import { readReadings } from './newSeries';

/** Sizes as printed and as measured; Enter in the last field goes on with the next. Readings are typed in mm. */
type Pair = SizeSeries['pairs'][number];
const props = defineProps<{ pairs: readonly Pair[]; axes: readonly Pair['axis'][] }>();
const emit = defineEmits<{ change: [pairs: Pair[]] }>();
const units = useUnits();
const rows = useTemplateRef<HTMLElement>('rows');

/** What stands in a readings field while it is no list of sizes yet. */
const typing = reactive(new Map<string, string>());
const TITLES: Record<Pair['axis'], string> = { XY: 'across the plate', Z: 'upwards (Z)', bore: 'a bore' };
const axisItems = computed(() => props.axes.map((value) => ({ title: TITLES[value], value })));

const set = (key: string, fields: Partial<Pair>): void =>
  emit(
    'change',
    props.pairs.map((pair) => (pair.key === key ? { ...pair, ...fields } : pair)),
  );
const shown = (pair: Pair): string => typing.get(pair.key) ?? pair.readingsMm.join(' ');
function type(pair: Pair, text: string): void {
  typing.set(pair.key, text);
  const readingsMm = readReadings(text);
  if (readingsMm) set(pair.key, { readingsMm });
}
const problem = (pair: Pair): string[] => {
  const text = typing.get(pair.key);
  return text !== undefined && readReadings(text) === undefined
    ? ['Sizes in mm, with spaces between: 9.97 9.98']
    : [];
};

async function add(): Promise<void> {
  const last = props.pairs.at(-1);
  const pair: Pair = {
    key: crypto.randomUUID(),
    axis: last?.axis ?? 'XY',
    printMm: last?.printMm ?? 10,
    readingsMm: [],
    leftOut: false,
  };
  emit('change', [...props.pairs, pair]);
  await nextTick();
  [...(rows.value?.querySelectorAll<HTMLInputElement>('.print input') ?? [])].at(-1)?.select();
}
const remove = (key: string): void =>
  emit(
    'change',
    props.pairs.filter((pair) => pair.key !== key),
  );
</script>

<template>
  <div ref="rows">
    <div v-for="(pair, i) in pairs" :key="pair.key" :class="['pair', { out: pair.leftOut }]">
      <span class="num">{{ i + 1 }}</span>
      <QuantityField
        v-bind="said('sizeSeries', 'pairs', '0', 'printMm')"
        class="print"
        required
        :model-value="pair.printMm"
        @update:model-value="(mm) => mm !== undefined && set(pair.key, { printMm: mm })"
      />
      <v-text-field
        label="Measured, mm, one or several readings"
        autocomplete="off"
        inputmode="decimal"
        :model-value="shown(pair)"
        :error-messages="problem(pair)"
        @update:model-value="(text) => type(pair, text)"
        @blur="problem(pair).length === 0 && typing.delete(pair.key)"
        @keydown.enter="add"
      />
      <v-select
        label="It lies"
        :items="axisItems"
        :model-value="pair.axis"
        @update:model-value="(axis) => set(pair.key, { axis })"
      />
      <button
        type="button"
        class="text-button"
        :aria-pressed="pair.leftOut"
        @click="set(pair.key, { leftOut: !pair.leftOut })"
      >
        {{ pair.leftOut ? 'count' : 'leave out' }}
      </button>
      <button
        type="button"
        class="text-button"
        :aria-label="`Take size ${i + 1} away`"
        @click="remove(pair.key)"
      >
        away
      </button>
    </div>
    <v-btn class="mt-2" @click="add">Add a size</v-btn>
    <span v-if="units.choice.length === 'in'" class="mute ml-2"
      >Readings are in mm here, whatever the switch says.</span
    >
  </div>
</template>

<style scoped>
.pair {
  display: grid;
  grid-template-columns: 24px 150px minmax(160px, 1fr) 170px auto auto;
  gap: 8px 12px;
  align-items: start;
  padding: 6px 0;
}
.pair > .num,
.pair > .text-button {
  padding-top: 13px;
}
.out {
  opacity: 0.7;
}
@media (max-width: 900px) {
  .pair {
    grid-template-columns: minmax(0, 1fr);
    border-bottom: 1px solid var(--line);
  }
}
</style>
