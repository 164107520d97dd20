<script setup lang="ts">
import type { Resin } from '@zero-pour/contracts';
import { formatQuantity, type Unit } from '@zero-pour/core';
import { triedCost } from '@zero-pour/plan';
import { computed } from 'vue';
import { useRecords } from '../../state/recordStore';
import { useShop } from '../../state/shopStore';
import { useUnits } from '../../state/unitStore';

/** What finding out about a resin took: part of the verdict on it. */
const props = defineProps<{ resin: Resin }>();
const records = useRecords();
const shop = useShop();
const units = useUnits();
const cost = computed(() => triedCost(props.resin, records.lists, shop.lists));
const shown = (value: number, unit: Unit): string => formatQuantity({ value, unit, digits: 1 }, units.choice);
const count = (n: number, one: string): string => `${n} ${n === 1 ? one : `${one}s`}`;
const says = computed(() => {
  const c = cost.value;
  if (!c) return '';
  const tried = [...(c.coupons > 0 ? [count(c.coupons, 'coupon')] : []), ...(c.runs > 0 ? [count(c.runs, 'test plate')] : [])]; // prettier-ignore
  const took = [
    `${shown(c.ml, 'ml')} of resin`,
    ...(c.printerH > 0 ? [`${shown(c.printerH, 'h')} of printers for the coupons`] : []),
    ...(c.handsH === undefined ? [] : [`${shown(c.handsH, 'h')} of hands`]),
  ];
  const money = c.money > 0 ? ` About ${c.money.toFixed(2)}${shop.settings.currency ? ` ${shop.settings.currency}` : ''} in all.` : ''; // prettier-ignore
  return `${tried.join(' and ')}: ${took.join(', ')}.${money}`;
});
</script>

<template>
  <p v-if="says" class="mute mt-2 mb-3"><b>Finding out took</b> {{ says }}</p>
</template>
