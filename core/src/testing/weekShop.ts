import {
  FOREVER_MIN,
  type PlacedTask,
  type WeekJob,
  type WeekProblem,
  type WeekTask,
  type WeekWay,
} from '../schedule/week/model';
import { solveWeek } from '../schedule/week/solveWeek';

export const MIN = 60_000;
export const HOUR = 60 * MIN;
export const MONDAY = Date.UTC(2026, 2, 2);
export const at = (day: number, hour: number): number => MONDAY + (day * 24 + hour) * HOUR;
/** Days of 8 to 18, as many as are asked. */
export const days = (n: number) =>
  Array.from({ length: n }, (_, day) => ({ from: at(day, 8), to: at(day, 18) }));

export const task = (
  key: string,
  minutes: number,
  handsMin: number,
  more: Partial<WeekTask> = {},
): WeekTask => ({
  key,
  minutes,
  handsMin,
  who: ['one'],
  ...more,
});

export interface Shape {
  prepMin?: number;
  burnMin?: number;
  stretchMin?: number;
  kilns?: string[];
  castingC?: number;
  share?: number;
  wanted?: number;
}
/** A pour: prepared, into the kiln, turned after two hours, poured. */
export function pour(key: string, shape: Shape = {}): WeekJob {
  const {
    prepMin = 60,
    burnMin = 1050,
    stretchMin = 0,
    kilns = ['k1'],
    castingC = 500,
    share,
    wanted,
  } = shape;
  return {
    key,
    kiln: 'k1',
    ...(wanted === undefined ? {} : { wanted }),
    ways: kilns.map((kiln): WeekWay => ({
      kiln,
      programme: 'book',
      castingC,
      ...(share === undefined ? {} : { share }),
      kilnIn: 1,
      zero: 3,
      tasks: [task('prep', prepMin, prepMin), task('in', 15, 15), task('turn', 15, 15), task('zero', 15, 15)],
      gaps: [
        { leastMin: 0, mostMin: FOREVER_MIN },
        { leastMin: 105, mostMin: 105 },
        { leastMin: burnMin - 135, nowMin: burnMin - 135, mostMin: burnMin - 135 + stretchMin },
      ],
    })),
  };
}
export const shop = (jobs: WeekJob[], more: Partial<WeekProblem> = {}): WeekProblem => ({
  from: at(0, 8),
  to: at(7, 0),
  slotMin: 15,
  jobs,
  people: [{ key: 'one', spans: days(7) }],
  civil: days(7),
  goal: 'earliest',
  ...more,
});
export const planned = (problem: WeekProblem) => {
  const answer = solveWeek(problem);
  if (answer.status !== 'planned') throw new Error(answer.status);
  return answer;
};
export const of = (tasks: readonly PlacedTask[], key: string): PlacedTask =>
  tasks.find((one) => one.key === key)!;
