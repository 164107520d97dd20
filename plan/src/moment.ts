import type { Phrase, StageKey } from '@zero-pour/core';
import type { Figure } from './figure';

/** How a moment is written; the reader's clock is not core's business. */
export type FormatMoment = (at: number) => string;

/** A moment that needs hands. */
export interface Moment {
  stage: StageKey;
  at: number;
  what: Phrase;
  detail: Phrase;
  done: boolean;
  /** The mold that it is of, and its step; a moment of waxes has no step. */
  mold?: { id: string; step?: string };
  /** The step of the plan that it begins, where it has a name of its own there. */
  step?: string;
  /** Name in the programme, for moments of the burnout that can be ticked. */
  hand?: string;
  /** Field of the print that takes the moment when it is ticked off. */
  ticks?: 'checkedAt' | 'finishedAt';
  /** How long before zero, with its working, for moments that the programme fixes. */
  beforeZero?: Figure;
}

/** Nothing to add below a moment's name. */
export const DETAIL_NONE: Phrase = [];

/** The beginning of a stage's work, where it is still ahead. */
export const beginning = (
  stage: StageKey,
  at: number | undefined,
  what: Phrase,
  detail: Phrase = DETAIL_NONE,
  step: string = stage,
): Moment[] => (at === undefined ? [] : [{ stage, at, what, detail, done: false, step }]);
