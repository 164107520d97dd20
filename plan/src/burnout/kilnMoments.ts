import { HOUR_MS, say } from '@zero-pour/core';
import { pouredAt } from '@zero-pour/contracts';
import type { PourContext } from '../context';
import { figureOf, type Figure, type Given } from '../figure';
import type { Moment } from '../moment';
import type { PourClock } from '../stage';
import { KILN_IN } from '../week/kilnNames';
import type { BurnoutPlan } from './burnoutPlan';

/** Hours from a moment of the burnout to zero: what the segments take, and what the kiln waits at the end. */
function beforeZero(burnout: BurnoutPlan, atH: number, kilnH: number): Figure {
  const segments = burnout.curve.segments.map((s, i): Given => ({
    symbol: `s${i + 1}`,
    name: s.segment.name,
    value: s.endH - s.startH,
    unit: 'h',
    source: 'climb and hold of the programme, in this kiln',
    stage: 'burnout',
  }));
  const rest = kilnH - burnout.curve.totalH;
  const wait: Given = {
    symbol: 'w',
    name: 'Held until zero',
    value: rest,
    unit: 'h',
    source: 'wanted pour',
    stage: 'brief',
  };
  const after: Given = {
    symbol: 'a',
    name: 'After kiln in',
    value: atH,
    unit: 'h',
    source: 'programme',
    stage: 'burnout',
  };
  const parts = [...segments, ...(rest > 1e-6 ? [wait] : [])].flatMap((g, i) => (i === 0 ? [g] : [' + ', g]));
  return figureOf({ name: 'Before zero', unit: 'h' }, atH > 0 ? [...parts, ' − ', after] : parts);
}

/** Kiln in, and what the programme asks of hands after it. */
export function kilnMoments(
  { doc, kiln }: PourContext,
  { kilnIn, kilnH }: Pick<PourClock, 'kilnIn' | 'kilnH'>,
  burnout: BurnoutPlan,
): Moment[] {
  const first = burnout.curve.segments[0];
  const poured = pouredAt(doc) !== undefined;
  const hands = burnout.curve.segments.flatMap((s) => s.hands);
  return [
    {
      stage: 'burnout',
      at: kilnIn,
      what: say`Kiln in, ${first?.segment.flaskWay ?? 'button down'}`,
      detail: say`${kiln?.name ?? ''}`,
      done: doc.burnout.startedAt !== undefined || poured,
      step: KILN_IN,
      beforeZero: beforeZero(burnout, 0, kilnH),
    },
    ...hands.map((hand): Moment => ({
      stage: 'burnout',
      at: kilnIn + hand.atH * HOUR_MS,
      what: say`${hand.what}`,
      detail: say`${kiln?.name ?? ''}`,
      done: doc.burnout.hands[hand.name] !== undefined || poured,
      hand: hand.name,
      step: hand.name,
    })),
  ];
}
