import type { Mold, Settings } from '@zero-pour/contracts';
import { benchClock } from '@zero-pour/contracts';
import {
  countBack,
  earliestZero,
  MINUTE_MS,
  say,
  shotsFor,
  usualRoutes,
  type BenchConflict,
  type Judgement,
  type Phrase,
} from '@zero-pour/core';
import { isOver } from '../clean/cleaning';
import type { FormatMoment } from '../moment';
import type { Block } from '../times/block';
import { ANY_WAIT, handsOn, NO_WAIT, type StageWork } from '../times/stageWork';
import { moldSteps, type MoldStep, type MoldThings } from './moldSteps';
import { routeOfKind, waxesOf } from './waxes';

/** States in which a mold is still to be made. */
const UNMADE = new Set<Mold['state']>(['planned', 'being made']);

/** Steps of its making that are still ahead: those after the last one that is over; none once a mold was made. */
export function stepsAhead(mold: Mold, things: MoldThings): MoldStep[] {
  if (!UNMADE.has(mold.state)) return [];
  const steps = moldSteps(mold, things).filter(({ making }) => making);
  return steps.slice(steps.findLastIndex(({ record }) => isOver(record)) + 1);
}

/** A step whose time nobody has said cannot be counted back. */
export const untimed = (steps: readonly MoldStep[]): string[] =>
  steps.filter(({ minutes }) => minutes === null).map(({ name }) => name);

const STEP_KEY = 'mold ';
export const workKeyOf = ({ key }: MoldStep): string => `${STEP_KEY}${key}`;
export const isMoldWork = (key: string): boolean => key.startsWith(STEP_KEY);

const isRunning = ({ record }: MoldStep): boolean => record?.startedAt !== undefined && !isOver(record);

/** Presses go by number: nobody has named them. */
export const pressName = (n: number): string => `press ${n}`;

/** Its steps as they are counted back; what runs already is not begun again. */
export const moldWork = (ahead: readonly MoldStep[], presses = 1): StageWork[] =>
  ahead.flatMap((step): StageWork[] =>
    step.minutes === null || isRunning(step)
      ? []
      : [
          {
            key: workKeyOf(step),
            name: step.name,
            skill: 'mold',
            hours: step.minutes / 60,
            attendance: step.attendance,
            handsMin: step.attendance === 'whole' ? step.minutes : step.attendance === 'start' ? Math.min(step.minutes, BEGIN_MIN) : 0, // prettier-ignore
            // What goes by itself begins when what is before it ends.
            waits: step.attendance === 'none' ? NO_WAIT : ANY_WAIT,
            ...(step.key === 'press'
              ? { machines: Array.from({ length: presses }, (_, n) => pressName(n + 1)) }
              : {}),
          },
        ],
  );

/** Hands at the beginning of a step that goes on by itself. min */
const BEGIN_MIN = 10;

export const moldBlock = ({ name, attendance }: MoldStep, from: number, to: number): Block => ({
  work: 'mold',
  name,
  from,
  to,
  state: 'planned',
  attended: attendance === 'whole',
});

/** What was done of its making, as far as its times were kept, and what runs. */
export function moldDone(mold: Mold, things: MoldThings): Block[] {
  return moldSteps(mold, things).flatMap(({ making, record, minutes, name }): Block[] => {
    if (!making || !record) return [];
    const [began, ended] = [record.startedAt, record.doneAt].map((at) => at && Date.parse(at));
    const longMs = (minutes ?? 0) * MINUTE_MS;
    const from = began ?? (ended && ended - longMs);
    const to = ended ?? (began && began + longMs);
    return from && to ? [{ work: 'mold', name, from, to, state: ended ? 'done' : 'running' }] : [];
  });
}

/** A mold's own time: counted back from its zero, the mold closed to take its first wax. */
export interface MoldTimes {
  zero: number;
  /** When the first step that is left must begin. */
  start: number;
  blocks: Block[];
  /** What hands must begin, in the order of time. */
  begins: { at: number; step: MoldStep }[];
  outside: BenchConflict[];
  /** Steps of which nobody has said how long they take: they are not counted. */
  untimed: string[];
  ahead: MoldStep[];
}

/** A mold job on the clock; undefined while it has no zero, or once it was made. */
export function planMoldTimes(mold: Mold, things: MoldThings, settings: Settings): MoldTimes | undefined {
  const ahead = stepsAhead(mold, things);
  if (mold.zeroAt === undefined || ahead.length === 0) return undefined;
  const zero = Date.parse(mold.zeroAt);
  const back = countBack(zero, moldWork(ahead), 0, [], benchClock(settings));
  const stepOf = (key: string): MoldStep => ahead.find((step) => workKeyOf(step) === key)!;
  return {
    zero,
    start: back.start,
    blocks: [
      ...moldDone(mold, things),
      ...back.steps.map(({ key, from, to }) => moldBlock(stepOf(key), from, to)),
    ],
    begins: back.steps
      .map(({ key, from }) => ({ at: from, step: stepOf(key) }))
      .filter(({ step }) => step.attendance !== 'none'),
    outside: back.steps
      .filter(({ outside }) => outside)
      .map(({ key, from }) => ({ what: `No bench hours long enough for ${stepOf(key).name}`, at: from })),
    untimed: untimed(ahead),
    ahead,
  };
}

/** The earliest zero of a mold from now on, by bench hours; null: not within reach, undefined where a step's time is not known. */
export function earliestMold(
  mold: Mold,
  things: MoldThings,
  settings: Settings,
  now: number,
): number | null | undefined {
  const ahead = stepsAhead(mold, things);
  if (ahead.length === 0 || untimed(ahead).length > 0) return undefined;
  return earliestZero(now, moldWork(ahead), 0, [], benchClock(settings));
}

const listed = (names: readonly string[]): string => names.map((name) => `“${name}”`).join(', ');

/** Whose time nobody has said, in a sentence. */
export const judgeUntimed = (names: readonly string[]): Judgement[] =>
  names.length === 0
    ? []
    : [
        {
          rule: 'mold untimed',
          weight: 'watch',
          lead: 'Not counted.',
          why: say`How long it takes is not known of ${listed(names)}: it begins so much sooner than is said here.`,
        },
      ];

/** What the clock says against a mold's zero. */
export function judgeMoldTimes(times: MoldTimes, now: number, formatMoment: FormatMoment): Judgement[] {
  const out: Judgement[] = times.outside.map(({ what, at }, n) => ({
    rule: `mold bench ${n}`,
    weight: 'watch',
    lead: 'Bench closed.',
    why: say`${what}: it falls at ${formatMoment(at)}.`,
  }));
  const running = times.ahead[0]?.record?.startedAt !== undefined;
  if (times.zero < now - MINUTE_MS)
    out.push({
      rule: 'mold late',
      weight: 'fix',
      lead: 'Past its zero.',
      why: say`It was to be closed ${formatMoment(times.zero)}. Not done yet: ${listed(times.ahead.map(({ name }) => name))}. Set a later zero, or tick off what was done.`,
    });
  else if (!running && times.start < now - MINUTE_MS)
    out.push({
      rule: 'mold late',
      weight: 'fix',
      lead: 'Should have begun.',
      why: say`“${times.ahead[0]!.name}” was to begin ${formatMoment(times.start)}. Set a later zero.`,
    });
  return [...out, ...judgeUntimed(times.untimed)];
}

/** Waxes an hour: as typed at the mold, else by the usual minutes of its route (shop default). */
export const waxesPerHour = ({ kind, wax }: Mold): number =>
  wax.perHour ?? 60 / usualRoutes({ partCm3: 0, resinPerCm3: 0 })[routeOfKind(kind)].piece.handsMin;

/** A sitting at the injector is no longer than this: waxes may be made on several days. h */
const SITTING_H = 2;

/** Waxes to inject for so many good ones still wanted, by what the mold gave so far; as many as are wanted where it gave none. */
export function waxesToInject(mold: Mold, stillWanted: number): number {
  const { waxes, good } = waxesOf(mold);
  return (waxes > 0 ? shotsFor(stillWanted, good / waxes) : undefined) ?? stillWanted;
}

/** … as sittings that are counted back. */
export function waxWork(mold: Mold, stillWanted: number): StageWork[] {
  const hours = waxesToInject(mold, stillWanted) / waxesPerHour(mold);
  if (hours === 0) return [];
  const sittings = Math.ceil(hours / SITTING_H - 1e-9);
  return Array.from({ length: sittings }, () => handsOn('wax', 'waxes', 'mold', (hours / sittings) * 60));
}

/** "18 waxes": what a sitting is for. */
export const waxesWords = (mold: Mold, stillWanted: number): Phrase =>
  say`${String(waxesToInject(mold, stillWanted))} from ${mold.name}, for ${String(stillWanted)} good ones`;
