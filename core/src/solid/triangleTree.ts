import type { BoundaryTest } from './boundary';
import { mortonOrder } from './mortonOrder';

/** Triangles in a leaf, and children of a node. */
const WIDTH = 8;

/** A surface point that is nearer by less than 0.05 % of the distance is not looked for. */
const NEAR_ENOUGH = 0.999;

/** Numbers a slab: normal x y z, middle, half width. */
const SLAB = 5;

/** Where a closest-point query ended: squared distance, the point, its triangle. */
export interface Closest {
  distance2: number;
  x: number;
  y: number;
  z: number;
  triangle: number;
}

/**
 * A packed bounding-box tree over triangles sorted along a space-filling curve: leaves of eight, nodes of eight,
 * level after level in flat arrays (the layout of packed Hilbert R-trees, Kamel & Faloutsos 1993).
 * Level 0 are the leaves; box n of a level covers boxes 8n … 8n + 7 of the level below.
 */
export class TriangleTree {
  /** Triangles in the order of the leaves. */
  readonly order: Uint32Array;
  /** Boxes of all levels: min x y z, max x y z. */
  readonly boxes: Float64Array;
  /** First box of each level. */
  readonly levels: readonly number[];
  /** For each leaf the slab that holds its triangles: mean normal n, middle and half width of n·vertex. */
  private readonly slabs: Float64Array;
  private readonly stack = new Int32Array(512);
  private readonly near = new Float64Array(512);

  /**
   * O(n log n) in triangles. `which` are the triangles to hold, all by default; points that `isBoundary` refuses
   * are not found.
   */
  constructor(
    readonly positions: Float64Array,
    readonly triangles: Uint32Array,
    which?: Uint32Array,
    private readonly isBoundary?: BoundaryTest,
  ) {
    this.order = mortonOrder(positions, triangles, which);
    const counts = [Math.ceil(this.order.length / WIDTH)];
    while (counts.at(-1)! > 1) counts.push(Math.ceil(counts.at(-1)! / WIDTH));
    const levels: number[] = [];
    let total = 0;
    for (const count of counts) {
      levels.push(total);
      total += count;
    }
    this.levels = levels;
    this.boxes = new Float64Array(6 * total);
    for (let b = 0; b < this.boxes.length; b += 6) {
      this.boxes.fill(Infinity, b, b + 3);
      this.boxes.fill(-Infinity, b + 3, b + 6);
    }
    this.boxLeaves();
    this.slabs = this.slabLeaves();
    for (let level = 1; level < levels.length; level++) this.boxNodes(levels[level - 1]!, levels[level]!);
  }

  private boxLeaves(): void {
    const { positions, triangles, order, boxes } = this;
    for (let n = 0; n < order.length; n++) {
      const box = 6 * Math.floor(n / WIDTH);
      for (let c = 0; c < 3; c++) {
        const v = 3 * triangles[3 * order[n]! + c]!;
        for (let k = 0; k < 3; k++) {
          const value = positions[v + k]!;
          if (value < boxes[box + k]!) boxes[box + k] = value;
          if (value > boxes[box + 3 + k]!) boxes[box + 3 + k] = value;
        }
      }
    }
  }

  /**
   * A leaf of a smooth surface is almost flat, so its slab bounds the distance far closer than its box does. From
   * the middle of a round section every leaf is equally far, and only the slab tells without trying each triangle.
   */
  private slabLeaves(): Float64Array {
    const { order, positions: p, triangles } = this;
    const slabs = new Float64Array(SLAB * Math.ceil(order.length / WIDTH));
    for (let leaf = 0, s = 0; s < slabs.length; leaf++, s += SLAB) {
      const end = Math.min(leaf * WIDTH + WIDTH, order.length);
      for (let n = leaf * WIDTH; n < end; n++) addAreaVector(p, triangles, order[n]!, slabs, s);
      const length = Math.hypot(slabs[s]!, slabs[s + 1]!, slabs[s + 2]!) || 1;
      for (let k = 0; k < 3; k++) slabs[s + k]! /= length;
      let [low, high] = [Infinity, -Infinity];
      for (let n = leaf * WIDTH; n < end; n++) {
        for (let c = 0; c < 3; c++) {
          const v = 3 * triangles[3 * order[n]! + c]!;
          const along = slabs[s]! * p[v]! + slabs[s + 1]! * p[v + 1]! + slabs[s + 2]! * p[v + 2]!;
          if (along < low) low = along;
          if (along > high) high = along;
        }
      }
      slabs[s + 3] = (low + high) / 2;
      slabs[s + 4] = (high - low) / 2;
    }
    return slabs;
  }

  private boxNodes(below: number, level: number): void {
    const { boxes } = this;
    for (let b = below; b < level; b++) {
      const node = 6 * (level + Math.floor((b - below) / WIDTH));
      for (let k = 0; k < 3; k++) {
        if (boxes[6 * b + k]! < boxes[node + k]!) boxes[node + k] = boxes[6 * b + k]!;
        if (boxes[6 * b + 3 + k]! > boxes[node + 3 + k]!) boxes[node + 3 + k] = boxes[6 * b + 3 + k]!;
      }
    }
  }

  /** Level of a box. */
  levelOf(box: number): number {
    let level = this.levels.length - 1;
    while (this.levels[level]! > box) level--;
    return level;
  }

  /** Boxes (of the level below) or order places (of a leaf) under a box, as [first, end). */
  under(box: number, level: number): [number, number] {
    const n = box - this.levels[level]!;
    if (level === 0) return [n * WIDTH, Math.min(n * WIDTH + WIDTH, this.order.length)];
    const first = this.levels[level - 1]! + n * WIDTH;
    return [first, Math.min(first + WIDTH, this.levels[level]!)];
  }

  /**
   * Nearest point of the surface, if it is nearer than √within2; `out` is left alone otherwise and false
   * comes back. Depth first, nearest child first.
   */
  closest(x: number, y: number, z: number, within2: number, out: Closest): boolean {
    const { stack, near, levels, slabs } = this;
    let best = within2;
    let found = false;
    let depth = 0;
    stack[0] = this.boxes.length / 6 - 1;
    near[0] = 0;
    while (depth >= 0) {
      const box = stack[depth]!;
      if (near[depth--]! >= best * NEAR_ENOUGH) continue;
      const level = this.levelOf(box);
      if (level > 0) {
        const first = levels[level - 1]! + (box - levels[level]!) * WIDTH;
        depth = this.pushChildren(first, Math.min(first + WIDTH, levels[level]!), depth, best, x, y, z);
        continue;
      }
      const s = SLAB * box;
      const apart = Math.abs(slabs[s]! * x + slabs[s + 1]! * y + slabs[s + 2]! * z - slabs[s + 3]!) - slabs[s + 4]!;
      if (apart > 0 && apart * apart >= best * NEAR_ENOUGH) continue;
      const end = Math.min(box * WIDTH + WIDTH, this.order.length);
      for (let n = box * WIDTH; n < end; n++) {
        const d = closestOnTriangle(this.positions, this.triangles, this.order[n]!, x, y, z);
        if (d >= best) continue;
        if (this.isBoundary && !this.isBoundary(this.order[n]!, point[0]!, point[1]!, point[2]!)) continue;
        best = d;
        found = true;
        out.distance2 = d;
        [out.x, out.y, out.z] = [point[0]!, point[1]!, point[2]!];
        out.triangle = this.order[n]!;
      }
    }
    return found;
  }

  /** Calls `each` for every triangle in a leaf whose box comes within the radius. */
  eachNear(at: readonly number[], radiusMm: number, each: (triangle: number) => void): void {
    const { boxes, stack } = this;
    let depth = 0;
    stack[0] = boxes.length / 6 - 1;
    while (depth >= 0) {
      const box = stack[depth--]!;
      let apart2 = 0;
      for (let k = 0; k < 3; k++) {
        apart2 += Math.max(boxes[6 * box + k]! - at[k]!, 0, at[k]! - boxes[6 * box + 3 + k]!) ** 2;
      }
      if (apart2 > radiusMm * radiusMm) continue;
      const level = this.levelOf(box);
      const [first, end] = this.under(box, level);
      for (let n = first; n < end; n++) {
        if (level > 0) stack[++depth] = n;
        else each(this.order[n]!);
      }
    }
  }

  /** Children that can beat `best`, the nearest on top of the stack. */
  private pushChildren(
    first: number, end: number, depth: number, best: number, x: number, y: number, z: number,
  ): number {
    const { boxes, stack, near } = this;
    const floor = depth + 1;
    let top = depth;
    for (let b = first; b < end; b++) {
      const n = 6 * b;
      const dx = x < boxes[n]! ? boxes[n]! - x : x > boxes[n + 3]! ? x - boxes[n + 3]! : 0;
      const dy = y < boxes[n + 1]! ? boxes[n + 1]! - y : y > boxes[n + 4]! ? y - boxes[n + 4]! : 0;
      const dz = z < boxes[n + 2]! ? boxes[n + 2]! - z : z > boxes[n + 5]! ? z - boxes[n + 5]! : 0;
      const d = dx * dx + dy * dy + dz * dz;
      if (d >= best) continue;
      let at = ++top;
      for (; at > floor && near[at - 1]! < d; at--) {
        near[at] = near[at - 1]!;
        stack[at] = stack[at - 1]!;
      }
      near[at] = d;
      stack[at] = b;
    }
    return top;
  }
} // prettier-ignore

/** Adds twice the area vector of triangle t to out[at…at + 2]. */
function addAreaVector(
  p: Float64Array, triangles: Uint32Array, t: number, out: Float64Array, at: number,
): void {
  const a = 3 * triangles[3 * t]!, b = 3 * triangles[3 * t + 1]!, c = 3 * triangles[3 * t + 2]!; // prettier-ignore
  const ux = p[b]! - p[a]!, uy = p[b + 1]! - p[a + 1]!, uz = p[b + 2]! - p[a + 2]!; // prettier-ignore
  const vx = p[c]! - p[a]!, vy = p[c + 1]! - p[a + 1]!, vz = p[c + 2]! - p[a + 2]!; // prettier-ignore
  out[at]! += uy * vz - uz * vy;
  out[at + 1]! += uz * vx - ux * vz;
  out[at + 2]! += ux * vy - uy * vx;
} // prettier-ignore

/** The last point that `closestOnTriangle` found. */
const point = new Float64Array(3);

/** Squared distance from (x, y, z) to triangle t; the nearest point goes to `point` (Ericson 2005, 5.1.5). */
function closestOnTriangle(
  p: Float64Array,
  triangles: Uint32Array,
  t: number,
  x: number,
  y: number,
  z: number,
): number {
  const a = 3 * triangles[3 * t]!, b = 3 * triangles[3 * t + 1]!, c = 3 * triangles[3 * t + 2]!; // prettier-ignore
  const ax = p[a]!, ay = p[a + 1]!, az = p[a + 2]!; // prettier-ignore
  const abx = p[b]! - ax, aby = p[b + 1]! - ay, abz = p[b + 2]! - az; // prettier-ignore
  const acx = p[c]! - ax, acy = p[c + 1]! - ay, acz = p[c + 2]! - az; // prettier-ignore
  const apx = x - ax, apy = y - ay, apz = z - az; // prettier-ignore
  const d1 = abx * apx + aby * apy + abz * apz;
  const d2 = acx * apx + acy * apy + acz * apz;
  const bb = abx * abx + aby * aby + abz * abz;
  const cc = acx * acx + acy * acy + acz * acz;
  const bc = abx * acx + aby * acy + abz * acz;
  const [d3, d4, d5, d6] = [d1 - bb, d2 - bc, d1 - bc, d2 - cc];
  const vc = d1 * d4 - d3 * d2;
  const vb = d5 * d2 - d1 * d6;
  const va = d3 * d6 - d5 * d4;
  let v = 0;
  let w = 0;
  if (d1 <= 0 && d2 <= 0) v = w = 0;
  else if (d3 >= 0 && d4 <= d3) v = 1;
  else if (d6 >= 0 && d5 <= d6) w = 1;
  else if (vc <= 0 && d1 >= 0 && d3 <= 0) v = d1 / (d1 - d3);
  else if (vb <= 0 && d2 >= 0 && d6 <= 0) w = d2 / (d2 - d6);
  else if (va <= 0 && d4 - d3 >= 0 && d5 - d6 >= 0) {
    w = (d4 - d3) / (d4 - d3 + (d5 - d6));
    v = 1 - w;
  } else {
    const sum = va + vb + vc;
    v = vb / sum;
    w = vc / sum;
  }
  point[0] = ax + abx * v + acx * w;
  point[1] = ay + aby * v + acy * w;
  point[2] = az + abz * v + acz * w;
  return (x - point[0]) ** 2 + (y - point[1]) ** 2 + (z - point[2]) ** 2;
}
