import { coolingS, type PouredHeat } from '../fill';
import type { Judgement } from '../judge';
import { quantity, requirePositive, say } from '../numeric';

/** An observed freezing time so many times the computed one tells of a flask that was hotter than thought, or cooler. */
const FAR = 1.6;

/** Minutes until the button was solid, against what was reckoned for it (handbook 08); nothing while either is not known. */
export function judgeFreezing(seenMin: number | undefined, reckonedMin: number | undefined): Judgement[] {
  // In a flask as hot as the metal freezes it never does: there is nothing to hold it against.
  if (seenMin === undefined || reckonedMin === undefined || reckonedMin === Infinity) return [];
  requirePositive('reckonedMin', reckonedMin);
  const why = say`Solid after ${quantity(seenMin, 'min', 1)}; ${quantity(reckonedMin, 'min', 1)} is reckoned for this button and flask.`;
  if (seenMin > FAR * reckonedMin)
    return [
      { rule: 'froze', weight: 'watch', lead: 'It froze late.', why: [...why, ' Flask or metal was much hotter than was thought.'] }, // prettier-ignore
    ];
  if (seenMin < reckonedMin / FAR)
    return [
      { rule: 'froze', weight: 'watch', lead: 'It froze early.', why: [...why, ' Flask or metal was cooler than was thought.'] }, // prettier-ignore
    ];
  return [{ rule: 'froze', weight: 'ok', lead: 'It froze in its time.', why }];
}

/**
 * Minutes until a button is solid through, reckoned as a ball of its volume in the plaster: the free face, which glows, and the
 * sprue below it are left out. Infinity in a flask as hot as the metal freezes.
 */
export function freezingMin(buttonCm3: number, heat: PouredHeat): number {
  const widthMm = 10 * Math.cbrt((6 * requirePositive('buttonCm3', buttonCm3)) / Math.PI);
  return coolingS({ widthMm, modulusMm: widthMm / 6 }, heat, 1) / 60;
}
