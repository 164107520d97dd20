import { HOUR_MS, printTime, say, type Phrase } from '@zero-pour/core';
import type { PourContext } from '../context';
import type { Moment } from '../moment';
import { motionOf } from './knowPrints';
import type { PrintPlan } from './printPlan';

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
