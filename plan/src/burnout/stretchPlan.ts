import { benchClock } from '@zero-pour/contracts';
import {
  benchSpans,
  HOUR_MS,
  LONGEST_SOAK_H,
  LONGEST_HOLD_H,
  stretchHolds,
  type Segment,
} from '@zero-pour/core';
import type { PourContext } from '../context';
import type { TimePlan } from '../times/timePlan';
import { mostMoreH } from '../week/kilnTasks';
import type { BurnoutPlan } from './burnoutPlan';

/** Longer holds after which every hand of the burnout falls where somebody is there, zero staying where it is. */
export interface HoldStretch {
  segments: Segment[];
  longer: { segment: string; moreH: number }[];
  kilnIn: number;
}

/** What mends hands that are wanted while the bench is closed, where longer holds do and there is still time; undefined where none is to be mended. */
export function planStretch(
  { settings, doc }: PourContext,
  { curve, segments }: BurnoutPlan,
  { zero, kilnIn, kilnStarted, poured, conflicts }: TimePlan,
  now: number,
): HoldStretch | undefined {
  if (kilnStarted || poured || conflicts.length === 0) return undefined;
  const kilnBeforeH = (zero - kilnIn) / HOUR_MS;
  const parts = curve.segments.map((placed) => ({
    handsBeforeH: placed.hands
      .filter(({ name }) => !doc.burnout.anyHour?.includes(name))
      .map(({ atH }) => kilnBeforeH - atH),
    mostMoreH: mostMoreH(placed),
  }));
  const reachH = kilnBeforeH + LONGEST_HOLD_H + LONGEST_SOAK_H;
  const spans = benchSpans(benchClock(settings), zero - reachH * HOUR_MS, zero + HOUR_MS);
  const more = stretchHolds(zero, kilnBeforeH, parts, spans);
  const total = more?.reduce((sum, h) => sum + h, 0) ?? 0;
  const begins = kilnIn - total * HOUR_MS;
  if (!more || total === 0 || begins < now) return undefined;
  return {
    segments: segments.map((one, n) => ({ ...one, holdH: one.holdH + more[n]! })),
    longer: segments.flatMap(({ name }, n) => (more[n]! > 0 ? [{ segment: name, moreH: more[n]! }] : [])),
    kilnIn: begins,
  };
}
