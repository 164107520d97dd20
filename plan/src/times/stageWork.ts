import { FOREVER_MIN, type WeekGap, type WorkSkill, type WorkStep } from '@zero-pour/core';

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

export const ANY_WAIT: WeekGap = { leastMin: 0, mostMin: FOREVER_MIN };
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

/** A wait that ends before something goes off; null: nothing does. */
export const lifeWait = (minutes: number | null): WeekGap =>
  minutes === null ? ANY_WAIT : { leastMin: 0, mostMin: minutes, fresh: true };

/** A name for each of several steps: of those of one kind all but the first have numbers. */
export function stepNames(steps: readonly { key: string }[]): string[] {
  const seen = new Map<string, number>();
  return steps.map(({ key }) => {
    const n = (seen.get(key) ?? 0) + 1;
    seen.set(key, n);
    return n === 1 ? key : `${key}~${n}`;
  });
}
