import { MINUTE_MS, say, type Phrase } from '@zero-pour/core';
import type { BoardRow } from '../board';
import type { FormatMoment } from '../moment';
import { valueOf } from '../planned';
import { stepNames } from '../times/stageWork';
import { workAhead } from '../times/work';

/** A plan holds while nothing of it is later than this. min */
const LATE_MIN = 15;

/** Why a plan that was taken for a pour does not hold any more; undefined: it does, or none was taken. */
export function planLapsed(row: BoardRow, now: number, formatMoment: FormatMoment): Phrase | undefined {
  const { pour, plan, times } = row;
  const { plannedWeek, brief, print, burnout } = pour.doc;
  if (!plannedWeek || !times || times.poured || burnout.startedAt !== undefined) return undefined;
  if (plannedWeek.zeroAt !== brief.zeroAt) return say`Its pour was moved after it was planned.`;
  const ahead = workAhead(plan);
  const lateMs = LATE_MIN * MINUTE_MS;
  for (const [n, name] of stepNames(ahead).entries()) {
    const step = plannedWeek.steps[name];
    if (step && Date.parse(step.at) < now - lateMs)
      return say`“${ahead[n]!.name}” was to begin ${formatMoment(Date.parse(step.at))} and has not.`;
  }
  const hours = valueOf(plan.print)?.hours.value;
  const off = print.startedAt && !print.finishedAt && hours !== undefined ? Date.parse(print.startedAt) + hours * 60 * MINUTE_MS : undefined; // prettier-ignore
  const clean = plannedWeek.steps['clean'];
  if (off !== undefined && clean && Math.max(off, now) > Date.parse(clean.at) + lateMs)
    return say`The print is off ${formatMoment(Math.max(off, now))}; it was to be cleaned ${formatMoment(Date.parse(clean.at))}.`;
  return undefined;
}
