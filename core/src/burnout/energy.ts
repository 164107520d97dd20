import { requirePositive } from '../numeric';
import { climbLimit, coolingTau, opened, ROOM_C, type KilnPace } from './kilnLimits';
import type { ProgrammeCurve } from './programme';

/**
 * Share of its power that a kiln needs at a temperature to change by so much, °C/h: 1 is all it has, 0 is switched off. Its own climb and its own
 * cooling are the two known points of one line: at full power it climbs by its limit, without any it falls by its time constant.
 */
export function dutyAt(kiln: KilnPace, tempC: number, cPerH: number): number {
  const lossCPerH = Math.max(0, tempC - ROOM_C) / coolingTau(kiln, tempC);
  return Math.min(1, Math.max(0, (cPerH + lossCPerH) / (climbLimit(kiln, tempC) + lossCPerH)));
}

/** Pieces that a curve's energy is summed in, h. */
const PIECE_H = 0.05;

/**
 * Energy that a kiln of a power takes for a curve, kWh, by its own pace. An estimate: what stands in it is as large as what stood in it when its pace
 * was found. A fall with the vent opened takes none that keeps it up.
 */
export function kilnEnergyKwh(
  { points, segments }: Pick<ProgrammeCurve, 'points' | 'segments'>,
  kiln: KilnPace,
  powerKw: number,
): number {
  requirePositive('powerKw', powerKw);
  let kwh = 0;
  for (let n = 1; n < points.length; n += 1) {
    const [a, b] = [points[n - 1]!, points[n]!];
    const hours = b.h - a.h;
    if (hours <= 0) continue;
    const rate = (b.tempC - a.tempC) / hours;
    const vented = segments.some(
      ({ segment, startH, holdFromH }) => segment.vented && a.h >= startH - 1e-9 && b.h <= holdFromH + 1e-9,
    );
    const of = vented && rate < 0 ? opened(kiln) : kiln;
    const pieces = Math.max(1, Math.ceil(hours / PIECE_H));
    for (let k = 0; k < pieces; k += 1) {
      const tempC = a.tempC + ((b.tempC - a.tempC) * (k + 0.5)) / pieces;
      kwh += (powerKw * dutyAt(of, tempC, rate) * hours) / pieces;
    }
  }
  return kwh;
}
