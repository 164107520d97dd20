import { MINUTE_MS } from '../benchHours';
import { costOfTree, countsTrips, isTrip, slotCosts, tripCost, type Counting } from './cost';
import type { WeekCost } from './model';
import { runningSums, type Grid } from './slots';
import { type TreeEdge, type TreeNode, type WeekTree } from './tree';
import { windowMin, type WindowMin } from './windowMin';

/** Things that do one job at a time, as the solver calls them. */
export const personKey = (key: string): string => `person ${key}`;
export const machineKey = (key: string): string => `machine ${key}`;
export const kilnKey = (key: string): string => `kiln ${key}`;

/** Slots in which a task must not use a thing; undefined: it may in all. A load's hold of its kiln goes by HOLD instead of a task. */
export type Taken = (node: string, thing: string) => Uint8Array | undefined;
export const HOLD = 'hold';

/** What does not change from one search to the next. */
export interface World extends Counting {
  /** By person: the slots they are there, summed. */
  there: ReadonlyMap<string, Int32Array>;
}

/** A tree's tasks as they were placed, by index of its nodes. */
export interface TreePlaces {
  slots: Int32Array;
  /** Minutes from the grid's beginning at which each is over. */
  ends: Float64Array;
  who: (string | undefined)[];
  machine: (string | undefined)[];
  cost: WeekCost;
}

const EPS = 1e-6;
const ceilSlots = (minutes: number, slotMin: number): number => Math.ceil(minutes / slotMin - EPS);
const floorSlots = (minutes: number, slotMin: number): number => Math.floor(minutes / slotMin + EPS);

/** Ways of doing a task that end alike: the best of them in each slot, and which that is. */
interface Doing {
  cost: Float64Array;
  /** Index into `by`; meaningless where the cost is infinite. */
  which: Int8Array;
  by: { who: string | undefined; machine: string | undefined }[];
  /** Minutes from the grid's beginning. */
  ends: Float64Array;
}

/** Whether [a, b) lies in the grid and none of it is marked. */
const isFree = (sums: Int32Array | undefined, a: number, b: number): boolean =>
  !sums || sums[b]! - sums[a]! === 0;

/** How a task can be done, with what forbids it; those who may break it off each end it at their own times. */
function doingsOf(node: TreeNode, world: World, taken: Taken, kiln: string | undefined): Doing[] {
  const { task, offsetMin } = node;
  const { grid } = world;
  const slotMin = grid.slotMs / MINUTE_MS;
  const sumsOf = (name: string, thing: string): Int32Array | undefined => {
    const marks = taken(name, thing);
    return marks && runningSums(marks);
  };
  const hold = node.inKiln && kiln !== undefined ? sumsOf(HOLD, kilnKey(kiln)) : undefined;
  const costs = slotCosts(world, node);
  const [firstSlot, lastSlot] = slotBounds(node, grid);
  const people = task.handsMin > 0 ? task.who : [undefined];
  const doings: Doing[] = [];
  const fixedEnds = Float64Array.from(costs, (_, slot) => slot * slotMin + offsetMin + task.minutes);
  for (const who of people) {
    const present = who === undefined ? undefined : world.there.get(who);
    if (who !== undefined && !present) continue;
    const breaks = task.breakable === true && present !== undefined;
    const ends = breaks ? brokenEnds(node, grid, present) : fixedEnds;
    const busy = who === undefined ? undefined : sumsOf(node.key, personKey(who));
    let doing = breaks ? undefined : doings.find((one) => one.ends === fixedEnds);
    if (!doing) {
      doing = { cost: new Float64Array(grid.slots).fill(Infinity), which: new Int8Array(grid.slots), by: [], ends }; // prettier-ignore
      doings.push(doing);
    }
    for (const machine of task.machines ?? [undefined]) {
      const used = machine === undefined ? undefined : sumsOf(node.key, machineKey(machine));
      const index = doing.by.push({ who, machine }) - 1;
      for (let slot = firstSlot; slot <= lastSlot; slot++) {
        if (doing.cost[slot]! <= costs[slot]!) continue;
        const end = ceilSlots(ends[slot]!, slotMin);
        if (!(end <= grid.slots)) continue;
        const handsEnd = breaks ? end : slot + ceilSlots(offsetMin + task.handsMin, slotMin);
        if (present && !breaks && task.at === undefined && present[handsEnd]! - present[slot]! < handsEnd - slot)
          continue;
        if (breaks && present[slot + 1]! === present[slot]!) continue;
        if (!isFree(busy, slot, handsEnd) || !isFree(used, slot, end) || !isFree(hold, slot, end)) continue;
        doing.cost[slot] = costs[slot]!;
        doing.which[slot] = index;
      }
    }
  }
  return doings;
}

/** First and last slot that a task may begin in. */
function slotBounds({ task, offsetMin }: TreeNode, grid: Grid): [number, number] {
  const slotMin = grid.slotMs / MINUTE_MS;
  const minutes = (at: number): number => (at - grid.from) / MINUTE_MS - offsetMin;
  const { at, notBefore = at, notAfter = at } = task;
  const first = notBefore === undefined ? 0 : Math.max(0, ceilSlots(minutes(notBefore), slotMin));
  const last = notAfter === undefined ? grid.slots - 1 : Math.min(grid.slots - 1, floorSlots(minutes(notAfter), slotMin)); // prettier-ignore
  return [first, last];
}

/** When a task is over that goes on only while somebody is there. Infinity: not on this grid. */
function brokenEnds({ task, offsetMin }: TreeNode, grid: Grid, present: Int32Array): Float64Array {
  const slotMin = grid.slotMs / MINUTE_MS;
  const needs = ceilSlots(offsetMin + task.minutes, slotMin);
  const ends = new Float64Array(grid.slots).fill(Infinity);
  let end = 0;
  for (let slot = 0; slot < grid.slots; slot++) {
    end = Math.max(end, slot);
    while (end < grid.slots && present[end]! - present[slot]! < needs) end++;
    if (present[end]! - present[slot]! >= needs) ends[slot] = end * slotMin;
  }
  return ends;
}

/** From each slot of what is earlier, the first and last slot in which what is later may begin. */
function windowsOf(edge: TreeEdge, ends: Float64Array, afterOffset: number, grid: Grid, held: Int32Array | undefined) {
  const slotMin = grid.slotMs / MINUTE_MS;
  const lo = new Int32Array(grid.slots);
  const hi = new Int32Array(grid.slots);
  for (let slot = 0; slot < grid.slots; slot++) {
    const end = ends[slot]!;
    if (end === Infinity) {
      // Nothing comes after it; the bounds go on rising, so that the windows stay in order.
      lo[slot] = grid.slots;
      hi[slot] = Math.max(grid.slots - 1, slot > 0 ? hi[slot - 1]! : 0);
      continue;
    }
    lo[slot] = Math.min(grid.slots, ceilSlots(end + edge.gap.leastMin - afterOffset, slotMin));
    const most = edge.gap.mostMin === Infinity ? grid.slots - 1 : floorSlots(end + edge.gap.mostMin - afterOffset, slotMin); // prettier-ignore
    const free = held ? held[Math.min(grid.slots, floorSlots(end, slotMin))]! : grid.slots - 1;
    hi[slot] = Math.min(grid.slots - 1, most, free);
  }
  return { lo, hi };
}

/** From each slot on, the first marked one: what holds a thing without a break begins its next no later. */
function nextMarked(marks: Uint8Array): Int32Array {
  const next = new Int32Array(marks.length + 1).fill(marks.length);
  for (let slot = marks.length - 1; slot >= 0; slot--) next[slot] = marks[slot] ? slot : next[slot + 1]!;
  return next;
}

/** … turned round: for each slot of what is later, the slots of what is earlier that lead there. Both ends never fall. */
function turned({ lo, hi }: { lo: Int32Array; hi: Int32Array }): { lo: Int32Array; hi: Int32Array } {
  const n = lo.length;
  const out = { lo: new Int32Array(n), hi: new Int32Array(n) };
  let [first, past] = [0, 0];
  for (let t = 0; t < n; t++) {
    while (first < n && hi[first]! < t) first++;
    while (past < n && lo[past]! <= t) past++;
    out.lo[t] = first;
    out.hi[t] = past - 1;
  }
  return out;
}

/** The best of what hangs on one side of an edge, for each slot of the other side: with which doing, in which slot. */
interface Message {
  values: Float64Array;
  at: Int32Array;
  doing: Int8Array;
}

const blank = (slots: number): Message => ({
  values: new Float64Array(slots).fill(Infinity),
  at: new Int32Array(slots).fill(-1),
  doing: new Int8Array(slots),
});

function keepLess(into: Message, found: WindowMin, doing: number, more: number): void {
  for (let slot = 0; slot < into.values.length; slot++) {
    const value = found.values[slot]! + more;
    if (value >= into.values[slot]!) continue;
    into.values[slot] = value;
    into.at[slot] = found.at[slot]!;
    into.doing[slot] = doing;
  }
}

/** Waits up to a trip cost nothing, longer ones a trip. */
function gapsOf(edge: TreeEdge, counts: boolean, { overMin, cost }: { overMin: number; cost: number }) {
  const { leastMin, mostMin } = edge.gap;
  if (!counts || mostMin <= overMin) return [{ edge, more: 0 }];
  if (leastMin > overMin) return [{ edge, more: cost }];
  return [
    { edge: { ...edge, gap: { leastMin, mostMin: overMin } }, more: 0 },
    { edge, more: cost },
  ];
}

/**
 * The cheapest places of a tree's tasks, exactly: people and machines are there, waits keep their bounds, nothing uses what is taken. Undefined where there are
 * none. Each task's best by slot goes up to the root along the edges as the least in a sliding window: O(tasks × slots × ways of doing them).
 */
export function bestOfTree(tree: WeekTree, world: World, taken: Taken): TreePlaces | undefined {
  const { grid } = world;
  const { nodes, edges } = tree;
  const held = tree.kiln === undefined ? undefined : taken(HOLD, kilnKey(tree.kiln));
  const nextHeld = held && nextMarked(held);
  const doings = nodes.map((node) => doingsOf(node, world, taken, tree.kiln));
  if (doings.some((ways) => ways.length === 0)) return undefined;
  const trip = tripCost(world);
  const down = new Map<number, { edge: TreeEdge; child: number; messages: Message[] }[]>();

  /** Adds to every doing of a node what hangs on it beyond `parent`. */
  function gather(n: number, parent: number): void {
    const hanging: { edge: TreeEdge; child: number; messages: Message[] }[] = [];
    for (const edge of edges) {
      const child = edge.before === n ? edge.after : edge.after === n ? edge.before : -1;
      if (child < 0 || child === parent) continue;
      gather(child, n);
      const counts = countsTrips(nodes[edge.before]!, nodes[edge.after]!);
      const afterOffset = nodes[edge.after]!.offsetMin;
      const free = edge.inKiln ? nextHeld : undefined;
      const messages = doings[n]!.map(() => blank(grid.slots));
      for (const { edge: one, more } of gapsOf(edge, counts, trip)) {
        if (edge.after === n) {
          doings[child]!.forEach(({ cost, ends }, d) => {
            const windows = turned(windowsOf(one, ends, afterOffset, grid, free));
            keepLess(messages[0]!, windowMin(cost, windows.lo, windows.hi), d, more);
          });
        } else {
          doings[n]!.forEach(({ ends }, d) => {
            const { lo, hi } = windowsOf(one, ends, afterOffset, grid, free);
            doings[child]!.forEach(({ cost }, c) => keepLess(messages[d]!, windowMin(cost, lo, hi), c, more));
          });
        }
      }
      // What is earlier does not ask how this one is done.
      if (edge.after === n) messages.fill(messages[0]!);
      doings[n]!.forEach(({ cost }, d) => {
        for (let slot = 0; slot < cost.length; slot++) cost[slot] = cost[slot]! + messages[d]!.values[slot]!;
      });
      hanging.push({ edge, child, messages });
    }
    down.set(n, hanging);
  }
  const root = nodes.findIndex(({ zero }) => zero);
  gather(root, -1);
  const best = leastOf(doings[root]!);
  if (!best) return undefined;

  const chosen: { slot: number; doing: number }[] = [];
  function take(n: number, slot: number, doing: number): void {
    chosen[n] = { slot, doing };
    for (const { child, messages } of down.get(n)!)
      take(child, messages[doing]!.at[slot]!, messages[doing]!.doing[slot]!);
  }
  take(root, best.slot, best.doing);
  return placesOf(tree, world, doings, chosen);
}

function leastOf(doings: readonly Doing[]): { slot: number; doing: number } | undefined {
  let found: { slot: number; doing: number } | undefined;
  let least = Infinity;
  doings.forEach(({ cost }, doing) =>
    cost.forEach((value, slot) => {
      if (value < least) [least, found] = [value, { slot, doing }];
    }),
  );
  return found;
}

function placesOf(
  { nodes, edges }: WeekTree,
  world: World,
  doings: readonly Doing[][],
  chosen: readonly { slot: number; doing: number }[],
): TreePlaces {
  const slotMin = world.grid.slotMs / MINUTE_MS;
  const slots = Int32Array.from(chosen, ({ slot }) => slot);
  const doing = chosen.map((one, n) => doings[n]![one.doing]!);
  const ends = Float64Array.from(doing, (one, n) => one.ends[slots[n]!]!);
  const by = doing.map((one, n) => one.by[one.which[slots[n]!]!]!);
  const trips = edges.filter(({ before, after }) => {
    const waits = slots[after]! * slotMin + nodes[after]!.offsetMin - ends[before]!;
    return countsTrips(nodes[before]!, nodes[after]!) && isTrip(waits);
  }).length;
  return {
    slots,
    ends,
    who: by.map(({ who }) => who),
    machine: by.map(({ machine }) => machine),
    cost: costOfTree(world, nodes, slots, trips),
  };
}
