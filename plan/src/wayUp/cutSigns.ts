import { quantity, say, type Sign } from '@zero-pour/core';
import type { PourContext } from '../context';
import { cutOfPlate } from '../print/plateLoad';
import { sign } from '../why/sign';

/** Overhang from this share of the surface on is much. */
const MUCH_OVERHANG = 0.12;

/** What the layers say that every part is cut in. */
export function cutSigns(context: PourContext): Record<string, Sign> {
  const cut = cutOfPlate(context);
  if (!cut) return {};
  const share = cut.areaMm2 > 0 ? cut.overhangMm2 / cut.areaMm2 : 0;
  return {
    islands: sign(cut.islands > 0, say`${cut.islands} ${cut.islands === 1 ? 'place begins' : 'places begin'} in mid-air.`),
    cups: sign(cut.cups > 0, say`${cut.cups} suction ${cut.cups === 1 ? 'cup' : 'cups'}.`),
    'overhang much': sign(
      share > MUCH_OVERHANG,
      say`Overhang is ${quantity(100 * share, 'percent', 0)} of the surface.`,
    ),
  }; // prettier-ignore
}
