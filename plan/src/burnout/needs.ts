import type { Resin } from '@zero-pour/contracts';
import {
  BOOK_PROGRAMMES,
  castsWax,
  CLEAN_OUT_H,
  judgeWaxDrain,
  quantity,
  say,
  SWELL_RAMP_MAX_C_PER_H,
  type BookProgramme,
  type Judgement,
  type Phrase,
  type Segment,
} from '@zero-pour/core';
import type { PourContext } from '../context';
import { burntResin } from '../givens';

/** The strictest that anything in the flask asks of its burnout, and whose need it is; undefined where no record says so. */
export interface BurnNeeds {
  rampMaxCPerH: number;
  rampBy: string | undefined;
  cleanOutH: number;
  cleanOutBy: string | undefined;
  fastAllowed: boolean;
}

/** Every resin that burns in the flask: the pour's own, and those of other prints that hang in it. */
export function burntResins(context: PourContext): Resin[] {
  const own = burntResin(context);
  return [...(own ? [own] : []), ...context.alongside.filter(({ id }) => id !== own?.id)];
}

/** Wax drains from it: it casts waxes, or somebody said that wax hangs beside the prints. */
const drainsWax = ({ doc }: PourContext): boolean =>
  castsWax(doc.brief.route) || (doc.burnout.alongside?.wax ?? false);

/** What burns in the flask, taken together: the slowest climb and the longest clean-out that any asks for. */
export function burnNeeds(context: PourContext): BurnNeeds {
  const resins = burntResins(context);
  const least = (of: (resin: Resin) => number): Resin | undefined =>
    resins.reduce<Resin | undefined>((a, b) => (a && of(a) <= of(b) ? a : b), undefined);
  const slowest = least(({ rampMaxCPerH }) => rampMaxCPerH);
  const longest = least(({ cleanOutH }) => -cleanOutH);
  return {
    rampMaxCPerH: slowest?.rampMaxCPerH ?? SWELL_RAMP_MAX_C_PER_H,
    rampBy: slowest?.name,
    cleanOutH: longest?.cleanOutH ?? CLEAN_OUT_H,
    cleanOutBy: longest?.name,
    fastAllowed: resins.length > 0 && resins.every(({ fastAllowed }) => fastAllowed),
  };
}

/** Whose need decides, where several things burn in one flask; nothing of one alone. */
export function decidingWords(context: PourContext): Phrase | undefined {
  if (burntResins(context).length < 2) return undefined;
  const { rampMaxCPerH, rampBy, cleanOutH, cleanOutBy } = burnNeeds(context);
  return say`${rampBy ?? ''} decides the climb (${quantity(rampMaxCPerH, 'degCPerH')} at most), ${cleanOutBy ?? ''} the clean-out (${quantity(cleanOutH, 'h', 1)}).`;
}

/** A programme of the book for wax in a flask of that size: what wax asks for where it hangs beside prints. */
export const waxProgramme = (diameterMm: number): BookProgramme | undefined =>
  BOOK_PROGRAMMES.filter(
    ({ name, flaskMaxMm }) => name.startsWith('Injected wax') && flaskMaxMm >= diameterMm,
  ).sort((a, b) => a.flaskMaxMm - b.flaskMaxMm)[0];

export const judgeWax = (context: PourContext, segments: readonly Segment[]): Judgement[] =>
  drainsWax(context) ? judgeWaxDrain(segments) : [];
