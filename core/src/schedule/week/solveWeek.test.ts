import { describe, expect, it } from 'vitest';
import { seededRandom } from '../../numeric';
import { everyWeek } from '../../testing/everyWeek';
import { addCosts, compareCosts } from './cost';
import type { WeekCost, WeekJob, WeekProblem, WeekTask, WeekWay } from './model';
import { WEEK_GOALS } from './model';
import { FULL_EFFORT, solveWeek } from './solveWeek';

const HOUR = 3_600_000;
const ZERO = Date.UTC(2026, 2, 2);
const hour = (h: number): number => ZERO + h * HOUR;

/** A small shop by chance: one or two people with hours, kilns, printers, and jobs of two or three tasks. */
function seededShop(seed: number): WeekProblem {
  const { uniform } = seededRandom(seed);
  const pick = <T>(of: readonly T[]): T => of[Math.floor(uniform() * of.length)]!;
  const upTo = (n: number): number => Math.floor(uniform() * (n + 1));
  const slots = 12 + upTo(4);
  const people = Array.from({ length: 1 + upTo(1) }, (_, p) => ({
    key: `p${p}`,
    spans: [
      { from: hour(upTo(2)), to: hour(5 + upTo(3)) },
      { from: hour(9 + upTo(1)), to: hour(slots - upTo(1)) },
    ],
  }));
  const names = people.map(({ key }) => key);
  const task = (key: string): WeekTask => {
    const minutes = 60 * (1 + upTo(2));
    const handsMin = pick([0, 60, minutes]);
    return {
      key,
      minutes,
      handsMin,
      who: uniform() < 0.7 ? names : [pick(names)],
      ...(handsMin === minutes && minutes > 60 && uniform() < 0.4 ? { breakable: true } : {}),
      ...(uniform() < 0.2 ? { machines: pick([['m0'], ['m0', 'm1']]) } : {}),
      ...(uniform() < 0.1 ? { notBefore: hour(upTo(4)) } : {}),
    };
  };
  const jobs = Array.from({ length: 2 + (uniform() < 0.25 ? 1 : 0) }, (_, j): WeekJob => {
    const tasks = Array.from({ length: 2 + upTo(1) }, (_, t) => task(`t${t}`));
    const gaps = tasks.slice(1).map(() => {
      const leastMin = 60 * upTo(1);
      return { leastMin, mostMin: leastMin + 60 * upTo(2) };
    });
    const burns = uniform() < 0.7;
    const way = (kiln: string): WeekWay => ({
      kiln,
      tasks,
      gaps,
      zero: tasks.length - 1,
      kilnIn: tasks.length - 2,
    });
    return {
      key: `j${j}`,
      ways: burns ? (uniform() < 0.3 ? [way('k0'), way('k1')] : [way('k0')]) : [{ tasks, gaps, zero: tasks.length - 1 }], // prettier-ignore
      ...(uniform() < 0.6 ? { wanted: hour(upTo(slots)) } : {}),
    };
  });
  return {
    from: ZERO,
    to: hour(slots),
    slotMin: 60,
    jobs,
    people,
    civil: [{ from: hour(2), to: hour(10) }],
    goal: WEEK_GOALS[seed % 4]!,
  };
}

/** The least cost of all that can be done, by trying everything; undefined: nothing can. */
function byTryingAll(problem: WeekProblem): WeekCost | undefined {
  const { waysOf, usesOf, costOf } = everyWeek(problem);
  const all = problem.jobs.map((job) =>
    waysOf(job)
      .map((way) => ({ cost: costOf(way), uses: usesOf(way) }))
      .filter(({ uses }) => new Set(uses).size === uses.length)
      .sort((a, b) => compareCosts(a.cost, b.cost)),
  );
  let best: WeekCost | undefined;
  const used = new Set<string>();
  const place = (n: number, sum: WeekCost): void => {
    if (best && compareCosts(sum, best) >= 0) return;
    if (n === all.length) {
      best = sum;
      return;
    }
    for (const { cost, uses } of all[n]!) {
      const next = addCosts(sum, cost);
      if (best && compareCosts(next, best) >= 0) break;
      if (uses.some((use) => used.has(use))) continue;
      uses.forEach((use) => used.add(use));
      place(n + 1, next);
      uses.forEach((use) => used.delete(use));
    }
  };
  place(0, [0, 0, 0]);
  return best;
}

describe('solveWeek against trying everything', () => {
  it.each(Array.from({ length: 10 }, (_, n) => n))(
    'gives the same least cost in 30 seeded shops (%i)',
    (block) => {
      let solved = 0;
      for (let seed = block * 30; seed < block * 30 + 30; seed++) {
        const problem = seededShop(seed);
        const answer = solveWeek(problem, { ...FULL_EFFORT, proof: 40_000 });
        const least = byTryingAll(problem);
        if (least === undefined) expect(answer.status, `seed ${seed}`).toBe('none');
        else {
          solved++;
          expect(answer, `seed ${seed}`).toMatchObject({ status: 'planned', best: true });
          if (answer.status !== 'planned') continue;
          // The third level breaks ties only.
          expect(answer.cost.slice(0, 2), `seed ${seed}`).toEqual(least.slice(0, 2));
          expect(answer.bound.slice(0, 2), `seed ${seed}`).toEqual(least.slice(0, 2));
        }
      }
      expect(solved).toBeGreaterThan(5);
    },
  );
});
