import { STAGES, type StageKey } from '@zero-pour/core';
import type { PourPlan } from '../planPour';
import { pourFacts, type PourFact } from './pourFacts';

/** Something that is not the same of two pours; undefined: nothing is known of it there. */
export interface PourDifference {
  key: string;
  stage: StageKey;
  label: string;
  a: PourFact | undefined;
  b: PourFact | undefined;
}

/** Numbers that differ by less than this share are the same. */
const SAME = 1e-9;

function isSame(a: PourFact | undefined, b: PourFact | undefined): boolean {
  if (!a || !b) return a === b;
  if (a.kind === 'number' && b.kind === 'number')
    return Math.abs(a.value - b.value) <= SAME * Math.max(1, Math.abs(a.value), Math.abs(b.value));
  return a.kind === 'words' && b.kind === 'words' && a.words === b.words;
}

/** Everything that differs between two pours, in the order of the work (handbook 08, "Compare two pours"). */
export function comparePours(a: PourPlan, b: PourPlan): PourDifference[] {
  const [of, and] = [pourFacts(a), pourFacts(b)];
  const keys = [...new Set([...of.keys(), ...and.keys()])];
  const differing = keys.flatMap((key): PourDifference[] => {
    const [one, other] = [of.get(key), and.get(key)];
    const fact = one ?? other!;
    return isSame(one, other) ? [] : [{ key, stage: fact.stage, label: fact.label, a: one, b: other }];
  });
  const order = STAGES.map(({ key }) => key);
  return differing.sort((x, y) => order.indexOf(x.stage) - order.indexOf(y.stage));
}
