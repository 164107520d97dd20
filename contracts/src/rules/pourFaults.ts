import type { StepRecord } from '../pour/making';
import { pourDocSchema, type PourDoc } from '../pour/pourDoc';
import type { PourFlask } from '../pour/pourFlask';
import { unless, type Fault } from './fault';
import { quantityFaults } from './quantityFaults';

/** One thing does not come before another that it follows from. */
function inOrder(
  earlier: string | undefined,
  later: string | undefined,
  path: string[],
  what: string,
): Fault[] {
  const holds = earlier === undefined || later === undefined || Date.parse(earlier) <= Date.parse(later);
  return unless(holds, path, what);
}

const stepFaults = (at: string[], steps: Record<string, StepRecord> | undefined): Fault[] =>
  Object.entries(steps ?? {}).flatMap(([key, step]) =>
    inOrder(
      step.startedAt,
      step.doneAt,
      [...at, 'steps', key, 'doneAt'],
      'the step would be over before it was begun',
    ),
  );

function flaskOrder({ burnout, result }: PourDoc, { key, pour }: PourFlask): Fault[] {
  const at = ['flasks', key, 'pour'];
  return [
    ...stepFaults(at, pour.steps),
    ...inOrder(
      burnout.startedAt,
      pour.pouredAt,
      [...at, 'pouredAt'],
      'the pour would come before the kiln was started',
    ),
    ...inOrder(
      pour.pouredAt,
      result.doneAt,
      ['result', 'doneAt'],
      'the result would be recorded before the pour',
    ),
  ];
}

function orderFaults(doc: PourDoc): Fault[] {
  const { print, clean, invest, burnout, flasks, happenings } = doc;
  return [
    ...inOrder(
      print.startedAt,
      print.finishedAt,
      ['print', 'finishedAt'],
      'the print would be off before it was started',
    ),
    ...stepFaults(['clean'], clean.steps),
    ...stepFaults(['invest'], invest.steps),
    ...(burnout.events ?? []).flatMap(({ key, at, until }) =>
      inOrder(at, until, ['burnout', 'events', key, 'until'], 'it would be over before it began'),
    ),
    ...inOrder(
      invest.powderInAt,
      invest.doneAt,
      ['invest', 'doneAt'],
      'investing would be over before the powder went in',
    ),
    ...flasks.flatMap((flask) => flaskOrder(doc, flask)),
    ...happenings.flatMap(({ key, at, until }) =>
      inOrder(at, until, ['happenings', key, 'until'], 'it would be over before it began'),
    ),
  ];
}

/** What is named must be told apart: lines and flasks by their keys, and a piece hangs in one flask only. */
function twinFaults({ brief, flasks }: PourDoc): Fault[] {
  const once = (keys: readonly string[], path: string[], what: string): Fault[] =>
    unless(new Set(keys).size === keys.length, path, what);
  return [
    ...once(
      brief.lines.map(({ key }) => key),
      ['brief', 'lines'],
      'two lines would have one name',
    ),
    ...once(
      flasks.map(({ key }) => key),
      ['flasks'],
      'two flasks would have one name',
    ),
    ...once(
      flasks.flatMap(({ pieces }) => pieces ?? []),
      ['flasks'],
      'a piece would hang in two flasks',
    ),
  ];
}

/** What a pour's document says that cannot be: of a number, or between its fields. */
export const pourFaults = (doc: PourDoc): Fault[] => [
  ...orderFaults(doc),
  ...twinFaults(doc),
  ...quantityFaults(pourDocSchema, doc),
];
