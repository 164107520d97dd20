import { HOUR_MS, temperatureAt, type ProgrammeCurve } from '@zero-pour/core';
import { heatColour } from '../theme/heat';
import type { TimeAxis } from './timeAxis';

/** A burnout as one filled outline whose colour runs along time like hot steel. */
export interface BurnoutProfile {
  left: number;
  right: number;
  /** Outline with its foot on y = 0 and heat upward (negative y). */
  path: string;
  stops: { offset: number; colour: string }[];
}

const FULL_SCALE_C = 800;
const rise = (tempC: number, heightPx: number): number =>
  -Math.max(2, (Math.min(tempC, FULL_SCALE_C) / FULL_SCALE_C) * heightPx);
/** Drawn so finely: the eye tells no more. px */
const APART_PX = 3;

/** The flask's core as a line on the same scale, as far as it is reckoned and in view; undefined where nothing of it is. */
export function coreLine(
  rows: readonly { h: number; coreC: number }[],
  kilnIn: number,
  until: number,
  axis: TimeAxis,
  heightPx: number,
): string | undefined {
  const points: string[] = [];
  let last = -Infinity;
  for (const { h, coreC } of rows) {
    const at = kilnIn + h * HOUR_MS;
    if (at < axis.from || at > Math.min(until, axis.to)) continue;
    const x = axis.x(at);
    if (x - last < APART_PX) continue;
    last = x;
    points.push(`${x.toFixed(1)},${rise(coreC, heightPx).toFixed(1)}`);
  }
  return points.length < 2 ? undefined : points.join(' ');
}
/** Colour stops between the corners of the curve: the ramp bends, a straight mix of two ends would not. */
const STOPS = 24;

/** The profile between two moments, clipped to the axis; undefined when nothing of it is in view. */
export function burnoutProfile(
  curve: ProgrammeCurve,
  kilnIn: number,
  until: number,
  axis: TimeAxis,
  heightPx: number,
): BurnoutProfile | undefined {
  const from = Math.max(kilnIn, axis.from);
  const to = Math.min(until, axis.to);
  if (to <= from) return undefined;
  const tempAt = (at: number): number => temperatureAt(curve, (at - kilnIn) / HOUR_MS);
  const corners = curve.points.map((p) => kilnIn + p.h * HOUR_MS).filter((at) => at > from && at < to);
  const outline = [from, ...corners, to].map(
    (at) => `L${axis.x(at).toFixed(1)} ${rise(tempAt(at), heightPx).toFixed(1)}`,
  );
  const [left, right] = [axis.x(from), axis.x(to)];
  return {
    left,
    right,
    path: `M${left.toFixed(1)} 0${outline.join('')}L${right.toFixed(1)} 0z`,
    stops: Array.from({ length: STOPS + 1 }, (_, i) => ({
      offset: i / STOPS,
      colour: heatColour(tempAt(from + ((to - from) * i) / STOPS)),
    })),
  };
}
