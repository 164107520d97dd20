import type { WeekProblem } from '@zero-pour/core';

/** Whether anybody is there for a whole step. */
export const isWithinHours = ({ people }: WeekProblem, { from, to }: { from: number; to: number }): boolean =>
  people.some(({ spans }) => spans.some((span) => span.from <= from && span.to >= to));
