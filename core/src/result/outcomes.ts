export const OUTCOMES = ['sellable', 'repairable', 'scrap'] as const;
export type Outcome = (typeof OUTCOMES)[number];

/** Counts that a bench gives without counting (00: "offer counts as all, most, few, none"). */
export const ROUGH_COUNTS = { all: 1, most: 0.85, half: 0.5, few: 0.15, none: 0 } as const;
export type RoughCount = keyof typeof ROUGH_COUNTS;

/** Pieces meant by a rough count of n: "most" leaves at least one out, "few" has at least one. */
export function piecesMeant(rough: RoughCount, n: number): number {
  const meant = Math.round(ROUGH_COUNTS[rough] * n);
  if (rough === 'most') return Math.max(0, Math.min(meant, n - 1));
  if (rough === 'few') return n === 0 ? 0 : Math.max(1, meant);
  return meant;
}

export interface OutcomeCount {
  total: number;
  judged: number;
  sellable: number;
  repairable: number;
  scrap: number;
}

/** Counts outcomes; undefined is "not looked at yet". */
export function countOutcomes(outcomes: readonly (Outcome | undefined)[]): OutcomeCount {
  const count = { total: outcomes.length, judged: 0, sellable: 0, repairable: 0, scrap: 0 };
  for (const outcome of outcomes) {
    if (outcome === undefined) continue;
    count.judged++;
    count[outcome]++;
  }
  return count;
}
