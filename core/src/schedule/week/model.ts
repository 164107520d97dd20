/**
 * The shop's weeks as the solver sees them. A job (a pour, a mold) is a chain of tasks with least and most waits between them; people, printers, presses and
 * kilns do one thing at a time. Times are whole minutes or fractions of them; moments are epoch milliseconds.
 */
import type { Span } from '../benchHours';

export interface WeekTask {
  key: string;
  /** How long it takes. */
  minutes: number;
  /** So long from its beginning somebody is at it; all its minutes: the whole time, 0: nobody. */
  handsMin: number;
  /** Closing time may break it off: it goes on when the same person is there again. Only of what is attended the whole time. */
  breakable?: boolean;
  /** People who can do it, by key; of nobody's account where no hands are needed. */
  who: readonly string[];
  /** One of these machines is taken for its whole time. */
  machines?: readonly string[];
  /** Begun, or pinned: it begins then, whoever is there. */
  at?: number;
  /** It begins no earlier, no later than this. */
  notBefore?: number;
  notAfter?: number;
}

/** From the end of a task to the beginning of the next. */
export interface WeekGap {
  leastMin: number;
  /** FOREVER_MIN: as long as it likes. */
  mostMin: number;
  /** As it is now, where it could be stretched up to the most: it stays so while holds are to stay. */
  nowMin?: number;
  /** The most is a freshness limit: beyond it something goes off. */
  fresh?: boolean;
}
export const FOREVER_MIN = 1e6;

/** One way in which a job can be done: in which kiln. */
export interface WeekWay {
  /** Absent: it needs none. */
  kiln?: string;
  /** Jobs share a kiln only on one programme: equal texts are one. */
  programme?: string;
  /** … and on casting temperatures this close to each other. °C */
  castingC?: number;
  /** Its flasks' share of the kiln's places, 0 to 1; absent: it is alone in there. */
  share?: number;
  tasks: readonly WeekTask[];
  /** One fewer than tasks. */
  gaps: readonly WeekGap[];
  /** Index of the task at which the kiln is taken; it is free again when the zero task ends. */
  kilnIn?: number;
  /** Index of the pour, or of what the job is for. */
  zero: number;
}

export interface WeekJob {
  key: string;
  /** Never empty. */
  ways: readonly WeekWay[];
  /** What may wait for as long as it likes once the rest is done: placed last, where hands are left. */
  after?: readonly { task: WeekTask; leastMin: number }[];
  /** When it is wanted. */
  wanted?: number;
  /** The kiln that was chosen for it. */
  kiln?: string;
}

export interface WeekPerson {
  key: string;
  spans: readonly Span[];
}

/** What is best of all that can be done. */
export const WEEK_GOALS = ['wanted', 'earliest', 'civil', 'kiln'] as const;
export type WeekGoal = (typeof WEEK_GOALS)[number];

export interface WeekProblem {
  /** Everything not begun begins from here on and is over before the end. */
  from: number;
  to: number;
  /** The grid that tasks begin on. min */
  slotMin: number;
  jobs: readonly WeekJob[];
  people: readonly WeekPerson[];
  /** Hours that count as civil, whoever works outside them. */
  civil: readonly Span[];
  goal: WeekGoal;
}

export interface PlacedTask {
  key: string;
  from: number;
  to: number;
  who?: string;
  machine?: string;
}
export interface PlacedJob {
  key: string;
  /** Index into its ways. */
  way: number;
  /** Others in the same kiln at the same time, in the order of their pours, itself among them. */
  together: string[];
  tasks: PlacedTask[];
}

/** By the goal's order: the first decides, the next where it is equal; the third, how long things lie, only breaks ties and is not proven. */
export type WeekCost = readonly [number, number, number];

export type WeekAnswer =
  /** `best`: proven, none is better on its first two levels. `bound`: no plan whatever costs less on them. */
  | { status: 'planned'; best: boolean; jobs: PlacedJob[]; cost: WeekCost; bound: WeekCost; tried: number }
  /** Proven: there is none. `alone`: jobs that cannot be done even with the shop to themselves. */
  | { status: 'none'; alone: string[]; tried: number }
  /** None was found, and none is proven not to be. */
  | { status: 'not found'; tried: number };

/** Flasks in one kiln are cast within this of each other. °C (handbook 07) */
export const SHARED_WITHIN_C = 25;
