import { workMinutesOf, type Settings } from '@zero-pour/contracts';
import {
  HOUR_MS,
  LONGEST_HOLD_H,
  LONGEST_SOAK_H,
  STEAM_MOST_C,
  type PlacedSegment,
  type WeekGap,
} from '@zero-pour/core';
import type { BurnoutPlan } from '../burnout/burnoutPlan';
import { meltsAtH } from '../pour/melt';
import { handsOn, type StageWork } from '../times/stageWork';
import { KILN_IN, MELT, ZERO } from './kilnNames';

/** What may become longer without harm: a hold at steam, where it only dries, and the soak, where the core only agrees. h */
export const mostMoreH = ({ segment: { targetC, holdH } }: PlacedSegment): number => {
  if (targetC === null) return Math.max(0, LONGEST_SOAK_H - holdH);
  return targetC <= STEAM_MOST_C ? Math.max(0, LONGEST_HOLD_H - holdH) : 0;
};

/** Hands at the kiln, from its loading to the pour. */
export interface KilnEvent {
  work: StageWork;
  atH: number;
  /** The segment that it lies in: what is before that segment's end does not move with its hold. */
  segment: number;
}

/** Closer than this two hands are one. h */
const TOGETHER_H = 5 / 60;

/** Everything hands do from the kiln's loading to the pour, in order; hands that may fall at any hour take nobody. */
export function kilnEvents(
  { curve }: BurnoutPlan,
  kilnH: number,
  settings: Settings,
  flasks: number,
  anyHour: readonly string[] = [],
): KilnEvent[] {
  const last = curve.segments.length;
  const handMin = workMinutesOf(settings, 'kilnHand');
  const free = new Set(anyHour);
  const hands = curve.segments.flatMap((part, segment) =>
    part.hands.map(({ name, what, atH }) => ({ name, what, atH, segment })),
  );
  const events: KilnEvent[] = [
    { work: handsOn(KILN_IN, 'kiln in', 'burnout', handMin), atH: 0, segment: 0 },
    ...hands.map(({ name, what, atH, segment }) => ({
      work: { ...handsOn(name, what, 'burnout', handMin), ...(free.has(name) ? { handsMin: 0 } : {}) },
      atH,
      segment,
    })),
    { work: handsOn(MELT, 'melt', 'pour', workMinutesOf(settings, 'melt')), atH: meltsAtH(settings, hands, kilnH), segment: last }, // prettier-ignore
    {
      work: handsOn(ZERO, 'zero', 'pour', workMinutesOf(settings, 'pour') * flasks),
      atH: kilnH,
      segment: last,
    },
  ];
  const apart = events.filter(({ atH }, n) => n === events.length - 1 || events[n + 1]!.atH - atH > TOGETHER_H || n === 0); // prettier-ignore
  // Nobody is at two of them at once: each is over when the next begins.
  return apart.map((event, n) => {
    const next = apart[n + 1];
    const most = next ? (next.atH - event.atH) * 60 : Infinity;
    return { ...event, work: shortened(event.work, Math.max(1, most)) };
  });
}

const shortened = (work: StageWork, mostMin: number): StageWork => {
  const minutes = Math.min(work.hours * 60, mostMin);
  return { ...work, hours: minutes / 60, handsMin: Math.min(work.handsMin, minutes) };
};

/** The wait between two hands at the kiln, and how far the holds between them may stretch. */
export function kilnGap(before: KilnEvent, after: KilnEvent, { curve }: BurnoutPlan): WeekGap {
  const leastMin = Math.max(0, (after.atH - before.atH - before.work.hours) * 60);
  const moreH = curve.segments
    .slice(before.segment, after.segment)
    .reduce((sum, part) => sum + mostMoreH(part), 0);
  return moreH > 0
    ? { leastMin, nowMin: leastMin, mostMin: leastMin + moreH * 60 }
    : { leastMin, mostMin: leastMin };
}

/** By how much each segment's hold grows where waits between hands did. h */
export function longerHolds(
  events: readonly KilnEvent[],
  begins: readonly number[],
  { curve }: BurnoutPlan,
): number[] {
  const more = curve.segments.map(() => 0);
  events.slice(1).forEach((after, n) => {
    const before = events[n]!;
    let left = (begins[n + 1]! - begins[n]!) / HOUR_MS - (after.atH - before.atH);
    for (let s = before.segment; s < after.segment; s++) {
      const here = Math.min(Math.max(0, left), mostMoreH(curve.segments[s]!));
      more[s] = here;
      left -= here;
    }
  });
  // What is less than half a minute is rounding.
  return more.map((h) => (h < 1 / 120 ? 0 : Math.round(h * 60) / 60));
}
