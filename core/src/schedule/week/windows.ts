import { MINUTE_MS } from '../benchHours';
import { ceilSlots, floorSlots, type Grid } from './slots';
import type { TreeEdge } from './tree';

/** From each slot of what is earlier, the first and last slot in which what is later may begin. */
function windowsOf(
  edge: TreeEdge,
  ends: Float64Array,
  afterOffset: number,
  grid: Grid,
  held: Int32Array | undefined,
) {
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
    const most = floorSlots(end + edge.gap.mostMin - afterOffset, slotMin);
    const free = held ? held[Math.min(grid.slots, floorSlots(end, slotMin))]! : grid.slots - 1;
    hi[slot] = Math.min(grid.slots - 1, most, free);
  }
  return { lo, hi };
}

/** From each slot on, the first marked one: what holds a thing without a break begins its next no later. */
export function nextMarked(marks: Uint8Array): Int32Array {
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

/** Windows of an edge from both sides. */
export interface Windows {
  lo: Int32Array;
  hi: Int32Array;
  back: { lo: Int32Array; hi: Int32Array };
}

/** Those that no kiln's other loads narrow, kept by the ends that they come from: edges are asked for thousands of times. */
export type WindowsKept = WeakMap<TreeEdge, Map<Float64Array, Windows>>;

export function windowsKept(
  kept: WindowsKept,
  edge: TreeEdge,
  ends: Float64Array,
  afterOffset: number,
  grid: Grid,
  held: Int32Array | undefined,
): Windows {
  const of = kept.get(edge) ?? new Map<Float64Array, Windows>();
  kept.set(edge, of);
  let found = held ? undefined : of.get(ends);
  if (!found) {
    const windows = windowsOf(edge, ends, afterOffset, grid, held);
    found = { ...windows, back: turned(windows) };
    if (!held) of.set(ends, found);
  }
  return found;
}
