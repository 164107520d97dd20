import type { House } from '@zero-pour/contracts';
import { castsWax, formatPhrase, METRIC, quantity, say, type Phrase } from '@zero-pour/core';
import type { PourContext } from '../context';

/** What is in the way of a casting house taking this pour; by what the house is said to take. */
export function handOverRefusals({ doc, resin }: Pick<PourContext, 'doc' | 'resin'>, house: House): Phrase[] {
  const wax = castsWax(doc.brief.route);
  const refusals: Phrase[] = [];
  if (house.waxOnly && !wax) refusals.push(say`${house.name} takes wax only, and these are prints.`);
  if (house.resinIds && !wax && resin && !house.resinIds.includes(resin.id))
    refusals.push(say`${resin.name} is none of the resins that ${house.name} takes.`);
  if (house.resinIds && !wax && !resin)
    refusals.push(say`Which resin these are printed in is not chosen; ${house.name} takes some only.`);
  return refusals;
}

/** What of a resin whoever burns it out has to know, from the shop's own record of it. */
export function resinCautions({ resin }: Pick<PourContext, 'resin'>): string[] {
  if (!resin) return [];
  const { forBurnout, cleanOutH, rampMaxCPerH, fastAllowed, family } = resin;
  const cautions = [
    say`${family} resin; it wants ${quantity(cleanOutH, 'h')} in clean heat, and no more than ${quantity(rampMaxCPerH, 'degCPerH')} on the way up.`,
    fastAllowed ? say`A fast burnout is allowed.` : say`No fast burnout: it swells and cracks the mold.`,
  ];
  if (!forBurnout) cautions.unshift(say`This resin is not made to be burnt out.`);
  return cautions.map((phrase) => formatPhrase(phrase, METRIC));
}
