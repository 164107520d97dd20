import type { GroupedBy, RecordGroup } from '@zero-pour/contracts';
import { estimateShare, flawWords } from '@zero-pour/core';
import { useRecords } from '../state/recordStore';
import { useShop } from '../state/shopStore';
import { clockTime, dayStart } from '../time/shopClock';
import { isFlaw } from './recordWords';

/** A month as 2026-11 by its name; what is none stays as it is. */
export function monthName(key: string): string {
  const at = dayStart(key);
  return at === undefined ? key : clockTime(at, 'MMMM yyyy');
}

/** How a group of pours is called, and how many of its castings came out. */
export function useGroupNames() {
  const shop = useShop();
  const records = useRecords();
  function nameOf(by: GroupedBy, key: string | null): string {
    if (key === null) return by === 'recipe' ? 'by no recipe' : 'not told';
    if (by === 'month') return monthName(key);
    if (by === 'flaw') return isFlaw(key) ? flawWords(key) : key;
    if (by === 'recipe') {
      const recipe = records.lists.recipe.find(({ id }) => id === key);
      return recipe ? `${recipe.name}, version ${recipe.version}` : 'one that is gone';
    }
    return by === 'class' ? key : (shop.lists[by].find(({ id }) => id === key)?.name ?? 'one that is gone');
  }
  function cameOut({ sellable, looked }: RecordGroup): string {
    if (looked === 0) return 'nothing looked at';
    const { low, high } = estimateShare(sellable, looked);
    return `${sellable} of ${looked} (${Math.round(100 * low)} to ${Math.round(100 * high)} %)`;
  }
  return { nameOf, cameOut };
}
