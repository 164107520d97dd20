import type { ScrapPour } from '@zero-pour/core';
import { findLike, isLikeAny } from '@zero-pour/core';
import { nameKey } from '@zero-pour/plan';

export const NAME_ROLES = ['metal', 'resin', 'what'] as const;
export type NameRole = (typeof NAME_ROLES)[number];

/** What a name on scraps is taken for: a thing of the shop by its id, one that is made anew, or nothing that is known. */
export type Meant = { is: 'thing'; id: string } | { is: 'new'; name: string } | { is: 'unknown' };
export interface SaidName {
  role: NameRole;
  said: string;
  rows: number;
  meant: Meant;
  /** As the shop guessed it, nobody having said. */
  guessed: boolean;
}

type Named = readonly { id: string; name: string }[];
interface Known {
  things: Record<NameRole, Named>;
  /** Metals of the book that the shop does not have. */
  book: readonly { name: string }[];
}

function guess(role: NameRole, said: string, { things, book }: Known): Meant {
  const found = findLike(said, things[role]);
  if (found) return { is: 'thing', id: found.thing.id };
  const inBook = role === 'metal' ? findLike(said, book) : undefined;
  if (inBook) return { is: 'new', name: inBook.thing.name };
  // One that could be two of the shop's is asked, not made a third.
  const isNew = role === 'resin' && !isLikeAny(said, things.resin);
  return isNew ? { is: 'new', name: said.trim() } : { is: 'unknown' };
}

/** Every name that stands on the scraps, the commonest first, with what it is taken for: as somebody said, else by guess. */
export function saidNames(
  rows: readonly ScrapPour[],
  known: Known,
  chosen: ReadonlyMap<string, Meant>,
): SaidName[] {
  return NAME_ROLES.flatMap((role) => {
    const counts = new Map<string, { said: string; rows: number }>();
    for (const row of rows) {
      const said = row[role];
      if (said === undefined) continue;
      const key = nameKey(said);
      const entry = counts.get(key) ?? { said, rows: 0 };
      entry.rows++;
      counts.set(key, entry);
    }
    return [...counts]
      .sort(([, a], [, b]) => b.rows - a.rows)
      .map(([key, { said, rows: n }]): SaidName => {
        const own = chosen.get(`${role} ${key}`);
        return { role, said, rows: n, meant: own ?? guess(role, said, known), guessed: own === undefined };
      });
  });
}
export const chosenKey = ({ role, said }: Pick<SaidName, 'role' | 'said'>): string =>
  `${role} ${nameKey(said)}`;
