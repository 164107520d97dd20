import { repeatPourDoc, type Pour } from '@zero-pour/contracts';
import type { Shop } from '../context';
import { planPour, type PourPlan } from '../planPour';
import { WORKED_OUT } from './pourFacts';
import { comparePours, type PourDifference } from './comparePours';

/** A pour as it is planned, without what happened to it, and with the shop's things as they are now. */
const asPlanned = ({ used: _used, ...pour }: Pour, shop: Shop): PourPlan =>
  planPour({ ...pour, doc: repeatPourDoc(pour.doc, pour.number, '') }, shop);

/** What is otherwise: what somebody decided, each thing once, and what is worked out otherwise for it, or since more was learnt. */
export interface ChangedSince {
  decided: PourDifference[];
  followed: PourDifference[];
}

/** What is planned otherwise than in the pour that this one repeats: found by comparing, whatever was stated. */
export function changedSince(former: Pour, pour: Pour, shop: Shop): ChangedSince {
  const all = comparePours(asPlanned(former, shop), asPlanned(pour, shop));
  const keys = new Set(all.map(({ key }) => key));
  // Another powder is one change, however many of its numbers are others.
  const isOfOther = ({ key }: PourDifference): boolean => key.includes('/') && keys.has(key.split('/')[0]!);
  const isFollowed = ({ key }: PourDifference): boolean => key.startsWith(WORKED_OUT);
  return {
    decided: all.filter((one) => !isFollowed(one) && !isOfOther(one)),
    followed: all.filter(isFollowed),
  };
}
