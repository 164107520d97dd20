import { HOUR_MS, temperatureAt, type Judgement, say, type StageKey, quantity } from '@zero-pour/core';
import type { Pour } from '@zero-pour/contracts';
import type { Shop } from './context';
import { judgeFreshness } from './clean/freshClocks';
import { valueOf } from './planned';
import { planPour, type PourPlan } from './planPour';
import { judgeTimes, type FormatMoment } from './times/judgeTimes';
import { pourTitle } from './pourTitle';
import type { Moment } from './moment';
import type { TimePlan } from './times/timePlan';

/** One pour on the board. */
export interface BoardRow {
  pour: Pour;
  plan: PourPlan;
  title: string;
  /** Undefined until a pour time, a programme and a kiln are chosen. */
  times: TimePlan | undefined;
}

export interface HandsOnEntry extends Moment {
  row: BoardRow;
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

/** What hands must do next, soonest first; what is overdue stays on top until it is done. */
export function nextHandsOn(rows: readonly BoardRow[]): HandsOnEntry[] {
  return rows
    .flatMap((row) => (row.times?.moments ?? []).filter((m) => !m.done).map((moment) => ({ ...moment, row })))
    .sort((a, b) => a.at - b.at);
}

export interface KilnState {
  name: string;
  /** By the plan; no thermometer is read here. */
  plannedC: number;
  doing: 'climbing' | 'holding' | 'cooling';
}

/** What the kilns that are running should be doing now, by their programmes. */
export function kilnStates(rows: readonly BoardRow[], now: number): KilnState[] {
  return rows.flatMap(({ plan, times }) => {
    const burnout = valueOf(plan.burnout);
    if (!times?.kilnStarted || times.poured || !burnout || now < times.kilnIn) return [];
    const h = (now - times.kilnIn) / HOUR_MS;
    const plannedC = temperatureAt(burnout.curve, h);
    const soon = temperatureAt(burnout.curve, h + 0.1);
    const doing = Math.abs(soon - plannedC) < 1 ? 'holding' : soon > plannedC ? 'climbing' : 'cooling';
    return [{ name: plan.context.kiln?.name ?? 'Kiln', plannedC, doing }];
  });
}

/** A conflict between pours, or of one pour with the clock, with a pour time that would mend it. */
export interface BoardConflict {
  row: BoardRow;
  judgement: Judgement;
  civilZero: number | null;
}

/** Two pours in one kiln at once. */
function kilnClashes(rows: readonly BoardRow[]): BoardConflict[] {
  const out: BoardConflict[] = [];
  const running = rows.filter((row) => row.times && !row.times.poured && row.plan.context.kiln);
  running.forEach((later, i) => {
    const clash = running.slice(0, i).find((earlier) => {
      const sameKiln = earlier.plan.context.kiln?.id === later.plan.context.kiln?.id;
      return (
        sameKiln && earlier.times!.zero > later.times!.kilnIn && later.times!.zero > earlier.times!.kilnIn
      );
    });
    if (!clash) return;
    const hours = (clash.times!.zero - later.times!.kilnIn) / HOUR_MS;
    const name = later.plan.context.kiln?.name ?? 'The kiln';
    out.push({
      row: later,
      civilZero: null,
      judgement: {
        rule: 'kiln clash',
        weight: 'fix',
        lead: `${name} is taken.`,
        why: say`Pour ${clash.pour.number} needs it ${quantity(hours, 'h')} longer. Pour later, use another kiln, or share one programme and one casting temperature.`,
      },
    });
  });
  return out;
}

/** When a stage is to begin by the plan. */
export const startOf = (row: Pick<BoardRow, 'times'>, stage: StageKey): number | undefined =>
  row.times?.blocks.find((block) => block.stage === stage && block.state === 'planned')?.from;

/** What does not fit on the board: kilns asked for twice, what the clock says against each pour, and what goes off. */
export function boardConflicts(
  rows: readonly BoardRow[],
  now: number,
  formatMoment: FormatMoment,
): BoardConflict[] {
  const clock = rows.flatMap((row): BoardConflict[] => {
    const judgement = row.times && judgeTimes(row.times, now, formatMoment)[0];
    if (!row.times || !judgement) return [];
    const civilZero = row.times.kilnStarted ? null : row.times.civilZero;
    return [
      { row, civilZero, judgement: { ...judgement, lead: `Pour ${row.pour.number}. ${judgement.lead}` } },
    ];
  });
  const fresh = rows.flatMap((row): BoardConflict[] =>
    judgeFreshness(row.plan.context, now, (stage) => startOf(row, stage)).map((judgement) => ({
      row,
      civilZero: null,
      judgement: { ...judgement, lead: `Pour ${row.pour.number}. ${judgement.lead}` },
    })),
  );
  return [...kilnClashes(rows), ...clock, ...fresh];
}
