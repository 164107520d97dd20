import {
  benchSpans,
  countBack,
  countOn,
  earliestZero,
  HOUR_MS,
  LONGEST_STEP_H,
  MINUTE_MS,
  STAGES,
  type BenchConflict,
  type KilnMoment,
  type StageKey,
} from '@zero-pour/core';
import { benchClock, pouredAt, workMinutesOf } from '@zero-pour/contracts';
import type { BurnoutPlan } from '../burnout/burnoutPlan';
import { houseOf } from '../burnout/houseOf';
import { meltsAtH } from '../pour/melt';
import { moldDone } from '../mold/moldWork';
import type { Moment } from '../moment';
import { impossible, known, lacking, missing, valueOf, type Planned } from '../planned';
import type { PourClock, Sight } from '../stage';
import { STAGE_RULES } from '../stages';
import type { Block } from './block';
import { planHouseTimes } from './houseTimes';
import type { TimePlan } from './clocked';
import { hoursOf, plannedBlock, workAfter, workAhead } from './work';

export type { TimePlan } from './clocked';

const ms = (moment: string | undefined): number | undefined =>
  moment === undefined ? undefined : Date.parse(moment);

/** What has happened, as far as its times were kept. */
function recordedBlocks(sight: Sight): Block[] {
  const { doc, mold } = sight.context;
  const longMs = (stage: StageKey): number => (hoursOf(stage, stage, sight) ?? 0) * HOUR_MS;
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
  const printMs = longMs('print');
  if (printTo === undefined)
    add('print', printFrom, printFrom === undefined ? undefined : printFrom + printMs, 'running');
  else add('print', printFrom ?? printTo - printMs, printTo);
  const times = Object.values(doc.clean.steps)
    .flatMap((s) => [ms(s.startedAt), ms(s.doneAt)])
    .filter((t) => t !== undefined);
  if (times.length > 0) add('clean', Math.min(...times), Math.max(...times));
  for (const { sprue } of doc.flasks) {
    const sprued = ms(sprue.doneAt);
    if (sprued !== undefined) add('sprue', sprued - longMs('sprue') / doc.flasks.length, sprued);
  }
  const powderIn = ms(doc.invest.powderInAt);
  if (powderIn !== undefined)
    add(
      'invest',
      powderIn,
      ms(doc.invest.doneAt) ?? powderIn + longMs('invest'),
      doc.invest.doneAt ? 'done' : 'running',
    );
  return out;
}

function longerThanReckoned(work: readonly { key: string; hours: number }[]): Planned<never> | undefined {
  const found = work.find(({ hours }) => !(hours <= LONGEST_STEP_H));
  if (!found) return undefined;
  const at = STAGES.some(({ key }) => key === found.key) ? (found.key as StageKey) : 'invest';
  return impossible(
    `It takes ${Math.round(found.hours)} h; nothing over ${LONGEST_STEP_H} h is counted back. Look at its times and speeds.`,
    at,
  );
}

/** What all stages ask of hands, in the order of time. */
export const momentsOf = (sight: Sight, clock: PourClock | undefined): Moment[] =>
  STAGE_RULES.flatMap((stage) => stage.moments(sight, clock)).sort((a, b) => a.at - b.at);

/** Where steps after the pour are looked for. */
const AFTER_MS = 14 * 24 * HOUR_MS;

/** Moments at which hands must be there while the kiln runs: the programme's, but for those that may fall at any hour, and the melt. */
export function handsOfBurnout({ context }: Sight, { curve }: BurnoutPlan, kilnH: number): KilnMoment[] {
  const anyHour = new Set(context.doc.burnout.anyHour);
  const hands = curve.segments.flatMap((s) => s.hands).filter(({ name }) => !anyHour.has(name));
  return [...hands, { atH: meltsAtH(context.settings, hands, kilnH), what: 'The melt' }];
}

/** Everything on the clock: what was done, what is planned back from zero, and what needs hands (handbook 07). */
export function planTimes(sight: Sight): Planned<TimePlan> {
  const { context, of } = sight;
  const house = houseOf(context);
  if (house) return planHouseTimes(sight, house, { blocks: recordedBlocks(sight), momentsOf });
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
  const steps = workAhead(sight);
  const tooLong = longerThanReckoned([...steps, { key: 'burnout', hours: burnoutH }]);
  if (tooLong) return tooLong;
  const ready = started === undefined ? undefined : started + burnoutH * HOUR_MS;
  const zero = poured ?? Math.max(wanted ?? 0, ready ?? 0);
  const kilnIn = started ?? zero - burnoutH * HOUR_MS;
  // Once the flask is in, its hours are what they are: the hands-on moments count from the real start.
  const kilnH = (zero - kilnIn) / HOUR_MS;
  const clock = benchClock(settings);
  const back = countBack(zero, steps, kilnH, handsOfBurnout(sight, burnout, kilnH), clock);
  const placed = back.steps.flatMap((one, i) => (one.key === 'set' ? [] : [{ one, work: steps[i]! }]));
  const later = workAfter(sight);
  const done = zero + workMinutesOf(settings, 'pour') * doc.flasks.length * MINUTE_MS;
  const after = countOn(done, later, benchSpans(clock, zero, done + AFTER_MS)).map((one, i) => ({ one, work: later[i]! })); // prettier-ignore
  // Of several sittings the first.
  const begins = Object.fromEntries([...placed, ...after].reverse().map(({ one }) => [one.key, one.from]));
  const outside: BenchConflict[] = back.steps.flatMap(({ outside: out, from }, i) =>
    out ? [{ what: `No bench hours long enough for ${steps[i]!.name}`, at: from }] : [],
  );
  return known({
    zero,
    wanted,
    kilnIn,
    kilnEnds: ready ?? zero,
    kilnStarted: started !== undefined,
    poured: poured !== undefined,
    blocks: [
      ...recordedBlocks(sight),
      ...[...placed, ...after].map(({ one, work }) => plannedBlock(one, work, context)),
    ],
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
export function planEarliest(sight: Sight, burnout: BurnoutPlan, now: number): number | null {
  const { totalH } = burnout.curve;
  const hands = handsOfBurnout(sight, burnout, totalH);
  return earliestZero(now, workAhead(sight), totalH, hands, benchClock(sight.context.settings));
}
