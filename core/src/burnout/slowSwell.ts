import { SWELL_RANGE_C } from './judgeProgramme';
import { ROOM_C } from './kilnLimits';
import type { Segment } from './programme';

/** Whether a climb from one temperature to another crosses where the resin swells. */
export const crossesSwell = (fromC: number, toC: number): boolean =>
  Math.min(toC, SWELL_RANGE_C[1]) > Math.max(fromC, SWELL_RANGE_C[0]);

/** Segments that climb where the resin swells, by their place. */
function climbsThere(segments: readonly Segment[]): boolean[] {
  let fromC = ROOM_C;
  return segments.map(({ targetC }) => {
    const crosses = targetC !== null && crossesSwell(fromC, targetC);
    fromC = targetC ?? fromC;
    return crosses;
  });
}

/** Whether no climb where the resin swells is asked to be steeper than this. °C/h */
export const swellsSlowly = (segments: readonly Segment[], mostCPerH: number): boolean =>
  climbsThere(segments).every((crosses, n) => !crosses || (segments[n]!.rampCPerH ?? Infinity) <= mostCPerH);

/** The same programme with no climb steeper than this where the resin swells. °C/h */
export const slowSwell = (segments: readonly Segment[], mostCPerH: number): Segment[] =>
  climbsThere(segments).map((crosses, n) => {
    const segment = segments[n]!;
    return crosses
      ? { ...segment, rampCPerH: Math.min(segment.rampCPerH ?? Infinity, mostCPerH) }
      : { ...segment };
  });
