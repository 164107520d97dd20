import { fitLine } from '../numeric';
import { findEvents } from './findEvents';
import type { KilnReadings } from './readKilnLog';

/** How fast a kiln moves by itself near a temperature, as one passage of a log shows it. °C, °C/h, both positive. */
export interface RateAt {
  tempC: number;
  cPerH: number;
  /** Standard error of it, by the scatter of the rows round their line. */
  offCPerH: number;
  rows: number;
}

/** What a log tells of its kiln; a temperature that it does not show is not in the list. */
export interface ShownPace {
  /** As fast as it climbs where it is asked for more. */
  climbs: RateAt[];
  /** As fast as it falls where it is asked for less, its door shut. */
  cools: RateAt[];
}

/** One time constant of the cooling that a log shows, with its standard error. h */
export interface ShownTau {
  tauH: number;
  offH: number;
}

/** Towards the room. °C */
const ROOM_C = 20;
/**
 * The time constant that a kiln's falls show together: the mean of each temperature's own, by how sure each is. The error is the greater of what the
 * slopes say and of how far the temperatures differ among themselves. Undefined for fewer than two of them.
 */
export function tauOfFalls(
  cools: readonly Pick<RateAt, 'tempC' | 'cPerH' | 'offCPerH'>[],
): ShownTau | undefined {
  const each = cools
    .filter(({ tempC, cPerH }) => tempC > ROOM_C + 10 && cPerH > 0)
    .map(({ tempC, cPerH, offCPerH }) => {
      const tauH = (tempC - ROOM_C) / cPerH;
      // A slope without scatter is not known without error.
      return { tauH, offH: Math.max((tauH * offCPerH) / cPerH, 0.01 * tauH) };
    });
  if (each.length < 2) return undefined;
  const weights = each.map(({ offH }) => 1 / offH ** 2);
  const total = weights.reduce((sum, w) => sum + w, 0);
  const tauH = each.reduce((sum, one, n) => sum + one.tauH * weights[n]!, 0) / total;
  const spread = each.reduce((sum, one, n) => sum + weights[n]! * (one.tauH - tauH) ** 2, 0) / total;
  return { tauH, offH: Math.max(Math.sqrt(1 / total), Math.sqrt(spread / (each.length - 1))) };
}

/** So far from its set point a kiln is driven with all it has, or with nothing. */
const FULLY_C = 10;
/** Rows this near a temperature tell its pace there. */
const NEAR_C = 20;
const FEWEST = 3;
const STEP_C = 50;
/** After it was cut off its elements warm first, then what they stand in: so long it tells nothing. h */
const SETTLES_H = 10 / 60;

/**
 * How fast a kiln climbs and cools by itself at every 50 °C, from the rows in which it lagged behind a set point that asked for more, or less.
 * The pace is the slope of a straight line through the rows near that temperature, of one passage: the first. O(rows · temperatures).
 */
export function kilnPace(log: KilnReadings): ShownPace {
  const { h, tempC } = log;
  const events = findEvents(log);
  const calm = (n: number): boolean =>
    !events.some(({ fromH, toH }) => h[n]! >= fromH && h[n]! <= toH + SETTLES_H);
  const hottest = tempC.reduce((most, v) => Math.max(most, v), 0);
  const temperatures: number[] = [];
  for (let t = 2 * STEP_C; t < hottest; t += STEP_C) temperatures.push(t);
  const shown = (driven: (n: number) => boolean, way: 1 | -1): RateAt[] =>
    temperatures.flatMap((t) => rateAt(log, t, driven, way) ?? []);
  return {
    climbs: shown((n) => calm(n) && log.setC[n]! - tempC[n]! > FULLY_C, 1),
    cools: shown((n) => calm(n) && tempC[n]! - log.setC[n]! > FULLY_C, -1),
  };
}

function rateAt(
  { h, tempC }: KilnReadings,
  at: number,
  driven: (n: number) => boolean,
  way: 1 | -1,
): RateAt | undefined {
  const near = (n: number): boolean => Math.abs(tempC[n]! - at) <= NEAR_C && driven(n);
  let from = 0;
  while (from < h.length) {
    while (from < h.length && !near(from)) from++;
    let to = from;
    while (to < h.length && near(to)) to++;
    // One passage through in this direction, not a stay.
    const through = to < h.length && from > 0 && way * (tempC[to - 1]! - tempC[from]!) > NEAR_C;
    if (to - from >= FEWEST && through) {
      const rows = Array.from(h.subarray(from, to), (x, n) => ({ x, y: tempC[from + n]! }));
      const { slope, slopeSe } = fitLine(rows);
      return { tempC: at, cPerH: way * slope, offCPerH: slopeSe, rows: rows.length };
    }
    from = to + 1;
  }
  return undefined;
}
