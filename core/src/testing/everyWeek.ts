import type { WeekCost, WeekJob, WeekProblem, WeekTask, WeekWay } from '../schedule/week/model';

/** A job in one of all the ways in which it can be done. */
export interface OneWay {
  job: string;
  way: WeekWay;
  starts: number[];
  ends: number[];
  who: (string | undefined)[];
  machine: (string | undefined)[];
}

/** Slots by plain words, for durations that are whole slots: an independent reading of what solveWeek promises. */
export function everyWeek(problem: WeekProblem) {
  const slotMs = problem.slotMin * 60_000;
  const slots = Math.round((problem.to - problem.from) / slotMs);
  const at = (slot: number): number => problem.from + slot * slotMs;
  const inside = (spans: readonly { from: number; to: number }[], slot: number): boolean =>
    spans.some((s) => s.from <= at(slot) && at(slot + 1) <= s.to);
  const isThere = (who: string, slot: number): boolean =>
    inside(problem.people.find(({ key }) => key === who)!.spans, slot);
  const len = (minutes: number): number => minutes / problem.slotMin;

  /** End of a task that begins in a slot, or undefined where it cannot. */
  function endOf(task: WeekTask, who: string | undefined, slot: number): number | undefined {
    if (task.breakable && who !== undefined) {
      if (!isThere(who, slot)) return undefined;
      let left = len(task.minutes);
      for (let s = slot; s < slots; s++) {
        if (isThere(who, s)) left--;
        if (left === 0) return s + 1;
      }
      return undefined;
    }
    const end = slot + len(task.minutes);
    if (end > slots) return undefined;
    if (who !== undefined && task.at === undefined)
      for (let s = slot; s < slot + len(task.handsMin); s++) if (!isThere(who, s)) return undefined;
    return end;
  }

  function waysOf(job: WeekJob): OneWay[] {
    return job.ways.flatMap((way) => {
      const out: OneWay[] = [];
      const one = { starts: [] as number[], ends: [] as number[], who: [] as (string | undefined)[], machine: [] as (string | undefined)[] }; // prettier-ignore
      const place = (n: number): void => {
        if (n === way.tasks.length) {
          out.push({ job: job.key, way, starts: [...one.starts], ends: [...one.ends], who: [...one.who], machine: [...one.machine] }); // prettier-ignore
          return;
        }
        const task = way.tasks[n]!;
        const gap = way.gaps[n - 1];
        for (let slot = 0; slot < slots; slot++) {
          if (task.at !== undefined && at(slot) !== task.at) continue;
          if (task.notBefore !== undefined && at(slot) < task.notBefore) continue;
          if (task.notAfter !== undefined && at(slot) > task.notAfter) continue;
          const waits = (slot - (one.ends[n - 1] ?? slot)) * problem.slotMin;
          if (gap && (waits < gap.leastMin || waits > gap.mostMin)) continue;
          for (const who of task.handsMin > 0 ? task.who : [undefined])
            for (const machine of task.machines ?? [undefined]) {
              const end = endOf(task, who, slot);
              if (end === undefined) continue;
              one.starts[n] = slot;
              one.ends[n] = end;
              one.who[n] = who;
              one.machine[n] = machine;
              place(n + 1);
            }
        }
      };
      place(0);
      return out;
    });
  }

  /** Everything in use, slot by slot: "thing slot". */
  function usesOf({ way, starts, ends, who, machine }: OneWay): string[] {
    const uses: string[] = [];
    way.tasks.forEach((task, n) => {
      const handsTo = task.breakable ? ends[n]! : starts[n]! + len(task.handsMin);
      for (let s = starts[n]!; s < handsTo; s++)
        if (who[n] !== undefined && (!task.breakable || isThere(who[n]!, s))) uses.push(`p ${who[n]} ${s}`);
      for (let s = starts[n]!; s < ends[n]!; s++)
        if (machine[n] !== undefined) uses.push(`m ${machine[n]} ${s}`);
    });
    if (way.kiln !== undefined && way.kilnIn !== undefined)
      for (let s = starts[way.kilnIn]!; s < ends[way.zero]!; s++) uses.push(`k ${way.kiln} ${s}`);
    return uses;
  }

  function costOf({ way, starts, ends, job }: OneWay): WeekCost {
    const zero = starts[way.zero]!;
    const span = slots - starts[0]! + starts.at(-1)!;
    const uncivil = way.tasks.filter((task, n) => task.handsMin > 0 && task.at === undefined && !inside(problem.civil, starts[n]!)).length; // prettier-ignore
    const trips = way.tasks.filter((task, n) => {
      const before = way.tasks[n - 1];
      return before && before.handsMin > 0 && task.handsMin > 0 && (starts[n]! - ends[n - 1]!) * problem.slotMin > 90; // prettier-ignore
    }).length;
    const kiln = way.kilnIn === undefined ? 0 : slots - starts[way.kilnIn]! + zero;
    const wanted = problem.jobs.find(({ key }) => key === job)!.wanted ?? problem.from;
    const off = Math.abs(zero - (wanted - problem.from) / slotMs);
    if (problem.goal === 'civil') return [uncivil + trips, zero, span];
    if (problem.goal === 'kiln') return [kiln, zero, span];
    if (problem.goal === 'wanted') return [off, uncivil, span];
    return [zero, uncivil, span];
  }
  return { waysOf, usesOf, costOf, slots };
}
