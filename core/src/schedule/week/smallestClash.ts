import type { WeekAnswer, WeekGoal, WeekProblem } from './model';
import { solveWeek, type Effort } from './solveWeek';
import { wishesOf, wishKey, withWishes, type Wish, type WishKind } from './wishes';

/** Enough to know of a handful of wishes whether they go together. */
const CLASH_EFFORT: Effort = { orders: 0, proof: 150, anyPlan: true };
/** … and to find by how little one of them gives way. */
const CHANGE_EFFORT: Effort = { orders: 0, proof: 150 };

/** One wish given up, all others kept: what the shop's weeks look like then. */
export interface GivenUp {
  wish: Wish;
  answer: WeekAnswer & { status: 'planned' };
  /** Only those that clash go together then: something else still does not fit. */
  partly: boolean;
}

export type ClashAnswer =
  | { status: 'fits'; answer: WeekAnswer & { status: 'planned' } }
  /**
   * `clash`: together they cannot be, and without any one of them they can. Empty: `hopeless` jobs cannot be done whatever is given up. `beside`: jobs that give
   * nothing up, and leave too little hands or kiln.
   */
  | {
      status: 'clash';
      clash: Wish[];
      beside: string[];
      changes: GivenUp[];
      hopeless: string[];
      sure: boolean;
    };

/** What is least when a wish gives way: the move of a pour, the hours of a kiln. */
const GOAL_OF: Record<WishKind, WeekGoal> = {
  zero: 'wanted',
  kiln: 'wanted',
  holds: 'kiln',
  hours: 'wanted',
  fresh: 'wanted',
};

const without = (wishes: readonly Wish[], gone: Wish): Wish[] =>
  wishes.filter((wish) => wishKey(wish) !== wishKey(gone));

/**
 * Whether all wishes go together, and if not the fewest that clash, with every single one given up in turn, each really tried (handbook 07, "when impossible,
 * name the step that does not fit and by how much"). One job by itself is looked at first, then two, then all: what is named is no larger than it must be.
 */
export function smallestClash(
  problem: WeekProblem,
  wishes: readonly Wish[] = problem.jobs.flatMap(wishesOf),
  effort: Effort = CLASH_EFFORT,
  tell: (share: number) => void = () => undefined,
): ClashAnswer {
  let sure = true;
  const answerOf = (
    kept: readonly Wish[],
    among: ReadonlySet<string>,
    how = effort,
    goal = problem.goal,
  ): WeekAnswer => {
    const jobs = problem.jobs.filter(({ key }) => among.has(key));
    return solveWeek(withWishes({ ...problem, jobs, goal }, kept), how);
  };
  /** Only what is proven to clash is a clash; what nobody could settle is told apart. */
  const goTogether = (kept: readonly Wish[], among: ReadonlySet<string>): boolean => {
    const { status } = answerOf(kept, among);
    if (status === 'not found') sure = false;
    return status === 'planned';
  };
  const everybody = new Set(problem.jobs.map(({ key }) => key));
  const whole = answerOf(wishes, everybody);
  if (whole.status === 'planned') return { status: 'fits', answer: whole };
  const group = smallestGroup([...everybody], (keys) => goTogether(wishes, keys), tell);
  const own = wishes.filter(({ job }) => group.has(job));
  if (!goTogether([], group)) {
    const hopeless = [...group].filter((key) => !goTogether([], new Set([key])));
    return { status: 'clash', clash: [], beside: [], changes: [], hopeless, sure };
  }
  let clash = own;
  for (const wish of own) {
    const fewer = without(clash, wish);
    if (!goTogether(fewer, group)) clash = fewer;
  }
  tell(0.7);
  const changes = clash.flatMap((wish, n): GivenUp[] => {
    tell(0.7 + (0.3 * n) / clash.length);
    const goal = GOAL_OF[wish.kind];
    const all = answerOf(without(wishes, wish), everybody, CHANGE_EFFORT, goal);
    if (all.status === 'planned') return [{ wish, answer: all, partly: false }];
    const part = answerOf(without(own, wish), group, CHANGE_EFFORT, goal);
    return part.status === 'planned' ? [{ wish, answer: part, partly: true }] : [];
  });
  const beside = [...group].filter((key) => !clash.some(({ job }) => job === key));
  return { status: 'clash', clash, beside, changes, hopeless: [], sure };
}

/** The fewest jobs whose wishes do not go together: one, two, else those that are left when each that is not needed is put aside. */
function smallestGroup(
  keys: readonly string[],
  fits: (keys: ReadonlySet<string>) => boolean,
  tell: (share: number) => void,
): ReadonlySet<string> {
  const one = keys.find((key) => !fits(new Set([key])));
  if (one !== undefined) return new Set([one]);
  const pairs = keys.flatMap((a, i) => keys.slice(i + 1).map((b) => [a, b] as const));
  for (const [n, pair] of pairs.slice(0, MOST_PAIRS).entries()) {
    tell((0.5 * n) / pairs.length);
    if (!fits(new Set(pair))) return new Set(pair);
  }
  let group = [...keys];
  for (const key of keys) {
    const fewer = group.filter((other) => other !== key);
    if (!fits(new Set(fewer))) group = fewer;
  }
  return new Set(group);
}

/** More pairs than this are not tried one by one. */
const MOST_PAIRS = 200;
