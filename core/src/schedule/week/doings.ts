import { MINUTE_MS } from '../benchHours';
import { slotCosts } from './cost';
import { ceilSlots, floorSlots, runningSums, type Grid } from './slots';
import type { TreeNode } from './tree';
import {
  HOLD,
  kilnKey,
  machineKey,
  personKey,
  type Doing,
  type Forbidden,
  type Taken,
  type World,
} from './world';

function knownOf(world: World, node: TreeNode) {
  let known = world.known.get(node);
  if (!known) world.known.set(node, (known = { costs: slotCosts(world, node), ends: new Map() }));
  return known;
}

/** When a task is over: by its length, or by when somebody is there to go on with it. */
function endsOf(world: World, node: TreeNode, broken: Int32Array | undefined): Float64Array {
  const { ends } = knownOf(world, node);
  let found = ends.get(broken);
  if (!found)
    ends.set(broken, (found = broken ? brokenEnds(node, world.grid, broken) : fixedEnds(node, world.grid)));
  return found;
}

/** First and last slot that a task may begin in. */
function slotBounds({ task, offsetMin }: TreeNode, grid: Grid): [number, number] {
  const slotMin = grid.slotMs / MINUTE_MS;
  const minutes = (at: number): number => (at - grid.from) / MINUTE_MS - offsetMin;
  const { at, notBefore = at, notAfter = at } = task;
  const first = notBefore === undefined ? 0 : Math.max(0, ceilSlots(minutes(notBefore), slotMin));
  const last = notAfter === undefined ? Infinity : floorSlots(minutes(notAfter), slotMin);
  return [first, Math.min(grid.slots - 1, last)];
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

function fixedEnds({ task, offsetMin }: TreeNode, { slots, slotMs }: Grid): Float64Array {
  const ends = new Float64Array(slots);
  for (let slot = 0; slot < slots; slot++)
    ends[slot] = (slot * slotMs) / MINUTE_MS + offsetMin + task.minutes;
  return ends;
}

/** Sums that are 0 everywhere: of what nothing forbids. */
const free = new Map<number, Int32Array>();
function noSums(slots: number): Int32Array {
  let sums = free.get(slots);
  if (!sums) free.set(slots, (sums = new Int32Array(slots + 1)));
  return sums;
}

/** Sums of marks, for one search: many tasks ask for the same. */
export type Sums = Map<Uint8Array, Int32Array>;

/** What one way of doing a task needs, slot by slot. */
interface Need {
  /** Slots that it takes, and that hands take; −1: by its own ends. */
  length: number;
  hands: number;
  /** Who must be there, summed; undefined: nobody, or it has begun. */
  present: Int32Array | undefined;
  breaks: boolean;
  /** Where hands, the machine, the kiln are taken, summed. */
  busy: Int32Array;
  used: Int32Array;
  hold: Int32Array;
  /** Slots in which it must not begin; undefined: none. */
  begins: readonly Uint8Array[];
}

/** Keeps in each slot the way that costs least, where it is free to be done. */
function keepWhere(
  doing: Doing,
  index: number,
  costs: Float64Array,
  need: Need,
  first: number,
  last: number,
  slotMin: number,
): void {
  // prettier-ignore
  const { length, hands, present, breaks, busy, used, hold, begins } = need;
  const { cost, which, ends } = doing;
  const slots = cost.length;
  for (let slot = first; slot <= last; slot++) {
    if (cost[slot]! <= costs[slot]!) continue;
    const end = breaks ? ends[slot]! / slotMin : slot + length;
    if (!(end <= slots)) continue;
    const handsEnd = breaks ? end : slot + hands;
    if (present) {
      const there = present[handsEnd]! - present[slot]!;
      if (breaks ? present[slot + 1] === present[slot] : there < hands) continue;
    }
    if (begins.length > 0 && begins.some((marks) => marks[slot] !== 0)) continue;
    if (busy[handsEnd] !== busy[slot] || used[end] !== used[slot] || hold[end] !== hold[slot]) continue;
    cost[slot] = costs[slot]!;
    which[slot] = index;
  }
}

/**
 * How a task can be done, with what forbids it; those who may break it off each end it at their own times. Empty: by nobody. The costs are the caller's own,
 * to add to.
 */
export function doingsOf(
  node: TreeNode,
  world: World,
  forbidden: Forbidden,
  kiln: string | undefined,
  sums: Sums,
): Doing[] {
  const known = knownOf(world, node);
  const banned = isBanned(node, forbidden.taken, kiln) || isBanned(node, forbidden.begins, kiln);
  if (known.free && !banned) return known.free.map((one) => ({ ...one, cost: one.cost.slice() }));
  const doings = reckonDoings(node, world, forbidden, kiln, sums);
  if (!banned) known.free = doings.map((one) => ({ ...one, cost: one.cost.slice() }));
  return doings;
}

/** Whether anything that a task could use is taken at some time. */
function isBanned({ task, key, inKiln }: TreeNode, taken: Taken, kiln: string | undefined): boolean {
  return (
    (inKiln && kiln !== undefined && taken(HOLD, kilnKey(kiln)) !== undefined) ||
    (task.handsMin > 0 && task.who.some((who) => taken(key, personKey(who)) !== undefined)) ||
    (task.machines ?? []).some((machine) => taken(key, machineKey(machine)) !== undefined)
  );
}

function reckonDoings(
  node: TreeNode,
  world: World,
  { taken, begins }: Forbidden,
  kiln: string | undefined,
  sums: Sums,
): Doing[] {
  const { task, offsetMin } = node;
  const { grid } = world;
  const slotMin = grid.slotMs / MINUTE_MS;
  const sumsOf = (name: string, thing: string | undefined): Int32Array => {
    const marks = thing === undefined ? undefined : taken(name, thing);
    if (!marks) return noSums(grid.slots);
    let found = sums.get(marks);
    if (!found) sums.set(marks, (found = runningSums(marks)));
    return found;
  };
  const hold = sumsOf(HOLD, node.inKiln && kiln !== undefined ? kilnKey(kiln) : undefined);
  const { costs } = knownOf(world, node);
  const [first, last] = slotBounds(node, grid);
  const length = ceilSlots(offsetMin + task.minutes, slotMin);
  const hands = ceilSlots(offsetMin + task.handsMin, slotMin);
  const machines = (task.machines ?? [undefined]).map((machine) => ({
    machine,
    used: sumsOf(node.key, machine === undefined ? undefined : machineKey(machine)),
  }));
  const doings: Doing[] = [];
  let together: Doing | undefined;
  for (const who of task.handsMin > 0 ? task.who : [undefined]) {
    const there = who === undefined ? undefined : world.there.get(who);
    if (who !== undefined && !there) continue;
    const breaks = task.breakable === true && there !== undefined;
    const busy = sumsOf(node.key, who === undefined ? undefined : personKey(who));
    const blankDoing = (ends: Float64Array): Doing => ({
      cost: new Float64Array(grid.slots).fill(Infinity),
      which: new Int8Array(grid.slots),
      by: [],
      ends,
    });
    const doing = breaks ? blankDoing(endsOf(world, node, there)) : (together ??= blankDoing(endsOf(world, node, undefined))); // prettier-ignore
    if (!doings.includes(doing)) doings.push(doing);
    const present = task.at === undefined ? there : undefined;
    for (const { machine, used } of machines) {
      const index = doing.by.push({ who, machine }) - 1;
      const things = [
        ...(who === undefined ? [] : [[node.key, personKey(who)] as const]),
        ...(machine === undefined ? [] : [[node.key, machineKey(machine)] as const]),
        ...(node.kilnIn && kiln !== undefined ? [[HOLD, kilnKey(kiln)] as const] : []),
      ];
      const marks = things.flatMap(([name, thing]) => begins(name, thing) ?? []);
      const need = {
        begins: marks,
        length,
        hands: task.handsMin > 0 ? hands : 0,
        present,
        breaks,
        busy,
        used,
        hold,
      };
      keepWhere(doing, index, costs, need, first, last, slotMin);
    }
  }
  return doings;
}
