import { quantity, say } from '../../numeric';
import type { PatternAnalysis } from '../analysePattern';
import type { HotSpot } from '../readFeed';
import { counted, PLACES_MAX, type Finding } from '../../judge';
import type { PatternLimits } from './limits';

/** A way this much narrower than its mass is watched even where its modulus is enough: short necks flatter it. */
const NARROW_SHARE = 0.6;

/** Width of the neck over that of the mass; 1 without a neck. */
export const widthRatio = ({ neck, widthMm }: HotSpot): number => (neck ? neck.widthMm / widthMm : 1);

/** Masses that freeze after the way that feeds them; the same way drains them in the burnout (handbook 05). */
export function findFeed({ hotSpots }: PatternAnalysis, limits: PatternLimits): Finding[] {
  const poor = hotSpots
    .filter((spot) => spot.neck && (spot.feedRatio < limits.feedWatch || widthRatio(spot) < NARROW_SHARE))
    .sort((a, b) => a.feedRatio - b.feedRatio);
  const worst = poor[0];
  if (!worst?.neck) return [];
  const mm = (value: number) => quantity(value, 'mm', 1);
  return [
    {
      rule: 'fed through thin',
      weight: worst.feedRatio < limits.feedFix ? 'fix' : 'watch',
      lead:
        poor.length === 1
          ? 'Heavy mass behind a thin way.'
          : `${counted(poor.length, 'mass', 'masses')} behind thin ways.`,
      why: say`${mm(worst.widthMm)} is fed with metal, and emptied of ash, through ${mm(worst.neck.widthMm)}: the way freezes at ${quantity(worst.feedRatio, 'ratio', 2)} of its modulus and has ${quantity(widthRatio(worst), 'ratio', 2)} of its width; ${quantity(limits.feedWatch, 'ratio', 1)} and ${quantity(NARROW_SHARE, 'ratio', 1)} wanted. It shrinks porous.`,
      remedy: say`Give the mass its own gate, or thicken the way to it.`,
      places: poor.slice(0, PLACES_MAX).map(({ neck }) => ({ at: neck!.at, sizeMm: neck!.widthMm })),
    },
  ];
}
