import { repeatPourDoc, type Pour } from '@zero-pour/contracts';
import type { Shop } from '../context';
import { planPour, type PourPlan } from '../planPour';
import { comparePours, type PourDifference } from './comparePours';

/** A pour as it is planned, without what happened to it, and with the shop's things as they are now. */
const asPlanned = ({ used: _used, ...pour }: Pour, shop: Shop): PourPlan =>
  planPour({ ...pour, doc: repeatPourDoc(pour.doc, pour.number, '') }, shop);

/** What is planned otherwise than in the pour that this one repeats: found by comparing, whatever was stated. */
export const changedSince = (former: Pour, pour: Pour, shop: Shop): PourDifference[] =>
  comparePours(asPlanned(former, shop), asPlanned(pour, shop));
