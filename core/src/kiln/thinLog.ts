import type { KilnReadings } from './readKilnLog';

/** Readings of a log as they are kept: columns, s after the first; null where the machine wrote no set point. */
export interface KeptReadings {
  atS: number[];
  tempC: number[];
  setC: (number | null)[];
}

/** One of two rows has a set point and the other has none. */
const comesOrGoes = (setC: ArrayLike<number>, n: number, other: number): boolean =>
  setC[other] !== undefined && Number.isNaN(setC[other]) !== Number.isNaN(setC[n]!);

/**
 * A log's rows, at most `mostRows` of them: evenly in time where there are more, with both rows wherever the set point comes or goes, so that
 * a power cut keeps its ends. Temperatures to a hundredth. O(rows).
 */
export function thinLog({ h, tempC, setC }: KilnReadings, mostRows: number): KeptReadings {
  const out: KeptReadings = { atS: [], tempC: [], setC: [] };
  const everyH = h.length <= mostRows ? 0 : (2 * h.at(-1)!) / mostRows;
  const round = (value: number): number => Math.round(value * 100) / 100;
  let next = -Infinity;
  for (let n = 0; n < h.length; n++) {
    const ends = comesOrGoes(setC, n, n - 1) || comesOrGoes(setC, n, n + 1);
    const last = n === h.length - 1;
    const room = out.atS.length < mostRows - 1;
    if (!(last || (room && (ends || h[n]! >= next)))) continue;
    out.atS.push(Math.round(h[n]! * 3_600_000) / 1000);
    out.tempC.push(round(tempC[n]!));
    out.setC.push(Number.isNaN(setC[n]!) ? null : round(setC[n]!));
    if (h[n]! >= next) next = h[n]! + everyH;
  }
  return out;
}
