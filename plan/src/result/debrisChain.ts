import { say, type Evidence, type Phrase } from '@zero-pour/core';
import { castEvidenceOf } from './explainCast';
import type { PourPlan } from '../planPour';

/** One link of the way from a print that stayed tacky to dust in the metal. */
export interface ChainLink {
  name: string;
  /** Nobody looked, or said: neither good nor bad. */
  state: 'bad' | 'good' | 'not known';
  says: Phrase;
}

/** The first bad sign of several, else a good one; none of them: not known. */
function link(name: string, found: Evidence, signs: readonly string[], unknown: string): ChainLink {
  const told = signs.flatMap((sign) => found[sign] ?? []);
  const worst = told.find(({ state }) => state === 'bad') ?? told[0];
  return worst ? { name, state: worst.state, says: worst.says } : { name, state: 'not known', says: say`${unknown}` }; // prettier-ignore
}

/**
 * Washed and cured → skin → dusted → metal: what stays tacky holds dust, and that is cast in (handbook 08). Each link by what was
 * looked at; the last by the castings. Undefined where neither the skin nor a casting gives a reason to show it.
 */
export function debrisChain(plan: PourPlan): ChainLink[] | undefined {
  const found = castEvidenceOf(plan);
  const { castings } = plan.context.doc.result;
  const looked = Object.values(castings).filter(({ outcome, flaws }) => outcome !== undefined || flaws.length > 0); // prettier-ignore
  const dirty = looked.filter(({ flaws }) => flaws.some(({ kind }) => kind === 'debris cast in')).length;
  const links = [
    link('Washed and cured', found, ['washed short', 'cured short'], 'Not timed.'),
    link('Skin', found, ['looked tacky or dark'], 'Nobody noted how it looked.'),
    link('Dusted off', found, ['dusting not noted'], 'Not told.'),
    {
      name: 'Metal',
      state: looked.length === 0 ? 'not known' : dirty > 0 ? 'bad' : 'good',
      says: looked.length === 0 ? say`No casting was looked at yet.` : say`${dirty} of ${looked.length} with debris cast in.`, // prettier-ignore
    } as ChainLink,
  ];
  return dirty > 0 || links[1]!.state === 'bad' ? links : undefined;
}
