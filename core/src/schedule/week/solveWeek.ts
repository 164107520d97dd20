import { InputError, seededRandom } from '../../numeric';
import { NO_COST } from './cost';
import type { WeekAnswer, WeekCost, WeekProblem } from './model';
import { WeekSearch } from './search';

/** How much is tried before an answer is given, in loads placed. */
export interface Effort {
  /** By hand, one job after the other: one order at least, others until so many are placed. */
  orders: number;
  /** In the proof. */
  proof: number;
  /** Any plan will do: the first that is found is the answer. */
  anyPlan?: boolean;
}
/** A first answer, at once. */
export const FIRST_EFFORT: Effort = { orders: 0, proof: 0 };
export const FULL_EFFORT: Effort = { orders: 800, proof: 1600 };

function checked({ jobs, slotMin, from, to }: WeekProblem): void {
  if (!(slotMin > 0) || !(to > from)) throw new InputError('to', 'a stretch of time', to);
  for (const { ways, key } of jobs) {
    if (ways.length === 0) throw new InputError('ways', 'at least one way', key);
    for (const { tasks, gaps, zero } of ways) {
      if (tasks.length === 0 || gaps.length !== tasks.length - 1) throw new InputError('gaps', 'one between tasks', gaps.length); // prettier-ignore
      if (!tasks[zero]) throw new InputError('zero', 'a task', zero);
      for (const { minutes, handsMin } of tasks)
        if (!(minutes > 0 && minutes < 1e6 && handsMin >= 0 && handsMin <= minutes)) throw new InputError('minutes', 'above 0, hands within them', minutes); // prettier-ignore
    }
  }
}

/**
 * Times, people, machines and kilns for everything a shop has to do, the best by the goal: exact where the proof comes to an end, else good, with a bound that
 * no plan can be below (handbook 07, "Counting back from zero"). Each load alone is placed exactly; where loads want one thing at once, both ways out are
 * searched, the cheapest first. Throws InputError for what is no problem at all.
 */
export function solveWeek(
  problem: WeekProblem,
  effort: Effort = FULL_EFFORT,
  tell: (share: number) => void = () => undefined,
): WeekAnswer {
  checked(problem);
  const search = new WeekSearch(problem);
  const { jobs } = problem;
  const alone = jobs.filter((job) => !search.alone(search.loads.of([job])!));
  if (alone.length > 0) return { status: 'none', alone: alone.map(({ key }) => key), tried: search.tried };
  const random = seededRandom(7).uniform;
  search.byOrders(jobs, 0, random, () => undefined);
  const { sharings, all } = search.loads.sharings(jobs);
  // Where not every sharing can be tried, the one of the best plan is: it may be mended, though nothing is proven by it.
  const kept = all ? sharings : search.best ? [search.best.placed.map(({ load }) => load)] : sharings.slice(0, 1); // prettier-ignore
  const roots = kept.flatMap((loads) => search.rootOf(loads) ?? []);
  const share = effort.proof / Math.max(1, effort.orders + effort.proof);
  const any = effort.anyPlan ?? false;
  if (search.best && any) return answerOf(search, problem, false, undefined);
  const { proven, bound } = search.prove(roots, effort.proof, any, (done) => tell(done * share));
  // What is proven needs no luck.
  if (!(proven && all) && effort.orders > 0)
    search.byOrders(jobs, effort.orders, random, (done) => tell(share + done * (1 - share)));
  if (!search.best && proven && all) return { status: 'none', alone: [], tried: search.tried };
  return answerOf(search, problem, proven && all && !any, all && !any ? bound : undefined);
}

function answerOf(
  search: WeekSearch,
  problem: WeekProblem,
  proven: boolean,
  bound: WeekCost | undefined,
): WeekAnswer {
  // prettier-ignore
  const { best, tried } = search;
  if (!best) return { status: 'not found', tried };
  const { cost } = best;
  return { status: 'planned', best: proven, jobs: search.jobsOf(best), cost, bound: bound ?? boundOfAlone(search, problem), tried }; // prettier-ignore
}

/** What holds for any sharing of kilns: no job is poured sooner, or nearer to when it is wanted, than with the shop to itself. */
function boundOfAlone(search: WeekSearch, { goal, jobs }: WeekProblem): WeekCost {
  if (goal === 'civil' || goal === 'kiln') return NO_COST;
  const first = jobs.map((job) => search.alone(search.loads.of([job])!)!.places.cost[0]);
  return [first.reduce((sum, one) => sum + one, 0), 0, 0];
}
