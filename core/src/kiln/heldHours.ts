import type { PlacedSegment } from '../burnout';
import type { Judgement } from '../judge';
import { quantity, say } from '../numeric';
import type { KilnReadings } from './readKilnLog';

/** As near as this to its target a kiln holds. */
const HOLDS_C = 12;
/** Two readings further apart say nothing of what was between them. h */
const APART_H = 0.25;
/** A hold shorter than asked by more than this was missed. h */
const MISSED_H = 0.25;

/** Hours that a kiln stood at a temperature, by its readings. O(readings). */
export function heldHours({ h, tempC }: KilnReadings, targetC: number): number {
  let hours = 0;
  for (let n = 1; n < h.length; n++) {
    const step = h[n]! - h[n - 1]!;
    const both = Math.max(Math.abs(tempC[n]! - targetC), Math.abs(tempC[n - 1]! - targetC)) <= HOLDS_C;
    if (both && step <= APART_H) hours += step;
  }
  return hours;
}

/** The holds of a programme that a kiln did not keep, each with what it held. */
export function judgeHolds(readings: KilnReadings, segments: readonly PlacedSegment[]): Judgement[] {
  return segments.flatMap(({ segment, targetC }) => {
    // Two segments at one temperature are held as one.
    const asked = segments.reduce(
      (sum, other) => sum + (Math.abs(other.targetC - targetC) <= HOLDS_C ? other.segment.holdH : 0),
      0,
    );
    const had = heldHours(readings, targetC);
    if (segment.holdH === 0 || asked - had <= MISSED_H) return [];
    return [
      {
        rule: 'missed hold',
        weight: 'watch' as const,
        lead: 'A hold was missed.',
        why: say`${segment.name}: ${quantity(had, 'h', 1)} at ${quantity(targetC, 'degC')}, of ${quantity(asked, 'h', 1)}.`,
      },
    ];
  });
}
