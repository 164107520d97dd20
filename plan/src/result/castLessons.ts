import type { CastLessons, PouredCast } from '@zero-pour/contracts';
import { CAST_FAULTS } from '@zero-pour/core';
import { countsFrom, foundFrom } from '../why/explain';

/** What pours said of the causes of their castings' flaws, taken together, but for one pour: once a pour. */
export function learnCauses(
  casts: readonly Pick<PouredCast, 'pourId' | 'why'>[],
  exceptPourId?: string,
): CastLessons {
  const others = casts.filter(({ pourId, why }) => why !== undefined && pourId !== exceptPourId);
  return Object.fromEntries(
    CAST_FAULTS.flatMap((fault) => {
      const said = others.flatMap(({ why }) => why![fault.key] ?? []);
      return said.length === 0
        ? []
        : [[fault.key, { counts: countsFrom(fault, said), found: foundFrom(said) }] as const];
    }),
  );
}
