import { HOUR_MS, printTime, quantity, say, type Phrase, type StageKey } from '@zero-pour/core';
import { pouredAt } from '@zero-pour/contracts';
import type { BurnoutPlan } from './burnoutPlan';
import type { PourContext } from './context';
import { figure, type Figure, type Given } from './figure';
import type { PartGates } from './gatePlan';
import type { MixPlan } from './mixPlan';
import { motionOf } from './print/knowPrints';
import type { PrintPlan } from './printPlan';

/** A moment that needs hands. */
export interface Moment {
  stage: StageKey;
  at: number;
  what: Phrase;
  detail: Phrase;
  done: boolean;
  /** Name in the programme, for moments of the burnout that can be ticked. */
  hand?: string;
  /** Field of the print that takes the moment when it is ticked off. */
  ticks?: 'checkedAt' | 'finishedAt';
  /** How long before zero, with its working, for moments that the programme fixes. */
  beforeZero?: Figure;
}

/** Nothing to add below a moment's name. */
export const DETAIL_NONE = say``;

/** What a planned step is called among the hands-on moments, with its amounts. */
export function stepWords(
  key: string,
  gates: readonly PartGates[],
  mix: MixPlan | undefined,
  print: PrintPlan | undefined,
): { what: Phrase; detail: Phrase } {
  const first = gates[0];
  switch (key) {
    case 'print':
      return {
        what: say`Start the print`,
        detail: print ? say`${print.copies} parts, ${quantity(print.hours.value, 'h')}` : DETAIL_NONE,
      };
    case 'clean':
      return { what: say`Prints off, wash`, detail: say`by the resin’s protocol` };
    case 'sprue':
      return {
        what: say`Join sprues`,
        detail: first
          ? say`${first.gates.count} × ${quantity(first.gates.diameterMm, 'mm', 1)} each`
          : DETAIL_NONE,
      };
    case 'invest':
      return mix
        ? {
            what: say`Mix ${quantity(mix.powder.value, 'g', 0)} + ${quantity(mix.water.value, 'g', 0)}`,
            detail: say`powder + water`,
          }
        : { what: say`Mix and invest`, detail: DETAIL_NONE };
    default:
      return { what: say`${key}`, detail: DETAIL_NONE };
  }
}

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
  return figure(
    { name: 'Before zero', value: kilnH - atH, unit: 'h' },
    atH > 0 ? [...parts, ' − ', after] : parts,
  );
}

/** Millimetres that are up when a print is looked at part way (handbook 04, "Record"). */
const CHECKED_AT_MM = 5;

/** When the base and the first millimetres are out, h after the start. */
export function partWayH(context: PourContext): number | undefined {
  const { printer, profile } = context;
  if (!printer || !profile) return undefined;
  const { value: motionS } = motionOf(context.prints, printer, profile);
  const heightMm = (profile.baseLayers + profile.transitionLayers) * profile.layerMm + CHECKED_AT_MM;
  return printTime(heightMm, { ...profile, motionS }).seconds / 3600;
}

/** What a running print asks of hands: a look part way, and taking it off. */
export function printMoments(context: PourContext, print: PrintPlan | undefined): Moment[] {
  const { startedAt, finishedAt, checkedAt } = context.doc.print;
  if (!startedAt || finishedAt || !print) return [];
  const from = Date.parse(startedAt);
  const moment = (h: number, what: Phrase, done: boolean, ticks: NonNullable<Moment['ticks']>): Moment => ({
    stage: 'print',
    at: from + h * HOUR_MS,
    what,
    detail: say`${context.printer?.name ?? ''}`,
    done,
    ticks,
  });
  const half = partWayH(context);
  return [
    ...(half !== undefined && half < print.hours.value
      ? [moment(half, say`Look at the print: do all hang?`, checkedAt !== undefined, 'checkedAt')]
      : []),
    moment(print.hours.value, say`Print is done`, false, 'finishedAt'),
  ];
}

/** Kiln in, and what the programme asks of hands after it. */
export function kilnMoments(
  context: PourContext,
  burnout: BurnoutPlan,
  kilnIn: number,
  kilnH: number,
): Moment[] {
  const { doc, kiln } = context;
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
      beforeZero: beforeZero(burnout, 0, kilnH),
    },
    ...hands.map((hand): Moment => ({
      stage: 'burnout',
      at: kilnIn + hand.atH * HOUR_MS,
      what: say`${hand.what}`,
      detail: say`${kiln?.name ?? ''}`,
      done: doc.burnout.hands[hand.name] !== undefined || poured,
      hand: hand.name,
    })),
  ];
}
