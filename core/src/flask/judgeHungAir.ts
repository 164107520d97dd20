import type { Judgement } from '../judge';
import { quantity, say, type Phrase } from '../numeric';
import type { HungAir, Stand } from './hungAir';

const airOf = ({ pockets }: HungAir): number => pockets.reduce((sum, { volumeMm3 }) => sum + volumeMm3, 0);
const sameStand = (a: Stand, b: Stand): boolean => a.tiltDeg === b.tiltDeg && a.spinDeg === b.spinDeg;
/** A bubble is told in mm³ wherever the reader is. */
const mm3 = (value: number): string => `${value.toFixed(1)} mm³`;
const degrees = (value: number) => quantity(value, 'deg', 0);

/** What another stand would hold, where that is less. */
function otherwise(now: HungAir, best: HungAir): Phrase {
  if (sameStand(now, best))
    return say` No other of the stands that were tried holds less: fill it under vacuum, or draw a vent.`;
  const stand = say`Joined at ${degrees(best.tiltDeg)} and turned to ${degrees(best.spinDeg)} about its gate`;
  const air = airOf(best);
  return air > 0 ? [' ', ...stand, ...say` it holds ${mm3(air)}.`] : [' ', ...stand, ...say` none stays.`];
}

/** Whether air leaves a part as it hangs on its gate, and what else would stay in it. `name`: what it is called. */
export function judgeHungAir(name: string, now: HungAir, best: HungAir): Judgement[] {
  const air = airOf(now);
  const corners = now.spots.filter(({ kind }) => kind === 'corner');
  const tips = now.spots.filter(({ kind }) => kind === 'tip');
  const out: Judgement[] = [];
  if (air > 0)
    out.push({
      rule: `air ${name}`,
      weight: 'fix',
      lead: `Air stays under ${name}.`,
      why: [
        ...say`As it hangs, a bubble of ${mm3(air)} is caught in ${String(now.pockets.length)} ${now.pockets.length === 1 ? 'cup' : 'cups'}, ${quantity(Math.max(...now.pockets.map((p) => p.depthMm)), 'mm', 1)} deep: it is cast as a lump.`,
        ...otherwise(now, best),
      ],
    });
  if (corners.length > 0)
    out.push({
      rule: `corner ${name}`,
      weight: 'watch',
      lead: `Bubbles may rest in ${name}.`,
      why: [
        ...say`${String(corners.length)} inside ${corners.length === 1 ? 'corner runs' : 'corners run'} level and look down. Brush slurry into them, or fill under vacuum.`,
        ...(air === 0 && !sameStand(now, best) ? otherwise(now, best) : []),
      ],
    });
  if (tips.length > 0)
    out.push({
      rule: `crumb ${name}`,
      weight: 'watch',
      lead: `Tips of ${name} point where crumbs fall.`,
      why: say`Turned over to be poured, ${tips.length === 1 ? 'a thin tip lies' : `${tips.length} thin tips lie`} lowest: a loose crumb of investment comes to rest there. Blow the flask out, button down, before the pour.`,
    });
  if (out.length === 0)
    out.push({
      rule: `air ${name}`,
      weight: 'ok',
      lead: `Air leaves ${name}.`,
      why: say`No cup wider than ${quantity(2 * now.cellMm, 'mm', 1)}, level inside corner or thin tip holds anything as it hangs.`,
    });
  return out;
}
