import {
  countBack,
  earliestZero,
  HOUR_MS,
  LONGEST_STEP_H,
  MINUTE_MS,
  type BenchConflict,
  type CivilZero,
  type StageKey,
} from '@zero-pour/core';
import { benchClock, pouredAt } from '@zero-pour/contracts';
import type { BurnoutPlan } from '../burnout/burnoutPlan';
import type { PourContext } from '../context';
import { moldDone } from '../mold/moldWork';
import type { Moment } from '../moment';
import { impossible, known, lacking, missing, valueOf, type Planned } from '../planned';
import type { PrintPlan } from '../print/printPlan';
import type { PourClock, Sight } from '../stage';
import { STAGE_RULES } from '../stages';
import type { Block } from './block';
import { durations, nameOfWork, plannedBlock, workAhead, type Durations } from './work';

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

/** What has happened, as far as its times were kept. */
function recordedBlocks({ doc, mold }: PourContext, hours: Durations): Block[] {
  const out: Block[] = mold ? moldDone(mold.mold, mold) : [];
  const add = (
    work: StageKey,
    from: number | undefined,
    to: number | undefined,
    state: Block['state'] = 'done',
  ) => {
    if (from !== undefined && to !== undefined && to >= from) out.push({ work, from, to, state });
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
  const steps = workAhead(context, hours);
  const back = countBack(zero, steps, kilnH, hands, benchClock(settings));
  const placed = back.steps.filter((s) => s.key !== 'set');
  const planned = placed.map((s) => plannedBlock(s, context));
  // Of several sittings the first.
  const begins = Object.fromEntries([...placed].reverse().map(({ key, from }) => [key, from]));
  const outside: BenchConflict[] = back.steps
    .filter((s) => s.outside)
    .map((s) => ({ what: `No bench hours long enough for ${nameOfWork(s.key, context)}`, at: s.from }));
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
  const steps = workAhead(context, durations(context, print));
  const moments = burnout.curve.segments.flatMap((s) => s.hands);
  return earliestZero(now, steps, burnout.curve.totalH, moments, benchClock(context.settings));
}
