import type { StageKey } from '@zero-pour/core';

/** Something that must be decided first, and the stage where it is. */
export interface Need {
  what: string;
  stage: StageKey;
}

/**
 * A part of the plan: worked out; waiting for decisions; impossible as decided; being worked out, or read; or not to be had
 * at all. An open plan is no error.
 */
export type Planned<T> =
  | { status: 'known'; value: T }
  | { status: 'missing'; needs: Need[] }
  | { status: 'impossible'; reason: string; stage: StageKey }
  | { status: 'working'; what: string }
  | { status: 'failed'; reason: string };

export const known = <T>(value: T): Planned<T> => ({ status: 'known', value });
export const missing = (needs: Need[]): Planned<never> => ({ status: 'missing', needs });
export const impossible = (reason: string, stage: StageKey): Planned<never> => ({
  status: 'impossible',
  reason,
  stage,
});

export const working = (what: string): Planned<never> => ({ status: 'working', what });
export const failed = (reason: string): Planned<never> => ({ status: 'failed', reason });

/** The needs among these that have nothing yet. */
export function lacking(...wanted: readonly [thing: unknown, what: string, stage: StageKey][]): Need[] {
  return wanted.flatMap(([thing, what, stage]) => (thing === undefined ? [{ what, stage }] : []));
}

/** The value when known. */
export const valueOf = <T>(planned: Planned<T>): T | undefined =>
  planned.status === 'known' ? planned.value : undefined;

/** Passes a waiting or impossible part on to what depends on it. */
export function whenKnown<T, U>(planned: Planned<T>, use: (value: T) => Planned<U>): Planned<U> {
  return planned.status === 'known' ? use(planned.value) : planned;
}
