import type { PlannedWeek, Settings } from '@zero-pour/contracts';
import {
  HOUR_MS,
  MINUTE_MS,
  withWishes,
  wishesOf,
  type PlacedJob,
  type PlacedTask,
  type Segment,
  type WeekAnswer,
  type WeekGoal,
  type WeekProblem,
  type Wish,
  type WishKind,
} from '@zero-pour/core';
import type { BoardRow } from '../board';
import type { Shop } from '../context';
import type { MoldRow } from '../mold/moldsOnBoard';
import { KILN_IN } from './kilnNames';
import { longerHolds } from './kilnTasks';
import { civilSpans, weekPeople } from './people';
import { moldSubject, pourSubject, type KilnWay, type LeftOut, type WeekSubject } from './weekJobs';

const DAY_MS = 24 * HOUR_MS;
/** The shop's weeks, from now. */
const WEEKS_MS = 14 * DAY_MS;
/** A pour that is wanted later has so long after it; nothing is planned beyond four weeks. */
const BEYOND_MS = 2 * DAY_MS;
const MOST_MS = 28 * DAY_MS;
/** More than this do not go into two weeks. */
const MANY = 15;
/** So many pours are planned to five minutes, more to quarter hours. */
const FINE_MOST = 4;
const FINE_MIN = 5;
const COARSE_MIN = 15;
/** More than this are not planned at once: those that are wanted soonest are. */
export const MOST_JOBS = 60;

/** The shop's weeks as they are given to the solver, with what its answer is read by. */
export interface WeekPlanning {
  problem: WeekProblem;
  subjects: WeekSubject[];
  leftOut: LeftOut[];
}

const isSubject = (one: WeekSubject | LeftOut): one is WeekSubject => 'job' in one;

/** Everything on the board that is not poured yet, for the solver. */
export function planWeeks(
  rows: readonly BoardRow[],
  molds: readonly MoldRow[],
  shop: Shop,
  goal: WeekGoal,
  now: number,
): WeekPlanning {
  const { settings } = shop;
  const count = rows.filter(({ times }) => !times?.poured).length + molds.length;
  const slotMin = count <= FINE_MOST ? FINE_MIN : COARSE_MIN;
  const from = Math.ceil(now / (slotMin * MINUTE_MS)) * slotMin * MINUTE_MS;
  const all = [
    ...rows.map((row) => pourSubject(row, shop, from)),
    ...molds.map((row) => moldSubject(row, settings, from)),
  ].flatMap((one) => one ?? []);
  const able = all.filter(isSubject).sort((a, b) => (a.job.wanted ?? Infinity) - (b.job.wanted ?? Infinity));
  const subjects = able.slice(0, MOST_JOBS);
  const wanted = Math.max(from, ...subjects.map(({ job }) => job.wanted ?? 0));
  const weeks = subjects.length > MANY ? MOST_MS : WEEKS_MS;
  const to = Math.min(from + MOST_MS, Math.max(from + weeks, wanted + BEYOND_MS));
  const later = able.slice(MOST_JOBS).map(({ of, row, mold }) => ({
    of,
    why: `more than ${MOST_JOBS} are not planned at once; the soonest are`,
    href: row ? `/pours/${row.pour.id}` : `/molds/${mold!.mold.id}`,
  }));
  return {
    problem: {
      from,
      to,
      slotMin,
      goal,
      jobs: subjects.map(({ job }) => job),
      people: weekPeople(settings, from, to),
      civil: civilSpans(settings, from, to),
    },
    subjects,
    leftOut: [...all.filter((one): one is LeftOut => !isSubject(one)), ...later],
  };
}

/** What a plan may not touch: hours and freshness always, a pour's time where it is pinned, a mold's always. */
export const keptWishes = ({ subjects }: WeekPlanning): Wish[] =>
  subjects.flatMap(({ job, row }) => {
    const pinned = row === undefined || row.plan.context.doc.brief.zeroPinned === true;
    const keeps: Record<WishKind, boolean> = {
      zero: pinned,
      kiln: pinned,
      holds: false,
      hours: true,
      fresh: true,
    };
    return wishesOf(job).filter(({ kind }) => keeps[kind]);
  });

/** Everything as it stands now. */
export const allWishes = ({ subjects }: WeekPlanning): Wish[] => subjects.flatMap(({ job }) => wishesOf(job));

export const proposalProblem = (planning: WeekPlanning): WeekProblem =>
  withWishes(planning.problem, keptWishes(planning));

/** A step of a proposal, as the board and the week's list show it. */
export interface WeekStep extends PlacedTask {
  name: string;
  hands: boolean;
}

/** A pour or a mold as a plan has it. */
export interface Proposed {
  subject: WeekSubject;
  steps: WeekStep[];
  zero: number;
  /** Against now; undefined: it has no time now. */
  movedMs: number | undefined;
  kiln: KilnWay | undefined;
  kilnChanged: boolean;
  kilnIn: number | undefined;
  longer: { segment: string; moreH: number }[];
  /** Others in its kiln. */
  together: string[];
}

function proposedOf(
  subject: WeekSubject,
  placed: PlacedJob,
  names: ReadonlyMap<string, string>,
  slotMin: number,
): Proposed {
  const { row, mold, job } = subject;
  const way = job.ways[placed.way]!;
  const kiln = subject.kilns[placed.way];
  const last = placed.tasks[way.zero]!;
  const zero = mold ? last.to : last.from;
  const now = row ? row.times?.zero : mold!.times.zero;
  const events = kiln?.events ?? [];
  const begins = events.map(({ work }) => placed.tasks.find(({ key }) => key === work.key)?.from);
  const more =
    kiln && begins.every((at) => at !== undefined)
      ? longerHolds(events, begins as number[], kiln.burnout)
      : [];
  const own = row?.plan.context.kiln?.id;
  return {
    subject,
    steps: placed.tasks.map((task) => {
      const work = subject.works.get(task.key);
      return { ...task, name: work?.name ?? task.key, hands: (work?.handsMin ?? 0) > 0 };
    }),
    zero,
    movedMs: now === undefined ? undefined : zero - now,
    kiln,
    kilnChanged: kiln !== undefined && kiln.kiln.id !== own,
    kilnIn: placed.tasks.find(({ key }) => key === KILN_IN)?.from,
    // Less than a slot is the grid's, not the hold's.
    longer: more.flatMap((moreH, s) =>
      moreH * 60 >= slotMin ? [{ segment: kiln!.burnout.segments[s]!.name, moreH }] : [],
    ),
    together: placed.together.filter((key) => key !== placed.key).map((key) => names.get(key) ?? key),
  };
}

/** A solver's answer in the shop's own things, in the order of the zeros. */
export function readAnswer(
  { subjects, problem }: WeekPlanning,
  answer: WeekAnswer & { status: 'planned' },
): Proposed[] {
  const names = new Map(subjects.map(({ job, of }) => [job.key, of]));
  return answer.jobs
    .map((placed) =>
      proposedOf(
        subjects.find(({ job }) => job.key === placed.key)!,
        placed,
        names,
        problem.slotMin,
      ),
    )
    .sort((a, b) => a.zero - b.zero);
}

/** What taking a plan writes into a pour's document. */
export interface PourTaking {
  pourId: string;
  zeroAt: string;
  /** Absent: a casting house has it. */
  kilnId?: string;
  /** Absent: as they are. */
  segments?: Segment[];
  plannedWeek: PlannedWeek;
}

const iso = (at: number): string => new Date(at).toISOString();

/** What of a proposal is written down; nothing of a mold, which keeps its own time, nor of a pour that is in the kiln. */
export function takingOf(
  { subject, steps, kiln, zero, longer }: Proposed,
  settings: Settings,
): PourTaking | undefined {
  const { row } = subject;
  if (!row || row.times?.kilnStarted) return undefined;
  const people = new Set((settings.people ?? []).map(({ key }) => key));
  const zeroAt = iso(zero);
  const more = new Map(longer.map(({ segment, moreH }) => [segment, moreH]));
  return {
    pourId: row.pour.id,
    zeroAt,
    ...(kiln ? { kilnId: kiln.kiln.id } : {}),
    ...(kiln && longer.length > 0
      ? {
          segments: kiln.burnout.segments.map((one) => ({
            ...one,
            holdH: one.holdH + (more.get(one.name) ?? 0),
          })),
        }
      : {}),
    plannedWeek: {
      zeroAt,
      steps: Object.fromEntries(
        steps.map(({ key, from, who }) => [
          key,
          { at: iso(from), ...(who !== undefined && people.has(who) ? { who } : {}) },
        ]),
      ),
    },
  };
}
