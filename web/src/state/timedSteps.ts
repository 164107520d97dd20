import type { Resin, StepRecord } from '@zero-pour/contracts';
import {
  formatPhrase,
  judgeStepTime,
  looksAt,
  METRIC,
  quantity,
  say,
  type CautionKey,
  type CleanKind,
  type CleanStep,
  type Look,
  type Phrase,
  type UnitChoice,
} from '@zero-pour/core';
import { cleaningOf, isOver, protocolOf, valueOf, type PourPlan } from '@zero-pour/plan';

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
  /** When its time is up, ms; undefined until its clock runs. */
  endsAt?: number | undefined;
  /** When it has been too long, where the step says so. */
  lastAt?: number | undefined;
  /** The protocol's step, when its own time is judged. */
  protocol?: CleanStep;
  /** It begins when the step before is over: no hand is needed for that. */
  beginsItself?: boolean;
  /** It is to be turned or moved again so often while it runs. */
  everyMs?: number;
  /** What can be seen, where the step is to look; the first is as it should be. */
  looks?: Look[];
  /** What sent it back here. */
  because?: string;
  /** What the step is about, in large letters, while no time runs. */
  big?: Phrase;
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

export const minutes = (least: number, most: number): string =>
  most === 0 ? 'until done' : least === most ? `${least} min` : `${least} to ${most} min`;

/** When a step's own countdown ends, once it was begun. */
export const ownEnd = (record: StepRecord | undefined, seconds: number | null): number | undefined =>
  record?.startedAt && seconds !== null ? Date.parse(record.startedAt) + seconds * 1000 : undefined;

/** "In alcohol at 35 °C, moved by hand." */
function inMedium({ medium, tempC, motion }: CleanStep, choice: UnitChoice): string {
  const warm = tempC === null ? '' : formatPhrase(say` at ${quantity(tempC, 'degC')}`, choice);
  const words = [medium && `in ${medium}${warm}`, motion].filter((word) => word).join(', ');
  return words && `${words[0]!.toUpperCase()}${words.slice(1)}.`;
}

/** "Turn it every 10 min." */
const everyWords = ({ everyMinutes }: CleanStep): string =>
  everyMinutes ? `Turn or move it every ${everyMinutes} min.` : '';

/** A step that comes again says so; one of several in a row says which. */
function nameOf({ name, times }: CleanStep, round: number, because: string): string {
  if (because) return `${name}, again`;
  return times > 1 ? `${name}, ${round} of ${times}` : name;
}

/** How the resin's record says that a finished print looks. */
function shouldLook(resin: Resin | undefined): string {
  const words = [resin?.skin, resin?.colourCured].filter((word) => word).join(', ');
  return words && `It should be ${words}.`;
}

/** Steps of the pour's protocol, with what looks sent back. */
export function cleanSteps({ context }: PourPlan, choice: UnitChoice = METRIC): TimedStep[] {
  const protocol = protocolOf(context);
  const should = shouldLook(context.resin);
  return cleaningOf(context).map(({ key, step, at, round, record, because }) => {
    const seconds = step.maxMinutes === 0 ? null : step.minMinutes * 60;
    return {
      key,
      name: nameOf(step, round, because),
      note: [because, step.kind === 'look' && should, inMedium(step, choice), everyWords(step), step.note]
        .filter((word) => word)
        .join(' '),
      seconds,
      bounds: minutes(step.minMinutes, step.maxMinutes),
      record,
      late: '',
      caution: CAUTION_OF[step.kind],
      // Hands are wet.
      beginsItself: seconds !== null,
      endsAt: ownEnd(record, seconds),
      lastAt: ownEnd(record, seconds === null ? null : step.maxMinutes * 60),
      protocol: step,
      because,
      ...(step.everyMinutes ? { everyMs: step.everyMinutes * 60_000 } : {}),
      ...(step.kind === 'look' ? { looks: looksAt(protocol, at) } : {}),
    };
  });
}

const clock = (min: number): string =>
  `${Math.floor(min)}:${String(Math.round((min % 1) * 60)).padStart(2, '0')}`;

/** Investing steps on the clock that starts when powder meets water. */
export function investingSteps(plan: PourPlan): TimedStep[] {
  const mix = valueOf(plan.mix);
  const { powderInAt, steps } = plan.context.doc.invest;
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
      record: steps[step.key],
      late: step.late,
      caution: 'powder',
      endsAt: powderInAt ? Date.parse(powderInAt) + ends * 60_000 : undefined,
    };
  });
}

/** The moment in which the powder meets the water: the investing clock's own first step. */
export const POWDER_IN = 'powder in';
export function powderStep(plan: PourPlan): TimedStep[] {
  const mix = valueOf(plan.mix);
  if (!mix) return [];
  const { powderInAt } = plan.context.doc.invest;
  const bowl = mix.bowls[mix.at]!;
  return [
    {
      key: POWDER_IN,
      name: mix.bowls.length > 1 ? `Bowl ${mix.at + 1}: powder into the water` : 'Powder into the water',
      note: `The working clock starts: ${mix.workingMin.toFixed(1)} min from powder in water.`,
      seconds: null,
      bounds: '',
      record: powderInAt ? { doneAt: powderInAt } : undefined,
      late: '',
      caution: 'powder',
      big: say`${quantity(bowl.powder.value, 'g', 0)} into ${quantity(bowl.water.value, 'g', 0)}`,
    },
  ];
}

/** Neither done nor left out. */
export const isLeft = ({ record }: TimedStep): boolean => !isOver(record);
/** Its time runs. */
export const isRunning = (step: TimedStep): boolean => isLeft(step) && step.endsAt !== undefined;

/** First step that is neither done nor left out. */
export const nextStep = (steps: readonly TimedStep[]): TimedStep | undefined => steps.find(isLeft);

/** How a done step compares with its bounds: '' while it is open or when it was kept. */
export function timeWords({ record, protocol }: TimedStep): string {
  if (!record?.startedAt || !record.doneAt || !protocol) return '';
  const kept = judgeStepTime(protocol, (Date.parse(record.doneAt) - Date.parse(record.startedAt)) / 60_000);
  if (kept === 'kept') return '';
  return kept === 'short' ? 'shorter than it should be' : 'longer than it should be';
}
