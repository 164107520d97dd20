import type { WeekGap, WorkSkill, WorkStep } from '@zero-pour/core';

/** A piece of work of a pour or a mold that takes hands, a machine or time. */
export interface StageWork extends WorkStep {
  /** How it is called where people read it. */
  name: string;
  skill: WorkSkill;
  /** So long from its beginning somebody is at it. min */
  handsMin: number;
  /** Closing time may break it off. */
  breakable?: boolean;
  /** Wait between what comes before and this. */
  waits: WeekGap;
  /** One of these is taken for it: printers by id, presses by name. */
  machines?: readonly string[];
  /** It begins by then, or something goes off. */
  notAfter?: number | undefined;
}

export const ANY_WAIT: WeekGap = { leastMin: 0, mostMin: Infinity };
export const NO_WAIT: WeekGap = { leastMin: 0, mostMin: 0 };

/** What people are at all the time. */
export const handsOn = (
  key: string,
  name: string,
  skill: WorkSkill,
  minutes: number,
  more: Partial<StageWork> = {},
): StageWork => ({
  key,
  name,
  skill,
  hours: minutes / 60,
  attendance: 'whole',
  handsMin: minutes,
  waits: ANY_WAIT,
  ...more,
});
