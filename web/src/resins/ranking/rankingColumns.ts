import { byStanding, type FinestFeature, type Standing } from '@zero-pour/core';
import type { RankedResin } from '@zero-pour/plan';

/** A row of the ranking, with what the table needs to know it by. */
export interface RankRow extends RankedResin {
  id: string;
  name: string;
}

/** What is not known comes last, whichever way the rest is sorted by size. */
const unknownLast =
  <T>(compare: (a: T, b: T) => number) =>
  (a: T | undefined, b: T | undefined): number => {
    if (a === undefined || b === undefined) return Number(a === undefined) - Number(b === undefined);
    return compare(a, b);
  };

/** Columns of the ranking, best first on the first press. */
export const rankingColumns = [
  { title: 'Resin', key: 'name' },
  { title: 'Prints', key: 'prints', sort: (a: Standing, b: Standing) => byStanding(a, b), width: 170 },
  { title: 'Casts', key: 'casts', sort: (a: Standing, b: Standing) => byStanding(a, b), width: 170 },
  { title: 'Finest', key: 'finest', sort: unknownLast<FinestFeature>((a, b) => a.q50Mm - b.q50Mm) },
  {
    title: 'Exposure',
    key: 'exposure',
    value: (row: RankRow) => row.profile?.exposureS,
    sort: unknownLast<number>((a, b) => a - b),
  },
  { title: 'Hours', key: 'hours', align: 'end', sort: unknownLast<number>((a, b) => a - b) },
  { title: 'Price a ml', key: 'pricePerMl', align: 'end', nowrap: true },
  { title: 'Test set says', key: 'verdict', sortable: false },
] as const;
