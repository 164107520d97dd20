import { quantity, say } from '../../numeric';
import type { PatternAnalysis } from '../analysePattern';
import type { HotSpot } from '../readFeed';
import { counted, PLACES_MAX, type Finding } from '../../judge';
import type { PatternLimits } from './limits';

/**
 * Widths that stand for the limits of the modulus where a wire feeds a ball: (d/4) : (D/6) is 1.5 times d : D. A neck
 * shorter than the ball that its modulus is taken in reads too stout, and its width does not.
 */
const WIRE_TO_BALL = 1.5;

/** Width of the neck over that of the mass; 1 without a neck. */
export const widthRatio = ({ neck, widthMm }: HotSpot): number => (neck ? neck.widthMm / widthMm : 1);

/** Masses that freeze after the way that feeds them; the same way drains them in the burnout (handbook 05). */
export function findFeed({ hotSpots }: PatternAnalysis, limits: PatternLimits): Finding[] {
  /** Feed by modulus, or by width where that is worse. */
  const ratioOf = (spot: HotSpot): number => Math.min(spot.feedRatio, WIRE_TO_BALL * widthRatio(spot));
  const poor = hotSpots
    .filter((spot) => spot.neck && ratioOf(spot) < limits.feedWatch)
    .sort((a, b) => ratioOf(a) - ratioOf(b));
  const worst = poor[0];
  if (!worst?.neck) return [];
  const mm = (value: number) => quantity(value, 'mm', 1);
  return [
    {
      rule: 'fed through thin',
      weight: ratioOf(worst) < limits.feedFix ? 'fix' : 'watch',
      lead:
        poor.length === 1
          ? 'Heavy mass behind a thin way.'
          : `${counted(poor.length, 'mass', 'masses')} behind thin ways.`,
      why: say`${mm(worst.widthMm)} is fed with metal, and emptied of ash, through ${mm(worst.neck.widthMm)}: the way freezes at ${quantity(worst.feedRatio, 'ratio', 2)} of its modulus and has ${quantity(widthRatio(worst), 'ratio', 2)} of its width; ${quantity(limits.feedWatch, 'ratio', 2)} and ${quantity(limits.feedWatch / WIRE_TO_BALL, 'ratio', 2)} wanted. It shrinks porous.`,
      remedy: say`Give the mass its own gate, or thicken the way to it.`,
      places: poor.slice(0, PLACES_MAX).map(({ neck }) => ({ at: neck!.at, sizeMm: neck!.widthMm })),
    },
  ];
}
