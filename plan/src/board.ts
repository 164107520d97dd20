import { HOUR_MS, temperatureAt, type Judgement, say, type StageKey, quantity } from '@zero-pour/core';
import type { Pour } from '@zero-pour/contracts';
import type { Shop } from './context';
import { lastingEvents } from './burnout/cuts';
import { judgeFreshness } from './clean/freshClocks';
import { judgeMoldInTime, type MoldRow } from './mold/moldsOnBoard';
import { valueOf } from './planned';
import { planPour, type PourPlan } from './planPour';
import { judgeTimes, zeroInstead } from './times/judgeTimes';
import { pourTitle } from './pourTitle';
import { DETAIL_NONE, type FormatMoment, type Moment } from './moment';
import type { WorkKey } from './times/block';
import type { TimePlan } from './times/timePlan';

/** One pour on the board. */
export interface BoardRow {
  pour: Pour;
  plan: PourPlan;
  title: string;
  /** Undefined until a pour time, a programme and a kiln are chosen. */
  times: TimePlan | undefined;
}

/** Something that hands must do: of a pour, or of a mold that has a zero of its own. */
export interface HandsOnEntry extends Omit<Moment, 'stage'> {
  /** "Pour 31", or the mold's name. */
  of: string;
  /** Of a pour: which, and where. */
  row?: BoardRow;
  stage?: StageKey;
  /** Who does it by a plan that was taken; by the key. */
  who?: string;
}

/** Pours that are not finished, by zero; those without a time last. */
export function boardRows(pours: readonly Pour[], shop: Shop): BoardRow[] {
  return pours
    .map((pour) => {
      const plan = planPour(pour, shop);
      return { pour, plan, title: pourTitle(plan.context), times: valueOf(plan.times) };
    })
    .sort(
      (a, b) => (a.times?.zero ?? Infinity) - (b.times?.zero ?? Infinity) || a.pour.number - b.pour.number,
    );
}

const whoOf = ({ pour: { doc } }: BoardRow, { step }: Moment): { who: string } | object => {
  const { plannedWeek, brief } = doc;
  const who = plannedWeek && plannedWeek.zeroAt === brief.zeroAt && step ? plannedWeek.steps[step]?.who : undefined; // prettier-ignore
  return who === undefined ? {} : { who };
};

/** What hands must do next, soonest first; what is overdue stays on top until it is done. */
export function nextHandsOn(rows: readonly BoardRow[], molds: readonly MoldRow[] = []): HandsOnEntry[] {
  const ofPours = rows.flatMap((row) =>
    row.plan.moments
      .filter((m) => !m.done)
      .map((moment) => ({ ...moment, row, of: `Pour ${row.pour.number}`, ...whoOf(row, moment) })),
  );
  // Of a mold only what comes next is asked: its steps wait for each other.
  const ofMolds = molds.flatMap(({ mold, times }): HandsOnEntry[] =>
    times.begins.slice(0, 1).map(({ at, step }) => ({
      at,
      what: say`${step.name}`,
      detail: DETAIL_NONE,
      done: false,
      mold: { id: mold.id, step: step.key },
      of: mold.name,
    })),
  );
  return [...ofPours, ...ofMolds].sort((a, b) => a.at - b.at);
}

/** How far a pour is from being worked at just now, ms: by what hands do of it, and by when it was last changed. */
function awayMs({ plan, pour }: BoardRow, now: number): number {
  const sinceChange = Math.abs(now - Date.parse(pour.changedAt));
  return Math.min(sinceChange, ...plan.moments.map(({ at }) => Math.abs(at - now)));
}
/** The pours in work, the one first that hands are most likely at just now: a guess. */
export const poursAtHand = (rows: readonly BoardRow[], now: number): BoardRow[] =>
  [...rows].sort((a, b) => awayMs(a, now) - awayMs(b, now));

export interface KilnState {
  kilnId: string | undefined;
  name: string;
  /** By the plan; no thermometer is read here. Null: something befell the kiln and lasts, and nobody knows. */
  plannedC: number | null;
  doing: 'climbing' | 'holding' | 'cooling' | 'not driven';
}

/** What the kilns that are running should be doing now, by their programmes. */
export function kilnStates(rows: readonly BoardRow[], now: number): KilnState[] {
  return rows.flatMap(({ plan, times }): KilnState[] => {
    const burnout = valueOf(plan.burnout);
    if (!times?.kilnStarted || times.poured || !burnout || now < times.kilnIn) return [];
    const { id: kilnId, name } = plan.context.kiln ?? { name: 'Kiln' };
    if (lastingEvents(plan.context.doc).length > 0)
      return [{ kilnId, name, plannedC: null, doing: 'not driven' }];
    const h = (now - times.kilnIn) / HOUR_MS;
    const plannedC = temperatureAt(burnout.curve, h);
    const soon = temperatureAt(burnout.curve, h + 0.1);
    const doing = Math.abs(soon - plannedC) < 1 ? 'holding' : soon > plannedC ? 'climbing' : 'cooling';
    return [{ kilnId, name, plannedC, doing }];
  });
}

/** A conflict between pours, or of one pour with the clock, with a pour time that would mend it. */
export interface BoardConflict {
  row: BoardRow;
  judgement: Judgement;
  civilZero: number | null;
}

/** Flasks that are cast this close to each other can share a kiln's last hold, °C (shop default). */
const SHARED_C = 15;

const overlaps = (a: TimePlan, b: TimePlan): boolean => a.zero > b.kilnIn && b.zero > a.kilnIn;

/** One kiln for two pours at once is no clash when one programme brings both to the temperature they are cast at. */
function canShare(a: BoardRow, b: BoardRow): boolean {
  const [first, second] = [a, b].map(({ plan }) => ({
    curve: valueOf(plan.burnout)?.curve,
    flaskC: valueOf(plan.flasks[0]!.temperatures)?.flaskC,
  }));
  const same = JSON.stringify(first!.curve?.points) === JSON.stringify(second!.curve?.points);
  const near = Math.abs((first!.flaskC ?? 0) - (second!.flaskC ?? 0)) <= SHARED_C;
  // The flasks go in together, or the second finds the kiln hot.
  return same && near && Math.abs(a.times!.kilnIn - b.times!.kilnIn) < HOUR_MS / 2;
}

/** What another pour's need of the same kiln says of a pour; undefined where there is none. */
export function judgeKilnTaken(row: BoardRow, others: readonly BoardRow[]): Judgement | undefined {
  const { times, plan } = row;
  const { kiln } = plan.context;
  if (!times || times.poured || !kiln) return undefined;
  const other = others.find(
    (o) => o.times && !o.times.poured && o.plan.context.kiln?.id === kiln.id && overlaps(times, o.times),
  );
  if (!other) return undefined;
  const number = other.pour.number;
  if (canShare(row, other))
    return {
      rule: 'kiln shared',
      weight: 'watch',
      lead: `Shares ${kiln.name}.`,
      why: say`Pour ${number} goes through the same programme at the same time, to within ${quantity(SHARED_C, 'degC')}. Leave the flasks room; whether both fit is yours to see.`,
    };
  const hours = quantity(Math.abs(other.times!.zero - times.kilnIn) / HOUR_MS, 'h');
  return {
    rule: 'kiln clash',
    weight: 'fix',
    lead: `${kiln.name} is taken.`,
    why:
      other.times!.kilnIn <= times.kilnIn
        ? say`Pour ${number} needs it ${hours} longer. Pour later, use another kiln, or share one programme and one casting temperature.`
        : say`Pour ${number} needs it before this one is through. Pour earlier, use another kiln, or share one programme and one casting temperature.`,
  };
}

/** Two pours in one kiln at once: told of the later. */
function kilnClashes(rows: readonly BoardRow[]): BoardConflict[] {
  return rows.flatMap((row, i) => {
    const judgement = judgeKilnTaken(row, rows.slice(0, i));
    return judgement?.weight === 'fix' ? [{ row, civilZero: null, judgement }] : [];
  });
}

/** When the work of a stage, or its waxes, is to begin by the plan. */
export const startOf = (row: Pick<BoardRow, 'times'>, stage: WorkKey): number | undefined =>
  row.times?.blocks.find((block) => block.work === stage && block.state === 'planned')?.from;

/** What does not fit on the board: kilns asked for twice, what the clock says against each pour, and what goes off. */
export function boardConflicts(
  rows: readonly BoardRow[],
  now: number,
  formatMoment: FormatMoment,
): BoardConflict[] {
  const clock = rows.flatMap((row): BoardConflict[] => {
    const judgement = row.times && judgeTimes(row.times, now, formatMoment)[0];
    if (!row.times || !judgement) return [];
    const civilZero = zeroInstead(row.times, now);
    return [
      { row, civilZero, judgement: { ...judgement, lead: `Pour ${row.pour.number}. ${judgement.lead}` } },
    ];
  });
  const others = rows.flatMap((row): BoardConflict[] =>
    [
      ...judgeFreshness(row.plan.context, now, (stage) => startOf(row, stage)),
      ...judgeMoldInTime(row.plan.context, startOf(row, 'wax'), formatMoment),
    ].map((judgement) => ({
      row,
      civilZero: null,
      judgement: { ...judgement, lead: `Pour ${row.pour.number}. ${judgement.lead}` },
    })),
  );
  return [...kilnClashes(rows), ...clock, ...others];
}
