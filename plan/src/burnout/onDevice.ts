import type { DeviceRun, PourDoc } from '@zero-pour/contracts';
import { drivenSegments, HOUR_MS } from '@zero-pour/core';
import type { BurnoutPlan } from './burnoutPlan';
import type { Burnt } from './burnt';

/** The programme of a pour as a kiln's controller is given it: every target is a number. */
export const runToSend = ({ segments, castingC }: BurnoutPlan, name: string): DeviceRun => ({
  name,
  segments: drivenSegments(segments, castingC),
});

/** What could be written down of a burnout. */
export type BurnEventDraft = Omit<NonNullable<PourDoc['burnout']['events']>[number], 'key'> & {
  until: string;
};

/** Falls that the kiln's readings show and nobody wrote down: without that the plan goes on as if the kiln had been driven. */
export function unwrittenFalls(
  { burnout: { events } }: PourDoc,
  { from, events: found }: Burnt,
): BurnEventDraft[] {
  const written = (events ?? []).map(
    ({ at, until }) => [Date.parse(at), until ? Date.parse(until) : Infinity] as const,
  );
  return found.flatMap(({ kind, fromH, toH }) => {
    const [begins, ends] = [from + fromH * HOUR_MS, from + toH * HOUR_MS];
    if (written.some(([at, until]) => at < ends && until > begins)) return [];
    const draft = { at: new Date(begins).toISOString(), until: new Date(ends).toISOString() };
    return [{ ...draft, kind: kind === 'power' ? ('power out' as const) : ('door open' as const) }];
  });
}
