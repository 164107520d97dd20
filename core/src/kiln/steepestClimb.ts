import type { KilnReadings } from './readKilnLog';

/** A climb is told over so long: less is the regulator's play. h */
const OVER_H = 1 / 6;
/** A longer hole between two readings hides how steep it was. h */
const HOLE_H = 0.5;

/**
 * The steepest that a kiln climbed between two temperatures, °C/h, over ten minutes or more; undefined where a log does not show all of that range, or has
 * a hole in it. O(rows).
 */
export function steepestClimb(
  { h, tempC }: KilnReadings,
  [fromC, toC]: readonly [number, number],
): number | undefined {
  const first = tempC.findIndex((t) => t >= fromC);
  const last = tempC.findIndex((t) => t >= toC);
  // It begins below, and comes out above: else a part of the climb is not in it.
  if (first < 1 || last < 0 || last <= first) return undefined;
  let steepest: number | undefined;
  let back = first - 1;
  for (let n = first; n <= last; n++) {
    if (h[n]! - h[n - 1]! > HOLE_H) return undefined;
    while (back + 1 < n && h[n]! - h[back + 1]! >= OVER_H) back++;
    const hours = h[n]! - h[back]!;
    if (hours < OVER_H) continue;
    const rate = (tempC[n]! - tempC[back]!) / hours;
    if (steepest === undefined || rate > steepest) steepest = rate;
  }
  return steepest;
}
