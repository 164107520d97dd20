<script setup lang="ts">
import { formatQuantity, type Unit } from '@zero-pour/core';
import { computed } from 'vue';
import { useUnits } from '../state/unitStore';

/** What the shop's own prints say of a figure of the record; plans use it. */
const props = defineProps<{
  what: string;
  unit: Unit;
  digits: number;
  learnt: { value: number; plusMinus: number; prints: number } | undefined;
  recorded: number;
}>();
const units = useUnits();
const show = (value: number): string =>
  formatQuantity({ value, unit: props.unit, digits: props.digits }, units.choice);
const said = computed(() => {
  const { learnt } = props;
  if (!learnt) return '';
  const prints = `${learnt.prints} ${learnt.prints === 1 ? 'print' : 'prints'}`;
  return `${show(learnt.value)} ± ${show(learnt.plusMinus)} by ${prints} here; the record says ${show(props.recorded)}. Plans go by the prints.`;
});
</script>

<template>
  <p v-if="said" class="learnt">
    <b>{{ what }}:</b> {{ said }}
  </p>
</template>

<style scoped>
.learnt {
  margin: 12px 0;
  padding: 7px 12px;
  border-left: 4px solid var(--wax);
  background: var(--sheet);
}
</style>
