import { boardRows, nextHandsOn } from '@zero-pour/plan';
import { defineStore } from 'pinia';
import { computed } from 'vue';
import { usePours } from './pourStore';
import { usePlanningShop } from './planningStore';

/** Pours in work with their plans, worked out once for the board and the bar above every page. */
export const useBoard = defineStore('board', () => {
  const pours = usePours();
  const planning = usePlanningShop();
  const rows = computed(() => boardRows(pours.open, planning.known));
  const next = computed(() => nextHandsOn(rows.value));
  return { rows, next };
});
