import { formatHours, requirePositive } from '../numeric';
import {
  changesOf,
  curveOf,
  fitProgramme,
  LONGEST_HOLD_H,
  LONGEST_SOAK_H,
  STEP_H,
  type FitAsked,
  type ProgrammeFit,
} from './fitProgramme';
import { heatFlask } from './heatFlask';
import { withRoles } from './programmeRoles';
import type { Segment } from '../burnout';

/**
 * A programme that keeps every judgement of the flask's core and is over when it is to be poured, within so many hours from kiln in: what is asked, mended
 * where it fits, else the shortest; the time that is left over goes into the soak, then into the steam hold. What the model says of the stretched one is
 * run anew. About two dozen heat runs.
 */
export function fitWithin(
  asked: Omit<FitAsked, 'aim'>,
  withinH: number,
  report: (share: number) => void = () => {},
): ProgrammeFit {
  requirePositive('withinH', withinH);
  const mended = fitProgramme({ ...asked, aim: 'mend' }, (share) => report(0.45 * share));
  if (mended.status === 'found' && mended.totalH <= withinH) return stretched(asked, mended, withinH);
  const shortest = fitProgramme({ ...asked, aim: 'shortest' }, (share) => report(0.45 + 0.5 * share));
  if (shortest.status === 'none') return shortest;
  const over = shortest.totalH - withinH;
  if (over > 1e-9)
    return {
      status: 'none',
      why: `The shortest that keeps all takes ${formatHours(shortest.totalH)}: ${formatHours(Math.max(over, 1 / 60))} more than there is. Put it in sooner, or pour later.`,
    };
  return stretched(asked, shortest, withinH);
}

type Found = ProgrammeFit & { status: 'found' };
function stretched(asked: Omit<FitAsked, 'aim'>, found: Found, withinH: number): Found {
  const { roles } = withRoles(found.segments);
  let spare = Math.floor((withinH - found.totalH) / STEP_H + 1e-6) * STEP_H;
  const lengthen = (segments: Segment[], n: number, most: number): Segment[] => {
    const one = segments[n]!;
    if (n < (asked.ended ?? 0)) return segments;
    const more = Math.min(spare, Math.max(0, most - one.holdH));
    spare -= more;
    return more > 0 ? segments.with(n, { ...one, holdH: one.holdH + more }) : segments;
  };
  const soaked = lengthen(found.segments, roles.soak, LONGEST_SOAK_H);
  const segments = asked.fastPowder ? soaked : lengthen(soaked, roles.steam, LONGEST_HOLD_H);
  const before = segments.length > asked.segments.length ? [found.segments[0]!, ...asked.segments] : asked.segments; // prettier-ignore
  const curve = curveOf(asked, segments);
  return {
    ...found,
    segments,
    changes: changesOf(asked.segments, before, segments),
    totalH: curve.totalH,
    heat: heatFlask({ ...asked.flask, kiln: curve.points }),
  };
}
