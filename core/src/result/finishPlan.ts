import { quantity, requireNumber, say } from '../numeric';
import type { Judgement } from '../judge';
import { formula } from '../working';

/** How several castings are made one piece. */
export const JOINED_BY = ['soldered', 'welded', 'riveted', 'screwed', 'linked', 'glued'] as const;
export type JoinedBy = (typeof JOINED_BY)[number];

/** How two parts go together before they are joined. */
export const FITS = ['fits', 'tight', 'loose', 'does not fit'] as const;
export type Fit = (typeof FITS)[number];

/** A recess loses at its rim what is taken off the face round it: so deep it is to be as cast. mm */
export const RECESS_AS_CAST = formula`${'d'} + ${'a'}`;

/** A face, and what finishing takes off it. Absent: nobody has said. */
export interface PlannedSide {
  finish: string;
  allowanceMm?: number | undefined;
  /** A recess in it, after polishing. */
  recessMm?: number | undefined;
}

/** What a planned side asks of the casting; a side that is worked without an allowance ends thinner than drawn. */
export function judgeSide({ finish, allowanceMm, recessMm }: PlannedSide): Judgement[] {
  const worked = finish !== 'as cast';
  if (allowanceMm !== undefined) requireNumber('allowanceMm', allowanceMm, 0, 10);
  const rule = 'side allowance';
  if (worked && allowanceMm === undefined)
    return [{ rule, weight: 'watch', lead: 'No allowance.', why: say`What finishing takes off this side is not allowed for: it ends thinner than drawn.` }]; // prettier-ignore
  if (recessMm === undefined) return [];
  requireNumber('recessMm', recessMm, 0, 50);
  const deep = RECESS_AS_CAST.of({ d: recessMm, a: worked ? allowanceMm! : 0 });
  return [{ rule: 'recess', weight: 'ok', lead: 'Recess.', why: say`${quantity(deep, 'mm', 2)} deep as cast leaves ${quantity(recessMm, 'mm', 2)} after polishing.` }]; // prettier-ignore
}

/** What a fit means before it is joined; nothing where nobody tried it. */
export function judgeFit(fit: Fit | undefined, by: JoinedBy): Judgement[] {
  const rule = 'fit';
  if (fit === undefined) return [{ rule, weight: 'watch', lead: 'Not tried.', why: say`Try the fit dry before it is ${by}.` }]; // prettier-ignore
  if (fit === 'does not fit') return [{ rule, weight: 'stop', lead: 'It does not fit.', why: say`Measure both sides, and hold that size at Scale for the next ones.` }]; // prettier-ignore
  if (fit === 'loose' && (by === 'soldered' || by === 'glued'))
    return [{ rule, weight: 'watch', lead: 'Loose.', why: say`A gap that is wider than a sheet of paper is filled, not joined: it shows, and it is weak.` }]; // prettier-ignore
  return [];
}
