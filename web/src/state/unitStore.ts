import { METRIC, type UnitChoice } from '@zero-pour/core';
import { useLocalStorage } from '@vueuse/core';
import { defineStore } from 'pinia';

/** The reader's units, kept in this browser. */
export const useUnits = defineStore('units', () => {
  const choice = useLocalStorage<UnitChoice>('zero-pour.units', { ...METRIC }, { mergeDefaults: true });
  const set = (change: Partial<UnitChoice>): void => {
    choice.value = { ...choice.value, ...change };
  };
  return { choice, set };
});
