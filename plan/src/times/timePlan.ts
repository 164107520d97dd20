import {
  countBack,
  earliestZero,
  HOUR_MS,
  INVEST_H,
  LONGEST_STEP_H,
  MINUTE_MS,
  protocolHours,
  SET_H,
  SPRUE_H,
  type BenchConflict,
  type CivilZero,
  type StageKey,
  type WorkStep,
} from '@zero-pour/core';
import { anyPoured, benchClock, pouredAt } from '@zero-pour/contracts';
import type { BurnoutPlan } from '../burnout/burnoutPlan';
import { protocolOf } from '../clean/cleaning';
import type { PourContext } from '../context';
import type { Moment } from '../moment';
import { impossible, known, lacking, missing, valueOf, type Planned } from '../planned';
import type { PrintPlan } from '../print/printPlan';
import type { PourClock, Sight } from '../stage';
import { STAGE_RULES, stageStates } from '../stages';

/** A stretch of work on the board. */
export interface Block {
  stage: StageKey;
  from: number;
  to: number;
  state: 'done' | 'running' | 'planned';
}

export interface TimePlan {
  zero: number;
  /** As the brief wants it; undefined when only the kiln's start is known. */
  wanted: number | undefined;
  kilnIn: number;
  kilnEnds: number;
  kilnStarted: boolean;
  poured: boolean;
  blocks: Block[];
  moments: Moment[];
  conflicts: BenchConflict[];
  /** Pour times at which hands are there, where some would not be. */
  civilZero: CivilZero;
  /** When the first step that is left must begin. */
  start: number;
}

const ms = (moment: string | undefined): number | undefined =>
  moment === undefined ? undefined : Date.parse(moment);

type MakingKey = 'print' | 'clean' | 'sprue' | 'invest';
const MAKING: readonly MakingKey[] = ['print', 'clean', 'sprue', 'invest'];

interface Durations {
  print: number | undefined;
  clean: number | undefined;
  sprue: number;
  invest: number;
  set: number;
}

function durations(context: PourContext, print: PrintPlan | undefined): Durations {
  const { powder } = context;
  const protocol = protocolOf(context);
  return {
    print: print?.hours.value,
    clean: protocol.length > 0 ? protocolHours(protocol) : undefined,
    sprue: SPRUE_H,
    invest: INVEST_H,
    set: powder?.setH ?? SET_H,
  };
}

/** Making stages that are still ahead: those after the last one done, unless left unknown. */
function pendingStages(context: PourContext): MakingKey[] {
  if (context.doc.burnout.startedAt !== undefined || anyPoured(context.doc)) return [];
  const states = stageStates(context);
  const lastDone = MAKING.reduce((last, key, i) => (states[key] === 'done' ? i : last), -1);
  return MAKING.filter((key, i) => i > lastDone && states[key] !== 'left');
}

function workSteps(context: PourContext, pending: readonly MakingKey[], hours: Durations): WorkStep[] {
  const running = context.doc.print.startedAt !== undefined;
  const steps: WorkStep[] = pending.flatMap((key): WorkStep[] => {
    const length = hours[key];
    if (length === undefined || (key === 'print' && running)) return [];
    return [{ key, hours: length, attendance: key === 'print' ? 'start' : 'whole' }];
  });
  if (
    context.doc.burnout.startedAt === undefined &&
    !anyPoured(context.doc) &&
    !context.doc.left.includes('invest')
  ) {
    steps.push({ key: 'set', hours: hours.set, attendance: 'none' });
  }
  return steps;
}

/** What has happened, as far as its times were kept. */
function recordedBlocks({ doc }: PourContext, hours: Durations): Block[] {
  const out: Block[] = [];
  const add = (
    stage: StageKey,
    from: number | undefined,
    to: number | undefined,
    state: Block['state'] = 'done',
  ) => {
    if (from !== undefined && to !== undefined && to >= from) out.push({ stage, from, to, state });
  };
  const [printFrom, printTo] = [ms(doc.print.startedAt), ms(doc.print.finishedAt)];
  const printMs = (hours.print ?? 0) * HOUR_MS;
  if (printTo === undefined)
    add('print', printFrom, printFrom === undefined ? undefined : printFrom + printMs, 'running');
  else add('print', printFrom ?? printTo - printMs, printTo);
  const times = Object.values(doc.clean.steps)
    .flatMap((s) => [ms(s.startedAt), ms(s.doneAt)])
    .filter((t) => t !== undefined);
  if (times.length > 0) add('clean', Math.min(...times), Math.max(...times));
  for (const { sprue } of doc.flasks) {
    const sprued = ms(sprue.doneAt);
    if (sprued !== undefined) add('sprue', sprued - hours.sprue * HOUR_MS, sprued);
  }
  const powderIn = ms(doc.invest.powderInAt);
  if (powderIn !== undefined)
    add(
      'invest',
      powderIn,
      ms(doc.invest.doneAt) ?? powderIn + hours.invest * HOUR_MS,
      doc.invest.doneAt ? 'done' : 'running',
    );
  return out;
}

function longerThanReckoned(hours: Durations & { burnout: number }): Planned<never> | undefined {
  const [stage, h] =
    Object.entries(hours).find(([, of]) => of !== undefined && !(of <= LONGEST_STEP_H)) ?? [];
  if (stage === undefined) return undefined;
  const at = stage === 'set' ? 'invest' : (stage as StageKey);
  return impossible(
    `It takes ${Math.round(h)} h; nothing over ${LONGEST_STEP_H} h is counted back. Look at its times and speeds.`,
    at,
  );
}

/** What all stages ask of hands, in the order of time. */
export const momentsOf = (sight: Sight, clock: PourClock | undefined): Moment[] =>
  STAGE_RULES.flatMap((stage) => stage.moments(sight, clock)).sort((a, b) => a.at - b.at);

/** Everything on the clock: what was done, what is planned back from zero, and what needs hands (handbook 07). */
export function planTimes(sight: Sight): Planned<TimePlan> {
  const { context, of } = sight;
  const { doc, settings } = context;
  const burnout = valueOf(of('burnout'));
  const wanted = ms(doc.brief.zeroAt);
  const started = ms(doc.burnout.startedAt);
  const poured = ms(pouredAt(doc));
  const zeroKnown = poured ?? wanted ?? started;
  if (!burnout || zeroKnown === undefined) {
    return missing(
      lacking(
        [zeroKnown, 'the wanted pour time', 'brief'],
        [burnout, 'programme, kiln and metal', 'burnout'],
      ),
    );
  }
  const burnoutH = burnout.curve.totalH;
  const hours = durations(context, valueOf(of('print')));
  const tooLong = longerThanReckoned({ ...hours, burnout: burnoutH });
  if (tooLong) return tooLong;
  const ready = started === undefined ? undefined : started + burnoutH * HOUR_MS;
  const zero = poured ?? Math.max(wanted ?? 0, ready ?? 0);
  const kilnIn = started ?? zero - burnoutH * HOUR_MS;
  const hands = burnout.curve.segments.flatMap((s) => s.hands);
  // Once the flask is in, its hours are what they are: the hands-on moments count from the real start.
  const kilnH = (zero - kilnIn) / HOUR_MS;
  const steps = workSteps(context, pendingStages(context), hours);
  const back = countBack(zero, steps, kilnH, hands, benchClock(settings));
  const planned: Block[] = back.steps
    .filter((s) => s.key !== 'set')
    .map((s) => ({ stage: s.key as StageKey, from: s.from, to: s.to, state: 'planned' }));
  const begins = Object.fromEntries(planned.map(({ stage, from }) => [stage, from]));
  const outside: BenchConflict[] = back.steps
    .filter((s) => s.outside)
    .map((s) => ({ what: `No bench hours long enough for ${s.key}`, at: s.from }));
  return known({
    zero,
    wanted,
    kilnIn,
    kilnEnds: ready ?? zero,
    kilnStarted: started !== undefined,
    poured: poured !== undefined,
    blocks: [...recordedBlocks(context, hours), ...planned],
    moments: momentsOf(sight, { zero, kilnIn, kilnH, burnout, begins }),
    conflicts:
      poured !== undefined
        ? []
        : [...back.conflicts.filter((c) => started === undefined || c.at > started + MINUTE_MS), ...outside],
    civilZero: back.civilZero,
    start: Math.min(back.start, kilnIn),
  });
}

/** The earliest pour from now on that keeps bench hours, for a pour that is late or has no time yet. */
export function planEarliest(
  context: PourContext,
  burnout: BurnoutPlan,
  print: PrintPlan | undefined,
  now: number,
): number | null {
  const steps = workSteps(context, pendingStages(context), durations(context, print));
  const moments = burnout.curve.segments.flatMap((s) => s.hands);
  return earliestZero(now, steps, burnout.curve.totalH, moments, benchClock(context.settings));
}
