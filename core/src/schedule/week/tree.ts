import { MINUTE_MS } from '../benchHours';
import type { WeekGap, WeekJob, WeekTask, WeekWay } from './model';

/** A task of jobs that are done together: those of one kiln's load share what the kiln does. */
export interface TreeNode {
  /** The job's key and the task's. */
  key: string;
  job: string;
  task: WeekTask;
  /** It begins so long after a slot. min */
  offsetMin: number;
  /** The first and the last task of its job; its pour; the kiln taken by the load. */
  first: boolean;
  last: boolean;
  zero: boolean;
  kilnIn: boolean;
  /** The last pour of the load: the kiln is free after it. */
  kilnOut: boolean;
  /** The kiln is held for its whole time. */
  inKiln: boolean;
  wanted: number | undefined;
}
export interface TreeEdge {
  /** Indices of nodes: what is earlier, what is later. */
  before: number;
  after: number;
  gap: WeekGap;
  inKiln: boolean;
}
export interface WeekTree {
  nodes: TreeNode[];
  edges: TreeEdge[];
  kiln: string | undefined;
  /** Of each member which nodes are its tasks, in their order: a load's kiln tasks are every member's. */
  members: { job: string; way: number; nodes: number[] }[];
}

/** A member of a load: a job, done so. */
export interface Member {
  job: WeekJob;
  way: number;
}

const AT_ONCE: WeekGap = { leastMin: 0, mostMin: 0 };

/** When a task must begin, where only one moment does. */
export const onlyAt = ({ at, notBefore, notAfter }: WeekTask): number | undefined =>
  at ?? (notBefore !== undefined && notBefore === notAfter ? notBefore : undefined);

/** Jobs that go through one kiln together, in the order of their pours, or one job by itself. The first one's way says what the kiln does. */
export function treeOf(load: readonly Member[], slotMin: number, from: number): WeekTree {
  const tree: WeekTree = { nodes: [], edges: [], kiln: wayOf(load[0]!).kiln, members: [] };
  let lead: number[] = [];
  let lastZero = -1;
  for (const member of load) {
    const way = wayOf(member);
    const own: number[] = [];
    way.tasks.forEach((_, i) => {
      const shared = lead.length > 0 && way.kilnIn !== undefined && i >= way.kilnIn && i < way.zero;
      own.push(shared ? lead[i - way.kilnIn!]! : addNode(tree, member, i));
      if (i === 0 || (shared && i > way.kilnIn!)) return;
      const poursNext = lead.length > 0 && i === way.zero;
      tree.edges.push({
        before: poursNext ? lastZero : own[i - 1]!,
        after: own[i]!,
        gap: poursNext ? AT_ONCE : way.gaps[i - 1]!,
        inKiln: way.kilnIn !== undefined && i > way.kilnIn && i <= way.zero,
      });
    });
    if (lead.length === 0 && way.kilnIn !== undefined) lead = own.slice(way.kilnIn, way.zero);
    lastZero = own[way.zero]!;
    tree.members.push({ job: member.job.key, way: member.way, nodes: own });
  }
  if (tree.kiln !== undefined) tree.nodes[lastZero]!.kilnOut = true;
  tiePhases(tree, slotMin, from);
  return tree;
}

const wayOf = ({ job, way }: Member): WeekWay => job.ways[way]!;

function addNode(tree: WeekTree, { job, way }: Member, i: number): number {
  const { tasks, zero, kilnIn } = job.ways[way]!;
  const task = tasks[i]!;
  return (
    tree.nodes.push({
      key: `${job.key}/${task.key}`,
      job: job.key,
      task,
      offsetMin: 0,
      first: i === 0,
      last: i === tasks.length - 1,
      zero: i === zero,
      kilnIn: i === kilnIn,
      kilnOut: false,
      inKiln: kilnIn !== undefined && i >= kilnIn && i <= zero,
      wanted: job.wanted,
    }) - 1
  );
}

/** Tasks that follow each other to the minute begin where that minute falls, not where slots do: counted from what is pinned, else from the pour. */
function tiePhases({ nodes, edges }: WeekTree, slotMin: number, from: number): void {
  const fixed = nodes.map(({ task }) => onlyAt(task));
  const set = new Set<number>();
  const begin = (n: number): void => {
    const at = fixed[n];
    nodes[n]!.offsetMin = at === undefined ? 0 : modulo((at - from) / MINUTE_MS, slotMin);
    set.add(n);
    const todo = [n];
    for (let i = todo.pop(); i !== undefined; i = todo.pop())
      for (const { before, after, gap } of edges) {
        if (gap.mostMin - gap.leastMin >= slotMin || nodes[before]!.task.breakable) continue;
        const step = nodes[before]!.task.minutes + gap.leastMin;
        const [other, sign] = before === i ? [after, 1] : after === i ? [before, -1] : [-1, 0];
        if (other < 0 || set.has(other)) continue;
        nodes[other]!.offsetMin = modulo(nodes[i]!.offsetMin + sign * step, slotMin);
        set.add(other);
        todo.push(other);
      }
  };
  const all = [...nodes.keys()];
  const order = [...all.filter((n) => fixed[n] !== undefined), ...all.filter((n) => nodes[n]!.zero), ...all];
  for (const n of order) if (!set.has(n)) begin(n);
}

/** What is a whole slot but for rounding is one. */
function modulo(minutes: number, slotMin: number): number {
  const rest = Math.round((((minutes % slotMin) + slotMin) % slotMin) * 1e5) / 1e5;
  return rest >= slotMin - 1e-3 ? 0 : rest;
}
