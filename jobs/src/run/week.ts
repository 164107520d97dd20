import { FIRST_EFFORT, FULL_EFFORT, smallestClash, solveWeek, type ClashAnswer, type WeekAnswer, type WeekProblem } from '@zero-pour/core'; // prettier-ignore
import type { ClashInput, WeekInput } from '../week';
import type { Run } from './context';

export const week: Run<WeekInput, WeekAnswer> = async ({ problem, effort }, { report }) => ({
  output: solveWeek(problem as WeekProblem, effort === 'first' ? FIRST_EFFORT : FULL_EFFORT, (share) => report('week', share)), // prettier-ignore
});

export const clash: Run<ClashInput, ClashAnswer> = async ({ problem, wishes }, { report }) => ({
  output: smallestClash(problem as WeekProblem, wishes, undefined, (share) => report('clash', share)),
});
