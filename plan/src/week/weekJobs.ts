import type { House, Kiln, Settings } from '@zero-pour/contracts';
import {
  DAMP_AFTER_H,
  FOREVER_MIN,
  HOUR_MS,
  MINUTE_MS,
  type WeekGap,
  type WeekJob,
  type WeekTask,
  type WeekWay,
} from '@zero-pour/core';
import type { BoardRow } from '../board';
import type { BurnoutPlan } from '../burnout/burnoutPlan';
import { AWAY, awayH, houseWork } from '../burnout/house';
import { houseOf } from '../burnout/houseOf';
import type { Shop } from '../context';
import { moldWork, untimed } from '../mold/moldWork';
import type { MoldRow } from '../mold/moldsOnBoard';
import { planPour } from '../planPour';
import { valueOf } from '../planned';
import { hoursOf, workAfter, workAhead } from '../times/work';
import { stepNames, type StageWork } from '../times/stageWork';
import { IN_KILN, ZERO } from './kilnNames';
import { kilnEvents, kilnGap, type KilnEvent } from './kilnTasks';
import { canDo } from './people';

/** One kiln that a pour could burn out in, and what happens at it. */
export interface KilnWay {
  kiln: Kiln;
  burnout: BurnoutPlan;
  events: KilnEvent[];
}

/** A pour or a mold that is planned, with what its tasks are called. */
export interface WeekSubject {
  job: WeekJob;
  of: string;
  row?: BoardRow;
  mold?: MoldRow;
  /** Of each of the job's ways; none of a mold. */
  kilns: KilnWay[];
  /** By the task's key. */
  works: ReadonlyMap<string, StageWork>;
}

/** Something on the board that is not planned, and why. */
export interface LeftOut {
  of: string;
  why: string;
  href: string;
}

const taskOf = (work: StageWork, key: string, settings: Settings, from: number): WeekTask => ({
  key,
  minutes: work.hours * 60,
  handsMin: work.handsMin,
  who: canDo(settings, work.skill),
  ...(work.breakable ? { breakable: true } : {}),
  ...(work.machines ? { machines: work.machines } : {}),
  // What has gone off already is told where it is judged; no plan mends it.
  ...(work.notAfter !== undefined && work.notAfter > from ? { notAfter: work.notAfter } : {}),
});

/** Places of a kiln that a pour's flasks take, 0 to 1; undefined: nobody has said how many fit. */
export function shareOf(
  { flasksMost, floorWideMm, floorDeepMm }: Kiln,
  { plan }: BoardRow,
): number | undefined {
  const { flasks } = plan.context;
  const shares: number[] = [];
  if (flasksMost) shares.push(flasks.length / flasksMost);
  if (floorWideMm && floorDeepMm && flasks.every(({ flask }) => flask)) {
    const floorMm2 = flasks.reduce((sum, { flask }) => sum + (flask!.innerDiameterMm + BESIDE_MM) ** 2, 0);
    shares.push(floorMm2 / (floorWideMm * floorDeepMm));
  }
  return shares.length > 0 ? Math.max(...shares) : undefined;
}
/** Room a flask wants beside its inside: its wall, and air round it. mm */
const BESIDE_MM = 30;

/** Whether its kiln runs already. */
const hasBegun = ({ times }: BoardRow): boolean => times?.kilnStarted ?? false;

/** What may wait as long as it likes after the pour. */
const isLoose = ({ waits }: StageWork): boolean => waits.mostMin >= FOREVER_MIN;

/** Kilns that a pour could burn out in: its own first, others whose own pace and heat serve; once it runs, that one alone. */
function kilnWays(row: BoardRow, shop: Shop): KilnWay[] {
  const { plan, pour, times } = row;
  const { doc, kiln: own, settings } = plan.context;
  const kilns = hasBegun(row) ? (own ? [own] : []) : [...shop.lists.kiln].sort((a, b) => Number(b.id === own?.id) - Number(a.id === own?.id)); // prettier-ignore
  return kilns.flatMap((kiln): KilnWay[] => {
    const there = kiln.id === own?.id ? plan : planPour({ ...pour, doc: { ...doc, burnout: { ...doc.burnout, kilnId: kiln.id } } }, shop); // prettier-ignore
    const burnout = valueOf(there.burnout);
    if (!burnout) return [];
    // A kiln that was not chosen must have nothing against it.
    if (kiln.id !== own?.id && burnout.judgements.some(({ weight }) => weight === 'stop' || weight === 'fix'))
      return [];
    const kilnH = hasBegun(row) ? (times!.zero - times!.kilnIn) / HOUR_MS : burnout.curve.totalH;
    const events = kilnEvents(burnout, kilnH, settings, doc.flasks.length, doc.burnout.anyHour);
    return [{ kiln, burnout, events }];
  });
}

/** A chain of tasks as it grows. */
interface Chain {
  tasks: WeekTask[];
  gaps: WeekGap[];
}
function add(chain: Chain, task: WeekTask, gap: WeekGap): number {
  if (chain.tasks.length > 0) chain.gaps.push(gap);
  return chain.tasks.push(task) - 1;
}

/** What runs already: a print until it is off. */
function running(row: BoardRow, from: number): WeekTask | undefined {
  const { doc, printer } = row.plan.context;
  const { startedAt, finishedAt } = doc.print;
  const hours = hoursOf('print', 'print', row.plan);
  if (!startedAt || finishedAt || hours === undefined || doc.burnout.startedAt) return undefined;
  const leftMin = (Date.parse(startedAt) - from) / MINUTE_MS + hours * 60;
  return { key: 'print', minutes: Math.max(1, leftMin), handsMin: 0, who: [], at: from, ...(printer ? { machines: [printer.id] } : {}) }; // prettier-ignore
}

/** A kiln that runs: until the next hand it is left alone, and its hands fall when they fall. */
function startedTasks(chain: Chain, row: BoardRow, { events }: KilnWay, from: number): number {
  const { settings } = row.plan.context;
  const at = ({ atH }: KilnEvent): number => row.times!.kilnIn + atH * HOUR_MS;
  const ahead = events.slice(1).filter((event) => at(event) > from || event.work.key === ZERO);
  const moments = ahead.map((event) => Math.max(from + MINUTE_MS, at(event)));
  add(
    chain,
    { key: IN_KILN, minutes: (moments[0]! - from) / MINUTE_MS, handsMin: 0, who: [], at: from },
    GAP_NONE,
  );
  ahead.forEach(({ work }, n) => {
    const leastMin = n === 0 ? 0 : (moments[n]! - moments[n - 1]!) / MINUTE_MS - chain.tasks.at(-1)!.minutes;
    const gap = { leastMin: Math.max(0, leastMin), mostMin: Math.max(0, leastMin) };
    add(chain, { ...taskOf(work, work.key, settings, from), at: moments[n]! }, gap);
  });
  return chain.tasks.length - 1;
}
const GAP_NONE: WeekGap = { leastMin: 0, mostMin: 0 };
/** A flask that has set waits no longer than this before it goes in damp or goes off. min */
const STANDS_MIN = DAMP_AFTER_H * 60;

function wayOf(row: BoardRow, kilnWay: KilnWay, ahead: readonly StageWork[], from: number): WeekWay {
  const { settings, doc } = row.plan.context;
  const { kiln, burnout, events } = kilnWay;
  const chain: Chain = { tasks: [], gaps: [] };
  const runs = running(row, from);
  if (runs) add(chain, runs, GAP_NONE);
  const names = stepNames(ahead);
  ahead.forEach((work, n) => add(chain, taskOf(work, names[n]!, settings, from), work.waits));
  const waxes = row.plan.context.mold?.mold.zeroAt;
  const wax = chain.tasks.find(({ key }) => key === 'wax');
  if (wax && waxes !== undefined && Date.parse(waxes) > from) wax.notBefore = Date.parse(waxes);
  const kilnIn = chain.tasks.length;
  const setMin = Math.min(STANDS_MIN / 2, ahead.at(-1)?.key === 'set' ? ahead.at(-1)!.hours * 60 : 0);
  let zero: number;
  if (hasBegun(row)) zero = startedTasks(chain, row, kilnWay, from);
  else {
    events.forEach((event, n) => {
      const gap =
        n === 0
          ? { leastMin: 0, mostMin: STANDS_MIN - setMin, fresh: true }
          : kilnGap(events[n - 1]!, event, burnout);
      add(chain, taskOf(event.work, event.work.key, settings, from), gap);
    });
    zero = chain.tasks.length - 1;
  }
  for (const work of workAfter(row.plan)) if (!isLoose(work)) add(chain, taskOf(work, work.key, settings, from), work.waits); // prettier-ignore
  const share = hasBegun(row) ? undefined : shareOf(kiln, row);
  return {
    ...chain,
    kiln: kiln.id,
    programme: JSON.stringify([burnout.curve.points, doc.burnout.loadedAtC ?? null]),
    castingC: burnout.castingC,
    ...(share === undefined ? {} : { share }),
    kilnIn,
    zero,
  };
}

/** A pour as the solver plans it; or why it cannot be. */
export function pourSubject(row: BoardRow, shop: Shop, from: number): WeekSubject | LeftOut | undefined {
  const { pour, plan, times } = row;
  if (times?.poured) return undefined;
  const of = `Pour ${pour.number}`;
  const href = `/pours/${pour.id}`;
  const { doc } = plan.context;
  const house = houseOf(plan.context);
  if (house) return houseSubject(row, house, from);
  const burnout = plan.burnout;
  if (burnout.status !== 'known') {
    const why = burnout.status === 'missing' ? `needs ${burnout.needs.map(({ what }) => what).join(', ')}` : burnout.status === 'impossible' || burnout.status === 'failed' ? burnout.reason : burnout.what; // prettier-ignore
    return { of, why, href };
  }
  if (doc.burnout.startedAt !== undefined && !times) return { of, why: 'its times are not known', href };
  const kilns = kilnWays(row, shop);
  if (kilns.length === 0) return { of, why: 'has no kiln', href };
  const ahead = workAhead(plan);
  const wantedAt = doc.brief.zeroAt === undefined ? undefined : Date.parse(doc.brief.zeroAt);
  const works = new Map<string, StageWork>();
  const after = workAfter(plan);
  stepNames(ahead).forEach((name, n) => works.set(name, ahead[n]!));
  for (const { events } of kilns) for (const { work } of events) works.set(work.key, work);
  for (const work of after) works.set(work.key, work);
  return {
    of,
    row,
    kilns,
    works,
    job: {
      key: pour.id,
      ways: kilns.map((kiln) => wayOf(row, kiln, ahead, from)),
      after: after.filter(isLoose).map((work) => ({ task: taskOf(work, work.key, plan.context.settings, from), leastMin: work.waits.leastMin })), // prettier-ignore
      ...(wantedAt !== undefined ? { wanted: wantedAt } : {}),
      ...(plan.context.kiln ? { kiln: plan.context.kiln.id } : {}),
    },
  };
}

/** A pour that a casting house does the rest of: what is done here, and the days away. */
function houseSubject(row: BoardRow, house: House, from: number): WeekSubject | LeftOut {
  const { pour, plan } = row;
  const { settings, doc } = plan.context;
  const of = `Pour ${pour.number}`;
  const hours = awayH(house);
  const href = `/pours/${pour.id}/burnout`;
  if (hours === undefined) return { of, why: `nobody has said how many days ${house.name} has it`, href };
  const { send, back } = houseWork(house);
  const sent = doc.burnout.startedAt === undefined ? undefined : Date.parse(doc.burnout.startedAt);
  const ahead = sent === undefined ? [...workAhead(plan), send] : [];
  const names = stepNames(ahead);
  const chain: Chain = { tasks: [], gaps: [] };
  const runs = sent === undefined ? running(row, from) : undefined;
  if (runs) add(chain, runs, GAP_NONE);
  ahead.forEach((work, n) => add(chain, taskOf(work, names[n]!, settings, from), work.waits));
  const leftMin = sent === undefined ? hours * 60 : Math.max(1, (sent - from) / MINUTE_MS + hours * 60);
  const away = {
    key: AWAY,
    minutes: leftMin,
    handsMin: 0,
    who: [],
    ...(sent === undefined ? {} : { at: from }),
  };
  add(chain, away, GAP_NONE);
  // It waits for somebody to unpack it.
  const zero = add(chain, taskOf(back, ZERO, settings, from), { leastMin: 0, mostMin: FOREVER_MIN });
  return {
    of,
    row,
    kilns: [],
    works: new Map([...ahead.map((work, n) => [names[n]!, work] as const), [ZERO, back] as const]),
    job: {
      key: pour.id,
      ways: [{ ...chain, zero }],
      ...(doc.brief.zeroAt === undefined ? {} : { wanted: Date.parse(doc.brief.zeroAt) }),
    },
  };
}

/** A mold with a zero of its own: closed by then, its last step. */
export function moldSubject(
  row: MoldRow,
  settings: Settings,
  from: number,
): WeekSubject | LeftOut | undefined {
  const { mold, times } = row;
  const unknown = untimed(times.ahead);
  if (unknown.length > 0)
    return {
      of: mold.name,
      why: `nobody has said how long it takes: ${unknown.join(', ')}`,
      href: `/molds/${mold.id}`,
    };
  const steps = moldWork(times.ahead, settings.planning?.presses);
  if (steps.length === 0) return undefined;
  const tasks = steps.map((work) => taskOf(work, work.key, settings, from));
  return {
    of: mold.name,
    mold: row,
    kilns: [],
    works: new Map(steps.map((work) => [work.key, work])),
    job: {
      key: mold.id,
      wanted: times.zero - tasks.at(-1)!.minutes * MINUTE_MS,
      ways: [{ tasks, gaps: steps.slice(1).map(({ waits }) => waits), zero: tasks.length - 1 }],
    },
  };
}
