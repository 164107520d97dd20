import type { CastLessons, ToldCause } from '@zero-pour/contracts';
import { CAST_FAULTS } from '@zero-pour/core';
import { countsFrom, foundFrom } from '../why/explain';

/** What pours said of the causes of their castings' flaws, taken together: each pour counts once. */
export const learnCauses = (told: readonly ToldCause[]): CastLessons =>
  Object.fromEntries(
    CAST_FAULTS.flatMap((fault) => {
      const said = told
        .filter(({ flaw }) => flaw === fault.key)
        .flatMap((one) => Array.from({ length: one.times }, () => one.said));
      return said.length === 0
        ? []
        : [[fault.key, { counts: countsFrom(fault, said), found: foundFrom(said) }] as const];
    }),
  );
