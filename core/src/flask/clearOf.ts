import { TriangleTree } from '../solid';
import type { HungShape } from './hungShape';
import { middleOf } from './hungShape';
import { meshGap } from './meshGap';
import { between, hangingPose, type Hanging, type Pose } from './pose';

/** A shape where it hangs. */
export interface Hung {
  shape: HungShape;
  pose: Pose;
}
export const hang = (shape: HungShape, hanging: Hanging): Hung => ({
  shape,
  pose: hangingPose(shape.gate, hanging),
});

const apart = (p: readonly number[], q: readonly number[]): number =>
  Math.hypot(p[0]! - q[0]!, p[1]! - q[1]!, p[2]! - q[2]!);

/**
 * The gap between two that hang: part to part, and each part to the other's gate; `within` where it is no narrower. Gates may come
 * near each other: they meet on the sprue.
 */
export function gapOf(a: Hung, b: Hung, within: number, anyNearer = false): number {
  const middles = apart(middleOf(a.shape, a.pose), middleOf(b.shape, b.pose));
  if (middles - a.shape.radiusMm - b.shape.radiusMm >= within) return within;
  const pose = between(a.pose, b.pose);
  let gap = meshGap(a.shape.tree, b.shape.tree, pose, within, anyNearer);
  if (b.shape.bar && !(anyNearer && gap < within))
    gap = meshGap(a.shape.tree, b.shape.bar, pose, gap, anyNearer);
  if (a.shape.bar && !(anyNearer && gap < within))
    gap = meshGap(a.shape.bar, b.shape.tree, pose, gap, anyNearer);
  return gap;
}

/** Whether two hang nearer than `gapMm`. */
export const isNearer = (a: Hung, b: Hung, gapMm: number): boolean => gapOf(a, b, gapMm, true) < gapMm;

type Vec = readonly [number, number, number];

/** The axis of a round bar as a surface without width, from one place to another. mm. */
export const bareAxis = (from: Vec, to: Vec): TriangleTree =>
  new TriangleTree(Float64Array.from([...from, ...to, ...to]), Uint32Array.from([0, 1, 2]));

/** … of a main sprue, from one height to another. */
export const sprueAxis = (fromMm: number, toMm: number): TriangleTree =>
  bareAxis([0, 0, fromMm], [0, 0, toMm]);

/** The gap between a part and a sprue or branch of that radius; its own gate begins there and does not count. */
export const gapToSprue = (
  { shape, pose }: Hung,
  axis: TriangleTree,
  radiusMm: number,
  within: number,
): number => Math.max(0, meshGap(axis, shape.tree, pose, within + radiusMm) - radiusMm);
