import type { KilnReadings } from './readKilnLog';

/** What befell a kiln, by its log alone. h, °C. */
export interface KilnEvent {
  /** 'power': nobody drove it; 'heat lost': driven, and colder all the same: a door that was opened, a blown fuse, a tired element. */
  kind: 'power' | 'heat lost';
  fromH: number;
  toH: number;
  /** How far the reading fell, and what to. */
  fellC: number;
  lowestC: number;
}
export interface Overshoot {
  atH: number;
  setC: number;
  byC: number;
}

/** A kiln is held when its reading is this near its set point. */
const HELD_C = 8;
/** A fall that is told from the regulator's own play. */
const FELL_C = 15;
/** It falls so far within this. */
const WITHIN_H = 5 / 60;
/** The set point stands, or climbs, within this. */
const STANDS_C = 4;

/** The set point at a row: as it is written, else as it was last. */
function setPoints({ setC }: KilnReadings): Float64Array {
  const out = setC.slice();
  for (let n = 1; n < out.length; n++) if (Number.isNaN(out[n]!)) out[n] = out[n - 1]!;
  return out;
}

/**
 * Stretches in which a kiln fell away from a set point that it held: from the last row that held it to the lowest one, after which it
 * climbs again. Without set points nothing can be told of them. O(rows).
 */
export function findEvents(log: KilnReadings): KilnEvent[] {
  if (!log.hasSet) return [];
  const { h, tempC } = log;
  const set = setPoints(log);
  const out: KilnEvent[] = [];
  let n = 1;
  while (n < h.length) {
    const from = held(log, set, n - 1) ? fallFrom(log, set, n - 1) : undefined;
    if (from === undefined) {
      n++;
      continue;
    }
    const lowest = lowestFrom(log, from);
    const unset = Array.from(log.setC.slice(from, lowest + 1)).filter(Number.isNaN).length;
    out.push({
      kind: unset > (lowest - from) / 2 ? 'power' : 'heat lost',
      fromH: h[from]!,
      toH: h[lowest]!,
      fellC: tempC[from]! - tempC[lowest]!,
      lowestC: tempC[lowest]!,
    });
    n = Math.max(n, lowest) + 1;
  }
  return out;
}

/** Near its set point, and for some minutes not on its way down to it: what falls past it then is the regulator's own play. */
function held({ h, tempC }: KilnReadings, set: Float64Array, n: number): boolean {
  if (Math.abs(tempC[n]! - set[n]!) > HELD_C) return false;
  for (let k = n; k >= 0 && h[n]! - h[k]! <= WITHIN_H; k--) if (tempC[k]! - set[k]! > HELD_C) return false;
  return true;
}

/** The last row that is still near its set point before it falls far within minutes, while the set point does not. */
function fallFrom({ h, tempC }: KilnReadings, set: Float64Array, n: number): number | undefined {
  let from = n;
  for (let k = n + 1; k < h.length && h[k]! - h[n]! <= WITHIN_H; k++) {
    if (set[k]! < set[n]! - STANDS_C) return undefined;
    if (Math.abs(tempC[k]! - set[k]!) <= HELD_C) return undefined;
    if (tempC[n]! - tempC[k]! >= FELL_C && set[k]! - tempC[k]! >= FELL_C) return from;
    if (tempC[k]! >= tempC[n]!) from = k;
  }
  return undefined;
}

/** From a fall to its lowest row: until it has climbed again by more than it plays. */
function lowestFrom({ h, tempC }: KilnReadings, from: number): number {
  let lowest = from;
  for (let k = from + 1; k < h.length; k++) {
    if (tempC[k]! <= tempC[lowest]!) lowest = k;
    else if (tempC[k]! > tempC[lowest]! + HELD_C) break;
  }
  return lowest;
}

/** How far a kiln went over each of its holds, where that is more than its play: the highest of each. */
export function findOvershoots(log: KilnReadings): Overshoot[] {
  const out: Overshoot[] = [];
  const set = setPoints(log);
  const { h, tempC } = log;
  for (let n = 1; n < h.length; n++) {
    // A hold begins where the set point ceases to change.
    const holds = log.hasSet && Math.abs(set[n]! - set[n - 1]!) < 0.05;
    const by = tempC[n]! - set[n]!;
    const last = out.at(-1);
    const same = last && last.setC === set[n] ? last : undefined;
    if (!holds || by <= HELD_C || (same ? by <= same.byC : !reachedFromBelow(log, set, n))) continue;
    if (same) [same.atH, same.byC] = [h[n]!, by];
    else out.push({ atH: h[n]!, setC: set[n]!, byC: by });
  }
  return out;
}

/** Whether it came to this set point from a colder reading, not down from a hotter one. */
function reachedFromBelow({ tempC }: KilnReadings, set: Float64Array, n: number): boolean {
  for (let k = n - 1; k >= 0 && Math.abs(set[k]! - set[n]!) < 0.05; k--)
    if (tempC[k]! < set[n]! - HELD_C) return true;
  return false;
}
