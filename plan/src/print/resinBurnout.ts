import type { Kiln, Programme, Resin } from '@zero-pour/contracts';
import { CARBON_C, GYPSUM_CEILING_C, hoursAbove, judgeProgramme, programmeCurve } from '@zero-pour/core';

/** A programme with a resin in it, for its hours. */
export interface ResinBurnout {
  programme: Programme;
  /** Of the kiln, with what is added. */
  hours: number;
  /** Hours above 650 °C that the programme lacks for this resin: it has to be held so much longer. */
  addedH: number;
  /** Nothing in it speaks against this resin. */
  suits: boolean;
}

/** A flask at a casting temperature that suits most metals, °C: only the hours of the programme are wanted. */
const FLASK_C = 520;

export function burnoutWith(resin: Resin, programme: Programme, kiln: Kiln): ResinBurnout {
  const curve = programmeCurve(programme.segments, FLASK_C, kiln);
  const { cleanOutH, rampMaxCPerH, fastAllowed } = resin;
  const addedH = Math.max(0, cleanOutH - hoursAbove(curve, CARBON_C));
  const against = judgeProgramme(curve, {
    ceilingC: GYPSUM_CEILING_C,
    rampMaxCPerH,
    cleanOutH,
    fastAllowed,
  }).filter(({ weight }) => weight === 'fix' || weight === 'stop');
  return { programme, hours: curve.totalH + addedH, addedH, suits: against.length === 0 };
}

/** The shop's shortest programme that suits a resin; where none does, the shortest once the missing hours are added. */
export function burnoutFor(
  resin: Resin,
  programmes: readonly Programme[],
  kiln: Kiln,
): ResinBurnout | undefined {
  const all = programmes.map((programme) => burnoutWith(resin, programme, kiln));
  return all.sort((a, b) => Number(b.suits) - Number(a.suits) || a.hours - b.hours)[0];
}
