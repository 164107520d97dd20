import { readingValue, type Casting, type FinishingStep } from '@zero-pour/contracts';
import type { FinishingKind } from '@zero-pour/core';

/** A step that is begun now, under a key of its own among these. */
export function nextStep(
  steps: readonly FinishingStep[],
  kind: FinishingKind,
  doneAt: string,
): FinishingStep {
  const keys = new Set(steps.map(({ key }) => key));
  let n = steps.length + 1;
  while (keys.has(`s${n}`)) n++;
  return { key: `s${n}`, kind, doneAt };
}

export interface FinishingTotals {
  /** Of the steps that were timed; undefined while none is. */
  minutes: number | undefined;
  /** From before the first step to after the last that was weighed; undefined while either is not known. Less than 0: it gained (solder, stones, plate). */
  lostG: number | undefined;
  /** After the last step that was weighed. */
  weightG: number | undefined;
}

/** What finishing took of hands and metal, of what was timed and weighed. */
export function finishingTotals(
  steps: readonly FinishingStep[],
  beforeG: number | undefined,
): FinishingTotals {
  const timed = steps.flatMap(({ minutes }) => minutes ?? []);
  const weightG = steps.map((step) => readingValue(step.weightG)).findLast((value) => value !== undefined);
  return {
    minutes: timed.length > 0 ? timed.reduce((a, b) => a + b, 0) : undefined,
    lostG: beforeG === undefined || weightG === undefined ? undefined : beforeG - weightG,
    weightG,
  };
}

/** What a piece weighed before it was finished: cut off, else as it was cast. */
export const weightBefore = ({
  cutWeightG,
  weightG,
}: Pick<Casting, 'cutWeightG' | 'weightG'>): number | undefined =>
  readingValue(cutWeightG) ?? readingValue(weightG);
