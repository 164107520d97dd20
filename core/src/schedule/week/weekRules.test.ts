import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { benchSpans, type BenchClock } from '../benchHours';
import {
  FOREVER_MIN,
  type PlacedTask,
  type WeekJob,
  type WeekProblem,
  type WeekTask,
  type WeekWay,
} from './model';
import { FIRST_EFFORT, solveWeek } from './solveWeek';
import { smallestClash } from './smallestClash';
import { withWishes, wishesOf, wishKey } from './wishes';
import { windowMin } from './windowMin';

const MIN = 60_000;
const HOUR = 60 * MIN;
const MONDAY = Date.UTC(2026, 2, 2);
const at = (day: number, hour: number): number => MONDAY + (day * 24 + hour) * HOUR;
/** Days of 8 to 18, as many as are asked. */
const days = (n: number) => Array.from({ length: n }, (_, day) => ({ from: at(day, 8), to: at(day, 18) }));

const task = (key: string, minutes: number, handsMin: number, more: Partial<WeekTask> = {}): WeekTask => ({
  key,
  minutes,
  handsMin,
  who: ['one'],
  ...more,
});

interface Shape {
  prepMin?: number;
  burnMin?: number;
  stretchMin?: number;
  kilns?: string[];
  castingC?: number;
  share?: number;
  wanted?: number;
}
/** A pour: prepared, into the kiln, turned after two hours, poured. */
function pour(key: string, shape: Shape = {}): WeekJob {
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
const shop = (jobs: WeekJob[], more: Partial<WeekProblem> = {}): WeekProblem => ({
  from: at(0, 8),
  to: at(7, 0),
  slotMin: 15,
  jobs,
  people: [{ key: 'one', spans: days(7) }],
  civil: days(7),
  goal: 'earliest',
  ...more,
});
const planned = (problem: WeekProblem) => {
  const answer = solveWeek(problem);
  if (answer.status !== 'planned') throw new Error(answer.status);
  return answer;
};
const of = (tasks: readonly PlacedTask[], key: string): PlacedTask => tasks.find((one) => one.key === key)!;

describe('what any plan keeps', () => {
  const shapes = fc.array(
    fc.record({
      prepMin: fc.integer({ min: 5, max: 300 }),
      burnMin: fc.integer({ min: 200, max: 1400 }),
      stretchMin: fc.integer({ min: 0, max: 600 }),
      castingC: fc.constantFrom(480, 500, 530),
      share: fc.constantFrom(0.4, 0.5, 1),
      breakable: fc.boolean(),
    }),
    { minLength: 1, maxLength: 4 },
  );
  it('uses no thing twice at once, works in hours, keeps waits, shares kilns only as it may', () => {
    fc.assert(
      fc.property(
        shapes,
        fc.constantFrom('earliest' as const, 'civil' as const, 'kiln' as const),
        (all, goal) => {
          const jobs = all.map(({ breakable, ...shape }, n) => {
            const job = pour(`p${n}`, { ...shape, kilns: n % 2 ? ['k1', 'k2'] : ['k1'] });
            for (const way of job.ways) if (breakable) Object.assign(way.tasks[0]!, { breakable });
            return job;
          });
          const problem = shop(jobs, { goal, to: at(14, 0), people: [{ key: 'one', spans: days(14) }] });
          const answer = solveWeek(problem, { orders: 0, proof: 60 });
          if (answer.status !== 'planned') return;
          const hands: { from: number; to: number; key: string }[] = [];
          const kilns: { kiln: string; from: number; to: number; together: string }[] = [];
          answer.jobs.forEach((placed, n) => {
            const way = jobs[n]!.ways[placed.way]!;
            placed.tasks.forEach((one, i) => {
              const { breakable, minutes } = way.tasks[i]!;
              const shared = placed.together.indexOf(placed.key) > 0 && i > 0 && i < 3;
              if (!shared && !breakable) hands.push({ from: one.from, to: one.to, key: placed.key });
              if (!breakable) {
                expect(one.to - one.from).toBeCloseTo(minutes * MIN, -1);
                expect(days(14).some((span) => span.from <= one.from && span.to >= one.to)).toBe(true);
              }
              if (i > 0 && placed.together.indexOf(placed.key) <= 0) {
                const waits = (one.from - placed.tasks[i - 1]!.to) / MIN;
                expect(waits).toBeGreaterThanOrEqual(way.gaps[i - 1]!.leastMin - 0.1);
                expect(waits).toBeLessThanOrEqual(way.gaps[i - 1]!.mostMin + 0.1);
              }
            });
            kilns.push({ kiln: way.kiln!, from: of(placed.tasks, 'in').from, to: of(placed.tasks, 'zero').to, together: [...placed.together].sort().join() }); // prettier-ignore
            const together = placed.together.map((key) => all[Number(key.slice(1))]!);
            const temps = together.map(({ castingC }) => castingC);
            expect(Math.max(...temps) - Math.min(...temps)).toBeLessThanOrEqual(25);
            // Hottest first, as the kiln comes down.
            expect([...temps].sort((a, b) => b - a)).toEqual(temps);
            if (together.length > 1)
              expect(together.reduce((sum, { share }) => sum + share, 0)).toBeLessThanOrEqual(1);
          });
          hands.sort((a, b) => a.from - b.from);
          hands.slice(1).forEach((one, n) => expect(one.from).toBeGreaterThanOrEqual(hands[n]!.to - 1));
          for (const a of kilns)
            for (const b of kilns)
              if (a.kiln === b.kiln && a.together !== b.together)
                expect(a.from >= b.to - 1 || b.from >= a.to - 1).toBe(true);
        },
      ),
      { numRuns: 40 },
    );
  });
  it('leaves what has begun where it is, whoever is there', () => {
    const begun = pour('begun');
    Object.assign(begun.ways[0]!.tasks[1]!, { at: at(0, 20) });
    begun.ways[0]!.tasks[2]!.at = at(0, 20) + 120 * MIN;
    begun.ways[0]!.tasks[3]!.at = at(0, 20) + 1050 * MIN;
    const { jobs } = planned(shop([begun, pour('other')]));
    expect(of(jobs[0]!.tasks, 'turn').from).toBe(at(0, 22));
    // The kiln is its own until then.
    expect(of(jobs[1]!.tasks, 'in').from).toBeGreaterThanOrEqual(of(jobs[0]!.tasks, 'zero').to);
  });
  it('begins tasks that follow to the minute where that minute falls', () => {
    const job = pour('p', { burnMin: 1053.4 });
    const { tasks } = planned(shop([job])).jobs[0]!;
    expect((of(tasks, 'zero').from - of(tasks, 'in').from) / MIN).toBeCloseTo(1053.4, 2);
  });
  it('puts what may wait last, and where hands are left', () => {
    const loose = { ...pour('a', { burnMin: 480 }), after: [{ task: task('cut', 120, 120, { breakable: true }), leastMin: 30 }] }; // prettier-ignore
    const { jobs } = planned(shop([loose, pour('b', { burnMin: 480 })]));
    const cut = of(jobs[0]!.tasks, 'cut');
    expect(cut.from).toBeGreaterThanOrEqual(of(jobs[0]!.tasks, 'zero').to + 30 * MIN);
    const zero = of(jobs[1]!.tasks, 'zero');
    expect(cut.from >= zero.to || cut.to <= zero.from).toBe(true);
  });
});

describe('kilns that are shared', () => {
  const two = (first: Shape, second: Shape, goal: WeekProblem['goal'] = 'kiln') =>
    planned(shop([pour('a', { share: 0.5, ...first }), pour('b', { share: 0.5, ...second })], { goal }));
  it('are, on one programme and near temperatures, and the hotter is poured first', () => {
    const { jobs, best } = two({ castingC: 480 }, { castingC: 500 });
    expect(best).toBe(true);
    expect(jobs.map(({ together }) => together)).toEqual([
      ['b', 'a'],
      ['b', 'a'],
    ]);
    expect(of(jobs[1]!.tasks, 'in')).toEqual(of(jobs[0]!.tasks, 'in'));
    expect(of(jobs[0]!.tasks, 'zero').from).toBe(of(jobs[1]!.tasks, 'zero').to);
  });
  it.each([
    ['26 °C apart', { castingC: 474 }, { castingC: 500 }],
    ['too many flasks', { share: 0.6 }, {}],
  ])('are not, %s', (_, first, second) => {
    const { jobs } = two(first, second);
    expect(jobs.map(({ together }) => together.length)).toEqual([1, 1]);
  });
  it('are not, where nobody has said how many fit', () => {
    const { jobs } = planned(shop([pour('a'), pour('b')], { goal: 'kiln' }));
    expect(jobs.map(({ together }) => together.length)).toEqual([1, 1]);
  });
  it('save kiln hours: together no more than one of them', () => {
    const alone = planned(shop([pour('a', { share: 0.5 })], { goal: 'kiln' })).cost[0];
    expect(two({}, {}).cost[0]).toBe(alone + 1);
  });
});

describe('goals', () => {
  it('as wanted: each at its time, else as near as can be', () => {
    const wanted = at(3, 9);
    const [first, second] = planned(shop([pour('a', { wanted }), pour('b', { wanted })], { goal: 'wanted' })).jobs.map(({ tasks }) => of(tasks, 'zero').from); // prettier-ignore
    expect([first, second]).toContain(wanted);
    expect(Math.abs(first! - second!)).toBeGreaterThan(10 * HOUR);
  });
  it('civil: a night shift is not used where a day will do', () => {
    const round = [{ from: at(0, 0), to: at(7, 0) }];
    const problem = shop([pour('a')], {
      goal: 'civil',
      people: [{ key: 'one', spans: round }],
    });
    for (const { from } of planned(problem).jobs[0]!.tasks)
      expect(days(7).some((span) => span.from <= from && from < span.to)).toBe(true);
  });
  it('least kiln: a hold stretches only as far as hours ask', () => {
    // 15 h and 45 min from kiln in: the turn at 17:45 at the latest, poured at 8:00 at the earliest.
    const { tasks } = planned(shop([pour('a', { burnMin: 945, stretchMin: 600 })], { goal: 'kiln' }))
      .jobs[0]!;
    expect((of(tasks, 'zero').from - of(tasks, 'in').from) / HOUR).toBeCloseTo(16.25, 6);
  });
});

describe('what cannot be', () => {
  const wantedAt = (n: number, hour: number): Shape => ({ wanted: at(n, hour) });
  it('is named by the fewest wishes: without any one of them it can', () => {
    const problem = shop([pour('a', wantedAt(2, 9)), pour('b', { ...wantedAt(2, 9.25), kilns: ['k1', 'k2'] }), pour('c', wantedAt(4, 9))]); // prettier-ignore
    const answer = smallestClash(problem);
    if (answer.status !== 'clash') throw new Error(answer.status);
    expect(answer.clash.map(wishKey).sort()).toEqual(['a zero', 'b kiln', 'b zero']);
    for (const wish of answer.clash) {
      const fewer = answer.clash.filter((one) => one !== wish);
      expect(solveWeek(withWishes(problem, fewer)).status).toBe('planned');
    }
    expect(solveWeek(withWishes(problem, answer.clash)).status).toBe('none');
    // Every one given up was tried with all the others kept.
    expect(answer.changes.map(({ wish, partly }) => [wishKey(wish), partly])).toEqual(answer.clash.map((wish) => [wishKey(wish), false])); // prettier-ignore
    const other = answer.changes.find(({ wish }) => wish.kind === 'kiln')!;
    expect(other.answer.jobs.find(({ key }) => key === 'b')!.way).toBe(1);
  });
  it('says by how much: the least stretch, the nearest zero', () => {
    const problem = shop([pour('a', { stretchMin: 600, wanted: at(2, 12) })]);
    const answer = smallestClash(problem);
    if (answer.status !== 'clash') throw new Error(answer.status);
    const given = Object.fromEntries(
      answer.changes.map(({ wish, answer: plan }) => [wish.kind, plan.jobs[0]!.tasks]),
    );
    // In at 18:30 and turned at 20:30 as it stands: the hold grows until the turn is at 17:45, or the pour comes by as much sooner.
    expect((of(given['holds']!, 'turn').from - at(1, 17.75)) / MIN).toBe(0);
    expect((of(given['zero']!, 'zero').from - at(2, 12)) / MIN).toBe(-165);
    expect(answer.clash.map(wishKey).sort()).toEqual(['a holds', 'a zero']);
  });
  it('without any bench hours is hopeless, and no search without end', () => {
    const answer = smallestClash(shop([pour('a', wantedAt(2, 9))], { people: [{ key: 'one', spans: [] }] }));
    expect(answer).toMatchObject({ status: 'clash', clash: [], hopeless: ['a'] });
  });
  it.each([
    ['a zero in the past', pour('a', wantedAt(-3, 9))],
    ['waits that contradict each other', { ...pour('a'), ways: pour('a').ways.map((way) => ({ ...way, gaps: way.gaps.map((gap) => ({ ...gap, leastMin: 300, mostMin: 100 })) })) }], // prettier-ignore
  ])('is said of %s', (_, job) => {
    const kept = withWishes(shop([job]), wishesOf(job));
    expect(solveWeek(kept)).toMatchObject({ status: 'none', alone: ['a'] });
  });
  it('throws for what is no problem at all', () => {
    expect(() => solveWeek(shop([{ key: 'a', ways: [] }]))).toThrow('ways');
    expect(() => solveWeek(shop([pour('a', { prepMin: NaN })]))).toThrow('minutes');
    expect(() => solveWeek({ ...shop([pour('a')]), to: at(0, 7) })).toThrow('stretch');
  });
  it('answers at once for nothing to do', () => {
    expect(solveWeek(shop([]))).toMatchObject({ status: 'planned', best: true, jobs: [] });
  });
  it('has a first answer, or says that it found none, for more jobs than fit', () => {
    const many = Array.from({ length: 25 }, (_, n) => pour(`p${n}`));
    const answer = solveWeek(shop(many), FIRST_EFFORT);
    expect(answer.status).toBe('not found');
  });
});

describe('the clocks that change', () => {
  it.each([
    ['spring, Berlin', 'Europe/Berlin', Date.UTC(2026, 2, 27, 8)],
    ['autumn, Berlin', 'Europe/Berlin', Date.UTC(2026, 9, 23, 8)],
    ['spring, Auckland', 'Pacific/Auckland', Date.UTC(2026, 8, 25, 8)],
    ['autumn, Auckland', 'Pacific/Auckland', Date.UTC(2026, 3, 3, 8)],
  ])('%s: hours of the kiln stay hours, hands stay in the hours of the wall', (_, timeZone, from) => {
    const open = { open: true, fromMin: 8 * 60, toMin: 18 * 60 };
    const clock: BenchClock = { timeZone, hours: Array.from({ length: 7 }, () => open) };
    const to = from + 6 * 24 * HOUR;
    const spans = benchSpans(clock, from, to);
    const problem = shop(['a', 'b', 'c'].map((key) => pour(key)), { from, to, people: [{ key: 'one', spans }], civil: spans }); // prettier-ignore
    const { jobs } = planned(problem);
    for (const { tasks } of jobs) {
      expect((of(tasks, 'zero').from - of(tasks, 'in').from) / HOUR).toBeCloseTo(17.5, 6);
      for (const one of tasks) {
        const hour = Number(new Intl.DateTimeFormat('en-GB', { timeZone, hour: '2-digit', hourCycle: 'h23' }).format(one.from)); // prettier-ignore
        expect(hour).toBeGreaterThanOrEqual(8);
        expect(hour).toBeLessThan(18);
      }
    }
  });
});

describe('windowMin', () => {
  it('is the least of each window, by trying all', () => {
    fc.assert(
      fc.property(
        fc.array(fc.oneof(fc.integer({ min: 0, max: 50 }), fc.constant(Infinity)), {
          minLength: 1,
          maxLength: 30,
        }),
        fc.array(fc.tuple(fc.integer({ min: 0, max: 30 }), fc.integer({ min: -1, max: 30 })), {
          maxLength: 20,
        }),
        (values, raw) => {
          const lo = Int32Array.from(raw.map(([a]) => a)).sort();
          const hi = Int32Array.from(raw.map(([, b]) => b)).sort();
          const found = windowMin(Float64Array.from(values), lo, hi);
          lo.forEach((from, q) => {
            const window = values.slice(from, hi[q]! + 1);
            expect(found.values[q]).toBe(Math.min(Infinity, ...window));
            if (found.at[q]! >= 0) expect(values[found.at[q]!]).toBe(found.values[q]);
          });
        },
      ),
    );
  });
});
