import {
  FOREVER_MIN,
  type WeekGap,
  type WeekJob,
  type WeekProblem,
  type WeekTask,
  type WeekWay,
} from './model';

/** What is wished of a job, and may have to give way. */
export const WISHES = ['zero', 'kiln', 'holds', 'hours', 'fresh'] as const;
export type WishKind = (typeof WISHES)[number];
export interface Wish {
  job: string;
  kind: WishKind;
}

export const wishKey = ({ job, kind }: Wish): string => `${job} ${kind}`;

/** Hands that a kiln asks for between its loading and the melt: what may be left to run by itself. */
export const isKilnHand = ({ kilnIn, zero }: WeekWay, task: number): boolean =>
  kilnIn !== undefined && task > kilnIn && task < zero;

/** Everything that a job can be wished: only what binds it at all. */
export const wishesOf = (job: WeekJob): Wish[] => {
  const { ways, wanted, kiln, key } = job;
  const binds: Record<WishKind, boolean> = {
    zero: wanted !== undefined && ways.some(({ tasks, zero }) => tasks[zero]!.at === undefined),
    kiln: kiln !== undefined && ways.some((way) => way.kiln !== kiln),
    holds: ways.some(({ gaps }) =>
      gaps.some(({ nowMin, mostMin }) => nowMin !== undefined && mostMin > nowMin),
    ),
    hours: ways.some((way) => way.tasks.some(({ handsMin, at }, n) => handsMin > 0 && at === undefined && isKilnHand(way, n))), // prettier-ignore
    fresh: ways.some(({ gaps, tasks }) => gaps.some(({ fresh }) => fresh) || tasks.some(({ notAfter }) => notAfter !== undefined)), // prettier-ignore
  };
  return WISHES.filter((kind) => binds[kind]).map((kind) => ({ job: key, kind }));
};

/** A job with only these of its wishes kept. */
function wished(job: WeekJob, keeps: (kind: WishKind) => boolean): WeekJob {
  const gapOf = (gap: WeekGap): WeekGap => {
    const mostMin = keeps('holds') && gap.nowMin !== undefined ? gap.nowMin : gap.mostMin;
    return { ...gap, mostMin: gap.fresh && !keeps('fresh') ? FOREVER_MIN : mostMin };
  };
  const taskOf = (way: WeekWay, task: WeekTask, n: number): WeekTask => {
    const { notAfter, ...free } = task;
    const kept = keeps('fresh') || notAfter === undefined ? task : free;
    if (n === way.zero && keeps('zero') && job.wanted !== undefined && task.at === undefined)
      return { ...kept, notBefore: job.wanted, notAfter: job.wanted };
    return keeps('hours') || !isKilnHand(way, n) ? kept : { ...kept, handsMin: 0 };
  };
  const ways = job.ways.filter(({ kiln }) => !keeps('kiln') || job.kiln === undefined || kiln === job.kiln);
  return {
    ...job,
    // A kiln that is none any more leaves the others.
    ways: (ways.length > 0 ? ways : job.ways).map((way) => ({
      ...way,
      gaps: way.gaps.map(gapOf),
      tasks: way.tasks.map((task, n) => taskOf(way, task, n)),
    })),
  };
}

/** A problem in which these wishes are kept, and all others given up. */
export function withWishes(problem: WeekProblem, kept: readonly Wish[]): WeekProblem {
  const keys = new Set(kept.map(wishKey));
  return {
    ...problem,
    jobs: problem.jobs.map((job) => wished(job, (kind) => keys.has(wishKey({ job: job.key, kind })))),
  };
}
