import { HOUR_MS, temperatureAt, type ProgrammeCurve } from '@zero-pour/core';
import { heatColour } from '../theme/heat';
import type { TimeAxis } from './timeAxis';

export interface Slice {
  x: number;
  width: number;
  height: number;
  colour: string;
}

const SLICE_PX = 2.5;
const FULL_SCALE_C = 800;

/** A burnout as upright slices coloured like hot steel, clipped to the axis. */
export function profileSlices(
  curve: ProgrammeCurve,
  kilnIn: number,
  until: number,
  axis: TimeAxis,
  heightPx: number,
): Slice[] {
  const from = Math.max(kilnIn, axis.from);
  const to = Math.min(until, axis.to);
  const count = Math.max(0, Math.ceil((axis.x(to) - axis.x(from)) / SLICE_PX));
  return Array.from({ length: count }, (_, i) => {
    const at = from + ((to - from) * (i + 0.5)) / count;
    const tempC = temperatureAt(curve, (at - kilnIn) / HOUR_MS);
    const left = axis.x(from + ((to - from) * i) / count);
    return {
      x: left,
      width: axis.x(from + ((to - from) * (i + 1)) / count) - left + 0.5,
      height: Math.max(2, (Math.min(tempC, FULL_SCALE_C) / FULL_SCALE_C) * heightPx),
      colour: heatColour(tempC),
    };
  });
}
