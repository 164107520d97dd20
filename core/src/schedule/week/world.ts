import type { Counting } from './cost';
import type { TreeEdge, TreeNode } from './tree';
import type { WindowsKept } from './windows';

/** Things that do one job at a time, as the solver calls them. */
export const personKey = (key: string): string => `person ${key}`;
export const machineKey = (key: string): string => `machine ${key}`;
export const kilnKey = (key: string): string => `kiln ${key}`;

/** Slots in which a task must not use a thing; undefined: it may in all. A load's hold of its kiln goes by HOLD instead of a task. */
export type Taken = (node: string, thing: string) => Uint8Array | undefined;
/** What a task must not do: use a thing in some slots, or begin to use it in some. */
export interface Forbidden {
  taken: Taken;
  begins: Taken;
}
export const nothingForbidden: Forbidden = { taken: () => undefined, begins: () => undefined };
export const HOLD = 'hold';

/** Ways of doing a task that end alike: the best of them in each slot, and which that is. */
export interface Doing {
  cost: Float64Array;
  /** Index into `by`; meaningless where the cost is infinite. */
  which: Int8Array;
  by: { who: string | undefined; machine: string | undefined }[];
  /** Minutes from the grid's beginning at which it is over, by the slot it begins in. */
  ends: Float64Array;
}

/** What does not change from one search to the next. */
export interface World extends Counting {
  /** By person: the slots they are there, summed. */
  there: ReadonlyMap<string, Int32Array>;
  /** What has been reckoned of a task already: it is asked for thousands of times. */
  known: WeakMap<
    TreeNode,
    { costs: Float64Array; free?: Doing[]; ends: Map<Int32Array | undefined, Float64Array> }
  >;
  windows: WindowsKept;
  parts: WeakMap<TreeEdge, EdgePart[]>;
}

/** An edge up to a wait, or beyond it, and what that wait costs. */
export interface EdgePart {
  edge: TreeEdge;
  more: number;
}
