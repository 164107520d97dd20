import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { at, days, HOUR, MIN, of, planned, pour, shop, task, type Shape } from '../../testing/weekShop';
import { benchSpans, type BenchClock } from '../benchHours';
import type { WeekProblem } from './model';
import { solveWeek } from './solveWeek';

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
