import type { Shop } from '@zero-pour/plan';
import { defineStore } from 'pinia';
import { computed } from 'vue';
import { useReadings } from '../jobs';
import { useKilnRuns } from './kilnRunStore';
import { usePrints } from './printStore';
import { useRecords } from './recordStore';
import { useShop } from './shopStore';
import { useSizes } from './sizeStore';

/** The shop as plans see it: what it owns, and what its sizes and prints taught, and what long computations said. */
export const usePlanningShop = defineStore('planningShop', () => {
  const shop = useShop();
  const sizes = useSizes();
  const prints = usePrints();
  const readings = useReadings();
  const records = useRecords();
  const kilnRuns = useKilnRuns();
  const known = computed<Shop>(() => ({
    settings: shop.settings,
    lists: shop.lists,
    patterns: shop.wholePatterns,
    sizes: sizes.read,
    prints: prints.read,
    readings: readings.known,
    lots: records.lists.metalLot,
    kilnRuns: kilnRuns.curves,
    molds: records.ready ? records.lists.mold : undefined,
  }));
  return { known };
});
