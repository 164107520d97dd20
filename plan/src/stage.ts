import type { Evidence, StageKey, UnitChoice } from '@zero-pour/core';
import type { BurnoutPlan } from './burnout/burnoutPlan';
import type { PourContext } from './context';
import type { MixPlan } from './invest/mixPlan';
import type { Moment } from './moment';
import type { Planned } from './planned';
import type { TemperaturePlan } from './pour/temperaturePlan';
import type { PrintPlan } from './print/printPlan';
import type { FlawedPieces } from './result/flawedPieces';
import type { ResinPlan } from './resin/resinPlan';
import type { ScalePlan } from './scale/planScale';
import type { ChargePlan } from './sprue/chargePlan';
import type { TreePlan } from './sprue/treePlan';
import type { TicketPart } from './ticketLine';
import type { StageWork } from './times/stageWork';
import type { PartGates } from './wayUp/gatePlan';

/** What hangs in one flask, and its metal. */
export interface HungPlan {
  tree: Planned<TreePlan>;
  charge: Planned<ChargePlan>;
}

/** What each stage works out. Stages without an entry decide and record, and work nothing out. */
export interface StagePlans {
  resin: ResinPlan;
  wayUp: PartGates[];
  scale: Planned<ScalePlan>;
  print: Planned<PrintPlan>;
  /** For each flask, in the pour's order. */
  sprue: HungPlan[];
  invest: Planned<MixPlan>;
  burnout: Planned<BurnoutPlan>;
  /** For each flask. */
  pour: Planned<TemperaturePlan>[];
}
export type PlannedStage = keyof StagePlans;
export type PlanOf = <K extends PlannedStage>(stage: K) => StagePlans[K];

/** What a stage sees: everything looked up, and what the other stages worked out. */
export interface Sight {
  context: PourContext;
  of: PlanOf;
}

/** The pour on the clock. */
export interface PourClock {
  zero: number;
  kilnIn: number;
  /** From kiln in to zero. */
  kilnH: number;
  /** Undefined: a casting house does it, how is not known. */
  burnout: BurnoutPlan | undefined;
  /** When work that is still ahead is to begin, by the keys of its steps: those of stages, of a mold, its waxes. */
  begins: Partial<Record<string, number>>;
}

interface Rules {
  /** Whether it has what the work needs from it. */
  isDone(context: PourContext): boolean;
  /** One result, short enough to stand under its name on the stepper; empty while there is none. */
  line(sight: Sight, choice: UnitChoice): string;
  /** What it puts on the ticket: what to do, and once it is poured what was done. */
  ticket(sight: Sight): TicketPart[];
  /** What it asks of hands; without a pour time only what runs already does. */
  moments(sight: Sight, clock: PourClock | undefined): Moment[];
  /** Work that it takes, in its order, as if nothing of it were done. */
  work(sight: Sight): StageWork[];
  /** Signs for and against causes that its own record gives; what is not recorded is missing, never guessed. */
  evidence(context: PourContext): Evidence;
  /** … of flaws of these castings. */
  castEvidence(sight: Sight, about: FlawedPieces): Evidence;
}

/** One stage of the work: its rules in one place. `plan` asks other stages for theirs by name. */
export type Stage<K extends StageKey> = Rules & { key: K } & (K extends PlannedStage
    ? { plan(sight: Sight): StagePlans[K] }
    : object);

/** A stage that puts nothing on the ticket, asks no hands and explains nothing. */
export const QUIET = {
  ticket: (): TicketPart[] => [],
  moments: (): Moment[] => [],
  work: (): StageWork[] => [],
  evidence: (): Evidence => ({}),
  castEvidence: (): Evidence => ({}),
};
