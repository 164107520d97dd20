import type { StepRecord } from '@zero-pour/contracts';
import { judgeStepTime, type CautionKey, type CleanKind, type CleanStep } from '@zero-pour/core';
import { valueOf, type PourPlan } from '@zero-pour/plan';

/** One step as it is shown, timed and ticked, at the desk and at the bench. */
export interface TimedStep {
  key: string;
  name: string;
  note: string;
  /** Seconds that count down once begun; null: until it is done. */
  seconds: number | null;
  /** "3 to 4 min", "by 4:30 on the clock". */
  bounds: string;
  record: StepRecord | undefined;
  /** What being late risks, when the step is on a running clock. */
  late: string;
  /** What to take care of in this step. */
  caution: CautionKey;
  /** The protocol's step, when its own time is judged. */
  protocol?: CleanStep;
}

/** Which caution each kind of cleaning step calls for. */
const CAUTION_OF: Record<CleanKind, CautionKey> = {
  drip: 'resin',
  wash: 'alcohol',
  rinse: 'resin',
  dry: 'alcohol',
  look: 'resin',
  supports: 'cutting',
  rest: 'alcohol',
  cure: 'uv',
  finish: 'cutting',
};

const minutes = (least: number, most: number): string =>
  most === 0 ? 'until done' : least === most ? `${least} min` : `${least} to ${most} min`;

/** Steps of the resin's protocol. */
export function cleanSteps({ context }: PourPlan): TimedStep[] {
  return (context.resin?.protocol ?? []).map((step) => ({
    key: step.key,
    name: step.name,
    note: step.note,
    seconds: step.maxMinutes === 0 ? null : step.minMinutes * 60,
    bounds: minutes(step.minMinutes, step.maxMinutes),
    record: context.doc.clean.steps[step.key],
    late: '',
    caution: CAUTION_OF[step.kind],
    protocol: step,
  }));
}

const clock = (min: number): string =>
  `${Math.floor(min)}:${String(Math.round((min % 1) * 60)).padStart(2, '0')}`;

/** Investing steps on the clock that starts when powder meets water. */
export function investingSteps(plan: PourPlan): TimedStep[] {
  const mix = valueOf(plan.mix);
  let from = 0;
  return (mix?.steps ?? []).map((step) => {
    const ends = step.endsAtMin ?? from;
    const seconds = Math.round((ends - from) * 60);
    from = ends;
    return {
      key: step.key,
      name: step.name,
      note: step.note,
      seconds,
      bounds: `by ${clock(ends)}`,
      record: plan.context.doc.invest.steps[step.key],
      late: step.late,
      caution: 'powder',
    };
  });
}

/** First step that is neither done nor left out. */
export const nextStep = (steps: readonly TimedStep[]): TimedStep | undefined =>
  steps.find((step) => step.record?.doneAt === undefined && step.record?.skipped !== true);

/** How a done step compares with its bounds: '' while it is open or when it was kept. */
export function timeWords({ record, protocol }: TimedStep): string {
  if (!record?.startedAt || !record.doneAt || !protocol) return '';
  const kept = judgeStepTime(protocol, (Date.parse(record.doneAt) - Date.parse(record.startedAt)) / 60_000);
  if (kept === 'kept') return '';
  return kept === 'short' ? 'shorter than it should be' : 'longer than it should be';
}
