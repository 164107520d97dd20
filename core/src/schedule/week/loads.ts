import { SHARED_WITHIN_C, type WeekJob, type WeekWay } from './model';
import type { Member } from './tree';

/** Jobs that are in one kiln together (or one that is alone), and the ways in which they can be: the kilns that take them. */
export interface Load {
  ways: readonly (readonly Member[])[];
  jobs: readonly WeekJob[];
}

/** More ways to share kilns than this are not all tried. */
const MOST_SHARINGS = 60;

/** Whether flasks can go through one kiln together: one programme, casting temperatures near each other, room for all. */
function fits(ways: readonly WeekWay[]): boolean {
  const { kiln, programme } = ways[0]!;
  const temps = ways.map(({ castingC }) => castingC ?? NaN);
  return (
    kiln !== undefined &&
    programme !== undefined &&
    ways.every(
      (way) =>
        way.kiln === kiln &&
        way.programme === programme &&
        way.share !== undefined &&
        way.kilnIn !== undefined,
    ) &&
    Math.max(...temps) - Math.min(...temps) <= SHARED_WITHIN_C &&
    ways.reduce((sum, { share }) => sum + share!, 0) <= 1 + 1e-9
  );
}

const castingOf = ({ job, way }: Member): number => job.ways[way]!.castingC ?? 0;

/** The ways in which jobs can be one load. */
function waysOf(jobs: readonly WeekJob[]): Member[][] {
  if (jobs.length === 1) return jobs[0]!.ways.map((_, way) => [{ job: jobs[0]!, way }]);
  return jobs[0]!.ways.flatMap(({ kiln }) => {
    if (kiln === undefined) return [];
    const members = jobs.map((job) => ({ job, way: job.ways.findIndex((way) => way.kiln === kiln) }));
    if (members.some(({ way }) => way < 0) || !fits(members.map(({ job, way }) => job.ways[way]!))) return [];
    // Poured hottest first: the kiln comes down to the next.
    return [members.sort((a, b) => castingOf(b) - castingOf(a) || a.job.key.localeCompare(b.job.key))];
  });
}

/** Loads of jobs, each made once. */
export class Loads {
  private readonly made = new Map<string, Load>();

  /** The load of these jobs together; undefined where they cannot be one. */
  of(jobs: readonly WeekJob[]): Load | undefined {
    const inOrder = [...jobs].sort((a, b) => a.key.localeCompare(b.key));
    const key = inOrder.map((job) => job.key).join('\n');
    let load = this.made.get(key);
    if (!load) this.made.set(key, (load = { jobs: inOrder, ways: waysOf(inOrder) }));
    return load.ways.length > 0 ? load : undefined;
  }

  /** Every way to put jobs into loads, everybody alone first; `all`: whether none was left out for their number. */
  sharings(jobs: readonly WeekJob[]): { sharings: Load[][]; all: boolean } {
    const sharings: Load[][] = [];
    let all = true;
    const place = (n: number, loads: readonly Load[]): void => {
      if (sharings.length >= MOST_SHARINGS) all = false;
      else if (n === jobs.length) sharings.push([...loads]);
      else {
        const alone = this.of([jobs[n]!]);
        if (alone) place(n + 1, [...loads, alone]);
        loads.forEach((load, at) => {
          const joined = this.of([...load.jobs, jobs[n]!]);
          if (joined) place(n + 1, loads.map((one, i) => (i === at ? joined : one))); // prettier-ignore
        });
      }
    };
    place(0, []);
    return { sharings, all };
  }
}
