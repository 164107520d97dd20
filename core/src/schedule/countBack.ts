import { InputError } from '../numeric';
import { benchSpans, HOUR_MS, isWithin, MINUTE_MS, type BenchClock, type Span } from './benchHours';

/** When somebody must be there: the whole step, only its start, or nobody. */
export type Attendance = 'whole' | 'start' | 'none';

/** A step before the kiln, in the order of work. */
export interface WorkStep {
  key: string;
  hours: number;
  attendance: Attendance;
  /** A plan that was taken has it begin then: it does, where that leaves time for what comes after. */
  planned?: number | undefined;
}

export interface PlacedStep {
  key: string;
  from: number;
  to: number;
  /** The step found no bench hours and stands where the count put it. */
  outside: boolean;
}

/** A moment that needs hands while the kiln runs, hours after kiln in. */
export interface KilnMoment {
  atH: number;
  what: string;
}

export interface BenchConflict {
  what: string;
  at: number;
}

/** Pour times at which hands are there. */
export interface CivilZero {
  earlier: number | null;
  later: number | null;
}
const NO_ZERO: CivilZero = { earlier: null, later: null };

export interface CountBack {
  steps: PlacedStep[];
  kilnIn: number;
  zero: number;
  /** Hands-on moments of the burnout and the pour that fall outside bench hours. */
  conflicts: BenchConflict[];
  /** The nearest pour times at which none does, before and after; null where there is none within nine days, or none is needed. */
  civilZero: CivilZero;
  /** Start of the first step. */
  start: number;
}

/** How far back steps may be moved to find bench hours: a bench of one day a week does each step in another week. */
const REACH_MS = 42 * 24 * HOUR_MS;
const SHIFT_STEP_MS = 5 * MINUTE_MS;
const SHIFT_REACH_MS = 9 * 24 * HOUR_MS;

/** Latest start of a step that is over by `end` and attended as it must be; null when no bench span serves. */
function latestStart(step: WorkStep, end: number, spans: readonly Span[]): number | null {
  const length = step.hours * HOUR_MS;
  const wished = end - length;
  if (step.attendance === 'none') return wished;
  const inside = step.attendance === 'whole' ? length : 0;
  for (let i = spans.length - 1; i >= 0; i--) {
    const span = spans[i]!;
    const start = Math.min(wished, span.to - inside);
    if (start >= span.from) return start;
  }
  return null;
}

/** Whether a step can begin as a plan has it; whoever took that plan saw to its hours. */
const keepsPlanned = ({ planned, hours }: WorkStep, end: number): boolean =>
  planned !== undefined && planned + hours * HOUR_MS <= end;

/** Steps placed as late as they may be, the last first. */
function placeSteps(steps: readonly WorkStep[], end: number, spans: readonly Span[]): PlacedStep[] {
  const placed: PlacedStep[] = [];
  let cursor = end;
  for (const step of [...steps].reverse()) {
    const latest = latestStart(step, cursor, spans);
    const found = keepsPlanned(step, cursor) ? step.planned! : latest;
    const from = found ?? cursor - step.hours * HOUR_MS;
    placed.unshift({ key: step.key, from, to: from + step.hours * HOUR_MS, outside: found === null });
    cursor = from;
  }
  return placed;
}

/** Moments of a burnout that ends at `zero` and need hands, the pour included. */
function handsOn(zero: number, burnoutH: number, moments: readonly KilnMoment[]): BenchConflict[] {
  const kilnIn = zero - burnoutH * HOUR_MS;
  return [
    { what: 'Kiln in', at: kilnIn },
    ...moments.map((m) => ({ what: m.what, at: kilnIn + m.atH * HOUR_MS })),
    { what: 'The pour', at: zero },
  ];
}

function nearestCivilZero(
  zero: number,
  burnoutH: number,
  moments: readonly KilnMoment[],
  spans: readonly Span[],
): CivilZero {
  const civil = (candidate: number): boolean =>
    handsOn(candidate, burnoutH, moments).every((m) => isWithin(spans, m.at));
  const found: CivilZero = { ...NO_ZERO };
  for (let shift = SHIFT_STEP_MS; shift <= SHIFT_REACH_MS; shift += SHIFT_STEP_MS) {
    if (found.earlier === null && civil(zero - shift)) found.earlier = zero - shift;
    if (found.later === null && civil(zero + shift)) found.later = zero + shift;
    if (found.earlier !== null && found.later !== null) break;
  }
  return found;
}

/**
 * Counts back from the pour: burnout ends at zero, everything before it is placed as late as bench hours allow
 * (handbook 07, "Counting back from zero"). Burnout moments do not move; those outside bench hours are named,
 * with the nearest pour times that have none.
 */
export function countBack(
  zero: number,
  steps: readonly WorkStep[],
  burnoutH: number,
  moments: readonly KilnMoment[],
  clock: BenchClock,
): CountBack {
  const days = clock.hours.length;
  if (days !== 7) throw new InputError('hours', 'seven days', days);
  const kilnIn = zero - burnoutH * HOUR_MS;
  const spans = benchSpans(clock, kilnIn - REACH_MS, zero + REACH_MS);
  const conflicts = handsOn(zero, burnoutH, moments).filter((m) => !isWithin(spans, m.at));
  const placed = placeSteps(steps, kilnIn, spans);
  return {
    steps: placed,
    kilnIn,
    zero,
    conflicts,
    civilZero: conflicts.length > 0 ? nearestCivilZero(zero, burnoutH, moments, spans) : NO_ZERO,
    start: placed[0]?.from ?? kilnIn,
  };
}

/** How far ahead an earliest pour is looked for, and in which steps. */
const EARLIEST_REACH_MS = 42 * 24 * HOUR_MS;
const EARLIEST_STEP_MS = 15 * MINUTE_MS;

/**
 * The first pour time from `now` on whose steps all lie ahead, inside bench hours; null when there is none
 * within six weeks.
 */
export function earliestZero(
  now: number,
  steps: readonly WorkStep[],
  burnoutH: number,
  moments: readonly KilnMoment[],
  clock: BenchClock,
): number | null {
  const from = Math.ceil((now + burnoutH * HOUR_MS) / EARLIEST_STEP_MS) * EARLIEST_STEP_MS;
  const spans = benchSpans(clock, now, from + EARLIEST_REACH_MS);
  for (let zero = from; zero <= from + EARLIEST_REACH_MS; zero += EARLIEST_STEP_MS) {
    if (!handsOn(zero, burnoutH, moments).every((m) => isWithin(spans, m.at))) continue;
    const placed = placeSteps(steps, zero - burnoutH * HOUR_MS, spans);
    if (placed.every((step) => !step.outside && step.from >= now)) return zero;
  }
  return null;
}
