import { HOUR_MS, MINUTE_MS, quantity, say, type Judgement } from '@zero-pour/core';
import type { FormatMoment } from '../moment';
import type { TimePlan } from './timePlan';

/** Later than wanted by less than this is no matter. */
const LATER_MIN = 5;

/**
 * The nearest pour time at which hands are there and which can still be had: all that is left to do lies ahead of it.
 * Null when the kiln runs already, or there is none.
 */
export function zeroInstead({ civilZero, kilnStarted, zero, start }: TimePlan, now: number): number | null {
  if (kilnStarted) return null;
  const { earlier, later } = civilZero;
  const sooner = earlier !== null && start - (zero - earlier) >= now ? earlier : null;
  const after = later !== null && start + (later - zero) >= now ? later : null;
  if (sooner === null || after === null) return sooner ?? after;
  return zero - sooner <= after - zero ? sooner : after;
}

/** The way out of a moment that falls when the bench is closed. */
function wayOut(times: TimePlan, now: number, formatMoment: FormatMoment): string {
  const instead = zeroInstead(times, now);
  return instead !== null
    ? `Be there, pour ${formatMoment(instead)} instead, or hold longer.`
    : 'Be there, or hold longer.';
}

/** What the clock says against a plan: bench closed, later than wanted, should have begun. */
export function judgeTimes(times: TimePlan, now: number, formatMoment: FormatMoment): Judgement[] {
  if (times.poured) return [];
  const out = times.conflicts.map((conflict, i): Judgement => ({
    rule: `bench closed ${i}`,
    weight: 'watch',
    lead: 'Bench closed.',
    why: say`${conflict.what} falls at ${formatMoment(conflict.at)}. ${wayOut(times, now, formatMoment)}`,
  }));
  if (times.wanted !== undefined && times.zero - times.wanted > LATER_MIN * MINUTE_MS) {
    const hours = quantity((times.zero - times.wanted) / HOUR_MS, 'h');
    out.push({
      rule: 'later',
      weight: 'watch',
      lead: 'Later than wanted.',
      why: say`The kiln is through at ${formatMoment(times.zero)}, ${hours} after the wanted hour.`,
    });
  }
  if (!times.kilnStarted && times.start < now - MINUTE_MS) {
    out.push({
      rule: 'late start',
      weight: 'fix',
      lead: 'Should have begun.',
      why: say`The first step left was to begin ${formatMoment(times.start)}. Set a later pour in the brief.`,
    });
  }
  return out;
}
