import type { WeekCost, WeekGoal, WeekProblem } from './model';
import { slotsWithin, type Grid } from './slots';
import type { TreeNode } from './tree';

/** Levels of a cost lie this far apart in one number: what one load can cost on a level stays below. */
const LEVEL = 2 ** 17;

/** Somebody who has waited longer than this has gone and comes again. min */
const TRIP_MIN = 90;

/** How the goal counts what is done. */
export interface Counting {
  goal: WeekGoal;
  grid: Grid;
  civil: Uint8Array;
}

export const countingOf = ({ goal, civil }: WeekProblem, grid: Grid): Counting => ({
  goal,
  grid,
  civil: slotsWithin(grid, civil),
});

type Parts = { zero: number; off: number; uncivil: number; kiln: number; span: number };

function levels(goal: WeekGoal, { zero, off, uncivil, kiln, span }: Parts): WeekCost {
  if (goal === 'civil') return [uncivil, zero, span];
  if (goal === 'kiln') return [kiln, zero, span];
  if (goal === 'wanted') return [off, uncivil, span];
  return [zero, uncivil, span];
}

/** What a task adds by beginning in a slot. Spans and kiln hours are counted from the grid's end, so that none is below zero. */
function partsOf({ grid, civil }: Counting, { task, ...node }: TreeNode, slot: number): Parts {
  // What nobody wants at a time is wanted soon.
  const wanted = ((node.wanted ?? grid.from) - grid.from) / grid.slotMs;
  return {
    zero: node.zero ? slot : 0,
    off: node.zero ? Math.round(Math.abs(slot - wanted)) : 0,
    uncivil: task.handsMin > 0 && task.at === undefined && civil[slot] !== 1 ? 1 : 0,
    kiln: (node.kilnIn ? grid.slots - slot : 0) + (node.kilnOut ? slot : 0),
    span: (node.first ? grid.slots - slot : 0) + (node.last ? slot : 0),
  };
}

const asNumber = ([a, b, c]: WeekCost): number => (a * LEVEL + b) * LEVEL + c;

/** What one of each part weighs in the one number, by the goal. */
function weights(goal: WeekGoal): Parts {
  const one = (part: keyof Parts): number =>
    asNumber(levels(goal, { zero: 0, off: 0, uncivil: 0, kiln: 0, span: 0, [part]: 1 }));
  return {
    zero: one('zero'),
    off: one('off'),
    uncivil: one('uncivil'),
    kiln: one('kiln'),
    span: one('span'),
  };
}

/** Of all slots of a task, what beginning there costs, in one number: as partsOf says, for thousands of them. */
export function slotCosts({ goal, grid, civil }: Counting, node: TreeNode): Float64Array {
  const { slots, from, slotMs } = grid;
  const { zero, off, uncivil, kiln, span } = weights(goal);
  const [isZero, isFirst, isLast, isIn, isOut] = [node.zero, node.first, node.last, node.kilnIn, node.kilnOut].map(Number) as [number, number, number, number, number]; // prettier-ignore
  const attended = node.task.handsMin > 0 && node.task.at === undefined ? uncivil : 0;
  const wanted = ((node.wanted ?? from) - from) / slotMs;
  const out = new Float64Array(slots);
  for (let slot = 0; slot < slots; slot++) {
    const left = slots - slot;
    out[slot] =
      isZero * (zero * slot + off * Math.round(Math.abs(slot - wanted))) +
      (civil[slot] === 1 ? 0 : attended) +
      kiln * (isIn * left + isOut * slot) +
      span * (isFirst * left + isLast * slot);
  }
  return out;
}

/** A wait that sends somebody home costs a trip, where trips count. */
export const tripCost = ({ goal }: Counting): { overMin: number; cost: number } =>
  goal === 'civil' ? { overMin: TRIP_MIN, cost: asNumber([1, 0, 0]) } : { overMin: Infinity, cost: 0 };

/** Whether somebody waits between two tasks at all. */
export const countsTrips = (before: TreeNode, after: TreeNode): boolean =>
  before.task.handsMin > 0 && after.task.handsMin > 0;

export const NO_COST: WeekCost = [0, 0, 0];
export const addCosts = (a: WeekCost, b: WeekCost): WeekCost => [a[0] + b[0], a[1] + b[1], a[2] + b[2]];
/** On the levels that are proven. */
export const compareGoals = (a: WeekCost, b: WeekCost): number => a[0] - b[0] || a[1] - b[1];
export const compareCosts = (a: WeekCost, b: WeekCost): number => a[0] - b[0] || a[1] - b[1] || a[2] - b[2];

/** What a whole tree costs as its tasks begin. */
export function costOfTree(
  counting: Counting,
  nodes: readonly TreeNode[],
  slots: ArrayLike<number>,
  trips: number,
): WeekCost {
  const sum = nodes.reduce(
    (cost, node, n) => addCosts(cost, levels(counting.goal, partsOf(counting, node, slots[n]!))),
    NO_COST,
  );
  return counting.goal === 'civil' ? addCosts(sum, [trips, 0, 0]) : sum;
}

/** Whether a wait sends somebody home. */
export const isTrip = (gapMin: number): boolean => gapMin > TRIP_MIN + 1e-9;
