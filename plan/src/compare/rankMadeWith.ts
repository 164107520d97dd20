import type { MadeWith } from '@zero-pour/contracts';
import { betterChance, estimateShare, type ShareEstimate } from '@zero-pour/core';

/** One way that castings were made, with how many came out. */
export interface RankedMaking {
  made: MadeWith;
  share: ShareEstimate;
}
/** Ways of one metal and class, the best first. */
export interface RankedGroup {
  alloyId: string;
  castClass: string;
  rows: RankedMaking[];
  /** Why the first is the best, or that it cannot be told. */
  says: string;
}

/** From here on the first is told to be better than the second. */
const SURE = 0.9;

/** Why the best of them stands first; few counts tell nothing, and that is said. */
function whyBest([first, second]: readonly RankedMaking[]): string {
  if (!first) return '';
  const { sellable, looked } = first.made;
  if (!second) return `The only way on record: ${sellable} of ${looked} sellable.`;
  const chance = Math.round(100 * betterChance({ good: second.made.sellable, n: second.made.looked }, { good: sellable, n: looked })); // prettier-ignore
  if (chance < 100 * SURE)
    return `First by its share, but these counts do not tell the first two apart: ${chance} in 100 that the first is better.`;
  return `${chance} in 100 that the first is better than the second, if nothing else is behind it.`;
}

/**
 * Ways that castings were made by metal and class, best expected share first (every share equally likely beforehand, so that
 * one of one does not beat nineteen of twenty).
 */
export function rankMadeWith(list: readonly MadeWith[]): RankedGroup[] {
  const groups = new Map<string, RankedMaking[]>();
  for (const made of list) {
    if (made.looked === 0) continue;
    const key = `${made.alloyId} ${made.castClass}`;
    groups.set(key, [...(groups.get(key) ?? []), { made, share: estimateShare(made.sellable, made.looked) }]);
  }
  return [...groups.values()].map((rows) => {
    const ranked = rows.sort((a, b) => b.share.mean - a.share.mean || b.made.looked - a.made.looked);
    const { alloyId, castClass } = ranked[0]!.made;
    return { alloyId, castClass, rows: ranked, says: whyBest(ranked) };
  });
}
