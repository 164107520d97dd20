import {
  solveWeek,
  FIRST_EFFORT,
  FULL_EFFORT,
  WEEK_GOALS,
  type WeekJob,
  type WeekProblem,
  type WeekTask,
} from '@zero-pour/core';
import { ms, table } from './table';

const HOUR_MS = 3_600_000;
const MONDAY = Date.UTC(2026, 2, 2);
const at = (day: number, hour: number): number => MONDAY + (day * 24 + hour) * HOUR_MS;
/** As the plan room asks: two weeks, four for many. */
const daysFor = (pours: number): number => (pours > 15 ? 28 : 14);
/** Monday to Friday, and Saturday until noon. */
const spansOf = (days: number) =>
  Array.from({ length: days }, (_, day) => ({ day, weekday: day % 7 })).flatMap(({ day, weekday }) =>
    weekday === 6 ? [] : [{ from: at(day, 8), to: at(day, weekday === 5 ? 12 : 18) }],
  );

const task = (key: string, hours: number, hands: number, more: Partial<WeekTask> = {}): WeekTask => ({
  key,
  minutes: hours * 60,
  handsMin: hands * 60,
  who: ['one', 'two'],
  ...more,
});

/** A pour from the print to the divesting, in either kiln. */
const pour = (n: number): WeekJob => ({
  key: `pour ${n}`,
  wanted: at(1 + (n % 10), 9.5),
  ways: ['Kiln 1', 'Kiln 2'].map((kiln) => ({
    kiln,
    programme: n % 3 === 0 ? 'bronze' : 'silver',
    castingC: 480 + (n % 4) * 12,
    share: 0.4,
    kilnIn: 5,
    zero: 7,
    tasks: [
      task('print', 5 + (n % 6), 0.25, { machines: ['Printer A', 'Printer B'] }),
      task('clean', 1.25, 1.25),
      task('sprue', 0.5 + (n % 3) * 0.5, 0.5 + (n % 3) * 0.5, { breakable: true }),
      task('invest', 0.75, 0.75),
      task('set', 2, 0),
      task('kiln in', 0.25, 0.25),
      task('turn', 0.25, 0.25),
      task('zero', 0.5, 0.5),
      task('divest', 0.5, 0.5),
    ],
    gaps: [[0, 2880], [0, 5000], [0, Infinity], [0, 0], [0, 1200], [150, 390], [kiln === 'Kiln 1' ? 900 : 840, kiln === 'Kiln 1' ? 1200 : 1100], [10, 1000]].map(([leastMin, mostMin]) => ({ leastMin: leastMin!, mostMin: mostMin! })), // prettier-ignore
  })),
});

const shop = (pours: number, goal: WeekProblem['goal']): WeekProblem => ({
  from: at(0, 8),
  to: at(daysFor(pours), 0),
  // As the plan room asks: to five minutes for a few, to quarter hours for more.
  slotMin: pours <= 4 ? 5 : 15,
  jobs: Array.from({ length: pours }, (_, n) => pour(n)),
  people: ['one', 'two'].map((key) => ({ key, spans: spansOf(daysFor(pours)) })),
  civil: spansOf(daysFor(pours)),
  goal,
});

/** A shop's two weeks on two kilns, two printers, two people; limit 2 s to a first answer for 15 pours. */
export async function measurePlan(): Promise<string> {
  const rows = [1, 5, 15, 40].flatMap((pours) =>
    WEEK_GOALS.map((goal) => {
      const problem = shop(pours, goal);
      const begun = performance.now();
      const first = solveWeek(problem, FIRST_EFFORT);
      const firstMs = performance.now() - begun;
      const again = performance.now();
      const full = solveWeek(problem, FULL_EFFORT);
      const fullMs = performance.now() - again;
      return {
        pours,
        goal,
        'first answer, ms (limit 2000 at 15)': ms(firstMs),
        first: first.status === 'planned' ? first.cost.join(' ') : first.status,
        'last answer, ms': ms(fullMs),
        last: full.status === 'planned' ? full.cost.join(' ') : full.status,
        'no plan below': full.status === 'planned' ? full.bound.join(' ') : '',
        proven: full.status === 'planned' ? (full.best ? 'yes' : 'no') : '',
        'loads placed': full.tried,
      };
    }),
  );
  return table(rows);
}
