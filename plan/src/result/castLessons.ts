import type { CastLessons, CauseTable, ToldCause } from '@zero-pour/contracts';
import { CAST_FAULTS, startingCounts, type Fault } from '@zero-pour/core';
import { countsFrom, foundFrom } from '../why/explain';

const saidOf = (fault: Fault, told: readonly ToldCause[]) =>
  told
    .filter(({ flaw }) => flaw === fault.key)
    .flatMap((one) => Array.from({ length: one.times }, () => one.said));
const sumOf = (counts: Readonly<Record<string, number>>): number =>
  Object.values(counts).reduce((sum, one) => sum + one, 0);

/**
 * Counts that a flaw's causes begin with: the book's, or what other shops found in its place. All of them together weigh as much
 * as the book does alone, however many pours they had, so that a few findings of one's own soon say more.
 */
function beginWith(fault: Fault, others: readonly ToldCause[]): Record<string, number> {
  const book = startingCounts(fault);
  const counts = countsFrom(fault, saidOf(fault, others));
  const share = sumOf(book) / sumOf(counts);
  return Object.fromEntries(Object.entries(counts).map(([key, count]) => [key, count * share]));
}

/** What pours said of the causes of their castings' flaws, taken together: each pour counts once. Tables of other shops set where it begins. */
export function learnCauses(told: readonly ToldCause[], tables: readonly CauseTable[] = []): CastLessons {
  const others = tables.flatMap((table) => table.told);
  return Object.fromEntries(
    CAST_FAULTS.flatMap((fault) => {
      const said = saidOf(fault, told);
      const isToldOf = others.some(({ flaw }) => flaw === fault.key);
      if (said.length === 0 && !isToldOf) return [];
      const counts = countsFrom(fault, said, beginWith(fault, others));
      return [[fault.key, { counts, found: foundFrom(said) }] as const];
    }),
  );
}
