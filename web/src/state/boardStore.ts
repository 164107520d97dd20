import { boardRows, moldRows, nextHandsOn } from '@zero-pour/plan';
import { defineStore } from 'pinia';
import { computed } from 'vue';
import { usePours } from './pourStore';
import { usePlanningShop } from './planningStore';

/** Pours in work with their plans, and molds with a zero of their own, worked out once for the board and the bar above every page. */
export const useBoard = defineStore('board', () => {
  const pours = usePours();
  const planning = usePlanningShop();
  const rows = computed(() => boardRows(pours.open, planning.known));
  const molds = computed(() => moldRows(planning.known));
  const next = computed(() => nextHandsOn(rows.value, molds.value));
  return { rows, molds, next };
});
