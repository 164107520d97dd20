import { boardRows, nextHandsOn } from '@zero-pour/plan';
import { defineStore } from 'pinia';
import { computed } from 'vue';
import { usePours } from './pourStore';
import { useShop } from './shopStore';

/** Pours in work with their plans, worked out once for the board and the bar above every page. */
export const useBoard = defineStore('board', () => {
  const pours = usePours();
  const shop = useShop();
  const rows = computed(() => boardRows(pours.open, shop.shop));
  const next = computed(() => nextHandsOn(rows.value));
  return { rows, next };
});
