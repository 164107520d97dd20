<script setup lang="ts">
import type { Powder } from '@zero-pour/contracts';
import { formatQuantity, METRIC } from '@zero-pour/core';
import { computed } from 'vue';
import PickRow from '../../components/PickRow.vue';
import { usePour } from '../../state/usePour';

/** How thick the mix is to be, by what it is for, as its powder's maker says. */
const props = defineProps<{ powder: Powder }>();
const { pour, set } = usePour();
const PURPOSES = [
  { key: 'ratioLeast', name: 'stiff, strong' },
  { key: 'ratioUsual', name: 'usual' },
  { key: 'ratioMost', name: 'thin, for filigree' },
] as const;
const things = computed(() =>
  PURPOSES.filter(({ key }) => key === 'ratioUsual' || props.powder[key] !== props.powder.ratioUsual).map(
    ({ key, name }) => ({
      key,
      name: `${name} ${formatQuantity({ value: props.powder[key], unit: 'ratio' }, METRIC)}`,
    }),
  ),
);
const picked = computed(() => {
  const ratio = pour.value.doc.invest.ratio ?? props.powder.ratioUsual;
  return things.value.find(({ key }) => props.powder[key] === ratio)?.key;
});
</script>

<template>
  <PickRow
    v-if="things.length > 1"
    label="What the mix is for"
    :things="things"
    :picked="picked"
    @pick="(key) => set(['invest', 'ratio'], key === 'ratioUsual' ? undefined : powder[key])"
  />
</template>
