import { becameOf, type PourDoc } from '@zero-pour/contracts';
import { betterChance, CAST_CHANGES, CAST_FAULTS, OTHER, type Counted } from '@zero-pour/core';

/** Whether the one change that a pour tried helped against the flaw that it was for. */
export interface ChangeJudged {
  flaw: string;
  change: string;
  /** Castings without the flaw, of those that were looked at: in the pour before, and in this. */
  before: Counted;
  after: Counted;
  /** P(it has the flaw less often now); undefined while no casting of this pour was looked at. */
  better: number | undefined;
  /** The two causes that it was to tell apart, with how often the flaw was to come again under each, and how likely each is now by how often it did. */
  between: { name: string; recurs: number; chance: number | undefined }[];
}

const nameOfCause = (flaw: string, key: string): string =>
  key === OTHER ? 'something else' : (CAST_FAULTS.find((fault) => fault.key === flaw)?.causes.find((cause) => cause.key === key)?.name ?? key); // prettier-ignore

/**
 * The stated change of a pour, judged by its castings: counts, both with every share equally likely beforehand. The two causes
 * are weighed by this pour alone, as one trial (a flaw that came again on any piece came again). Undefined where it tried nothing.
 */
export function judgeChange({ brief: { trying }, result }: PourDoc): ChangeJudged | undefined {
  if (!trying) return undefined;
  const looked = Object.values(result.castings).filter((casting) => becameOf(casting) !== undefined);
  const clear = looked.filter(({ flaws }) => !flaws.some(({ kind }) => kind === trying.flaw)).length;
  const before = { good: trying.of - trying.had, n: trying.of };
  const after = { good: clear, n: looked.length };
  const recurred = looked.length > clear;
  const weights = trying.recursIf.map((recurs) => (recurred ? recurs : 1 - recurs));
  const sum = weights.reduce((a, b) => a + b, 0);
  return {
    flaw: trying.flaw,
    change: CAST_CHANGES.find(({ key }) => key === trying.change)?.words ?? trying.change,
    before,
    after,
    better: looked.length > 0 ? betterChance(before, after) : undefined,
    between: trying.between.map((key, n) => ({
      name: nameOfCause(trying.flaw, key),
      recurs: trying.recursIf[n]!,
      chance: looked.length > 0 && sum > 0 ? weights[n]! / sum : undefined,
    })),
  };
}
