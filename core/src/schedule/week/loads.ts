import { SHARED_WITHIN_C, type WeekJob, type WeekWay } from './model';
import type { Member } from './tree';

/** Jobs that are in one kiln together (or one that is alone), and the ways in which they can be: the kilns that take them. */
export interface Load {
  ways: readonly (readonly Member[])[];
  jobs: readonly WeekJob[];
}

/** More ways to share kilns than this are not all tried. */
const MOST_SHARINGS = 200;

/** Whether flasks can go through one kiln together: one programme, casting temperatures near each other, room for all. */
function fits(ways: readonly WeekWay[]): boolean {
  const [first] = ways;
  const temps = ways.map(({ castingC }) => castingC ?? NaN);
  return (
    first!.kiln !== undefined &&
    ways.every(
      ({ kiln, programme, share, kilnIn }) =>
        kiln === first!.kiln &&
        programme !== undefined &&
        programme === first!.programme &&
        share !== undefined &&
        kilnIn !== undefined,
    ) &&
    Math.max(...temps) - Math.min(...temps) <= SHARED_WITHIN_C &&
    ways.reduce((sum, { share }) => sum + share!, 0) <= 1 + 1e-9
  );
}

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
const castingOf = ({ job, way }: Member): number => job.ways[way]!.castingC ?? 0;

export const loadOf = (jobs: readonly WeekJob[]): Load => ({ jobs, ways: waysOf(jobs) });

/** Everybody alone, then all other ways of sharing kilns; `all`: whether none was left out for their number. */
export function sharings(jobs: readonly WeekJob[]): { loads: Load[][]; all: boolean } {
  const alone = jobs.map((job) => loadOf([job]));
  const pairs = new Map<string, boolean>();
  const canPair = (a: WeekJob, b: WeekJob): boolean => {
    const key = `${a.key}\n${b.key}`;
    if (!pairs.has(key)) pairs.set(key, waysOf([a, b]).length > 0);
    return pairs.get(key)!;
  };
  const out: Load[][] = [];
  let all = true;
  function place(n: number, groups: WeekJob[][]): void {
    if (out.length >= MOST_SHARINGS) {
      all = false;
      return;
    }
    if (n === jobs.length) {
      const loads = groups.map((group) => (group.length === 1 ? alone[jobs.indexOf(group[0]!)]! : loadOf(group)));
      if (loads.every(({ ways }) => ways.length > 0)) out.push(loads);
      return;
    }
    const job = jobs[n]!;
    // By itself first: the plainest sharing is the first one found.
    place(n + 1, [...groups, [job]]);
    groups.forEach((group, g) => {
      if (!group.every((other) => canPair(other, job))) return;
      place(
        n + 1,
        groups.map((one, i) => (i === g ? [...one, job] : one)),
      );
    });
  }
  place(0, []);
  return { loads: out, all };
}
