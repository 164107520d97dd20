import type { Phrase } from '../numeric';

/** How heavily a judgement weighs; never a colour alone, always its sentence. */
export type Weight = 'ok' | 'watch' | 'fix' | 'stop';

/** A sentence with the number and the limit: a short lead, why, and the way out. */
export interface Judgement {
  /** Stable name of the rule, for tests and for keeping lists in order. */
  rule: string;
  weight: Weight;
  /** Two to six words. */
  lead: string;
  /** Why, with the number and its limit, and what to do. */
  why: Phrase;
}

const ORDER: readonly Weight[] = ['stop', 'fix', 'watch', 'ok'];

/** Gravest first; the order within a weight is kept. */
export function sortJudgements(judgements: readonly Judgement[]): Judgement[] {
  return [...judgements].sort((a, b) => ORDER.indexOf(a.weight) - ORDER.indexOf(b.weight));
}
