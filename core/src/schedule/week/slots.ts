import { MINUTE_MS, type Span } from '../benchHours';

/** A stretch of time cut into slots, numbered from 0. */
export interface Grid {
  from: number;
  slotMs: number;
  slots: number;
}

export const gridOf = (from: number, to: number, slotMin: number): Grid => {
  const slotMs = slotMin * MINUTE_MS;
  const first = Math.ceil(from / slotMs) * slotMs;
  return { from: first, slotMs, slots: Math.max(0, Math.floor((to - first) / slotMs)) };
};

export const momentOf = ({ from, slotMs }: Grid, slot: number): number => from + slot * slotMs;

/** Of each slot, whether it lies in the stretches from end to end. */
export function slotsWithin(grid: Grid, spans: readonly Span[]): Uint8Array {
  const there = new Uint8Array(grid.slots);
  for (let slot = 0; slot < grid.slots; slot++) {
    const at = momentOf(grid, slot);
    if (spans.some((span) => span.from <= at && span.to >= at + grid.slotMs)) there[slot] = 1;
  }
  return there;
}

/** How many of the slots before each are marked: the marked ones in [a, b) are sums[b] − sums[a]. */
export function runningSums(marks: Uint8Array): Int32Array {
  const sums = new Int32Array(marks.length + 1);
  for (let i = 0; i < marks.length; i++) sums[i + 1] = sums[i]! + marks[i]!;
  return sums;
}

/** What is so near a slot begins with it: lengths come of sums of fractions. */
const EPS = 1e-3;
export const ceilSlots = (minutes: number, slotMin: number): number => Math.ceil(minutes / slotMin - EPS);
export const floorSlots = (minutes: number, slotMin: number): number => Math.floor(minutes / slotMin + EPS);
