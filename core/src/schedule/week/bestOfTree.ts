import { MINUTE_MS } from '../benchHours';
import { costOfTree, countsTrips, isTrip, tripCost } from './cost';
import { doingsOf, type Sums } from './doings';
import type { WeekCost } from './model';
import type { TreeEdge, WeekTree } from './tree';
import { windowMin, type WindowMin } from './windowMin';
import { nextMarked, windowsKept } from './windows';
import { HOLD, kilnKey, type Doing, type EdgePart, type Forbidden, type World } from './world';

/** A tree's tasks as they were placed, by index of its nodes. */
export interface TreePlaces {
  slots: Int32Array;
  /** Minutes from the grid's beginning at which each is over. */
  ends: Float64Array;
  who: (string | undefined)[];
  machine: (string | undefined)[];
  cost: WeekCost;
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
function partsOf(edge: TreeEdge, { nodes }: WeekTree, world: World): EdgePart[] {
  const known = world.parts.get(edge);
  if (known) return known;
  const { overMin, cost } = tripCost(world);
  const { leastMin, mostMin } = edge.gap;
  const counts = countsTrips(nodes[edge.before]!, nodes[edge.after]!);
  const short = { edge: { ...edge, gap: { leastMin, mostMin: Math.min(mostMin, overMin) } }, more: 0 };
  const parts = !counts || mostMin <= overMin ? [{ edge, more: 0 }] : [...(leastMin > overMin ? [] : [short]), { edge, more: cost }]; // prettier-ignore
  world.parts.set(edge, parts);
  return parts;
}

/**
 * The cheapest places of a tree's tasks, exactly: people and machines are there, waits keep their bounds, nothing uses what is taken. Undefined where there are
 * none. Each task's best by slot goes up to the root along the edges as the least in a sliding window: O(tasks × slots × ways of doing them).
 */
export function bestOfTree(tree: WeekTree, world: World, forbidden: Forbidden): TreePlaces | undefined {
  const { grid } = world;
  const { nodes, edges } = tree;
  const held = tree.kiln === undefined ? undefined : forbidden.taken(HOLD, kilnKey(tree.kiln));
  const nextHeld = held && nextMarked(held);
  const sums: Sums = new Map();
  const doings = nodes.map((node) => doingsOf(node, world, forbidden, tree.kiln, sums));
  if (doings.some((ways) => ways.length === 0)) return undefined;
  const down = new Map<number, { edge: TreeEdge; child: number; messages: Message[] }[]>();

  /** Adds to every doing of a node what hangs on it beyond `parent`. */
  function gather(n: number, parent: number): void {
    const hanging: { edge: TreeEdge; child: number; messages: Message[] }[] = [];
    for (const edge of edges) {
      const child = edge.before === n ? edge.after : edge.after === n ? edge.before : -1;
      if (child < 0 || child === parent) continue;
      gather(child, n);
      const afterOffset = nodes[edge.after]!.offsetMin;
      const free = edge.inKiln ? nextHeld : undefined;
      const messages = doings[n]!.map(() => blank(grid.slots));
      for (const { edge: one, more } of partsOf(edge, tree, world)) {
        if (edge.after === n) {
          doings[child]!.forEach(({ cost, ends }, d) => {
            const { back } = windowsKept(world.windows, one, ends, afterOffset, grid, free);
            keepLess(messages[0]!, windowMin(cost, back.lo, back.hi), d, more);
          });
        } else {
          doings[n]!.forEach(({ ends }, d) => {
            const { lo, hi } = windowsKept(world.windows, one, ends, afterOffset, grid, free);
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
