import type { FeedField } from '../gate';
import {
  BRICK_CELLS,
  cellAt,
  cellOf,
  CLIMB_OPPOSED,
  entryOf,
  FAR,
  joinBalls,
  refineBalls,
  RIDGE_SPACING,
  ridgeCells,
  thinRidge,
  type Balls,
  type Bricks,
  type TriangleTree,
} from '../solid';
import type { Passage } from './flow';

/**
 * The part as a net of places that metal runs through: nodes along its middles (balls of the ridge), each cell of the solid
 * with the node that it belongs to, and which nodes touch.
 */
export interface FillField {
  bricks: Bricks;
  tree: TriangleTree;
  /** Node of each cell; −1 outside, and in specks that have none. */
  nodeOf: Int32Array;
  nodes: FillNodes;
  /** Neighbours of node n: ends[starts[n]] … ends[starts[n + 1] − 1], so far away (mm). */
  starts: Uint32Array;
  ends: Uint32Array;
  lengthMm: Float32Array;
}

/** Arrays run alike. mm, in the file's axes. */
export interface FillNodes {
  count: number;
  at: Float64Array;
  passage: readonly Passage[];
}

/** A ball's V/A stands for those of like size within this many widths of it. */
const ALIKE_WITHIN = 1.5;

/**
 * Reads the net once (handbook 05, "Fill"); gates and temperatures change nothing of it. Corners and edges are no passages of
 * their own: they belong to the middle next to them. O(cells + balls · log triangles).
 */
export function readFillField(field: FeedField): FillField {
  const { bricks, inside, tree } = field;
  const ridge = thinRidge(bricks, inside, ridgeCells(bricks, inside, FAR, CLIMB_OPPOSED), RIDGE_SPACING.wide);
  const sameSide = (x: number, y: number, z: number): boolean => isInside(field, x, y, z);
  const found = joinBalls(
    refineBalls(bricks, inside, union(ridge.largest, middles(field)), tree, { sameSide }),
    refineBalls(bricks, inside, ridge.necks, tree, { sameSide }),
  );
  const nodes = nodesOf(field, found);
  const nodeOf = floodFrom(bricks, inside, nodes);
  return { bricks, tree, nodeOf, nodes, ...neighbours(bricks, nodeOf, nodes) };
}

const union = (a: Uint32Array, b: Iterable<number>): Uint32Array => Uint32Array.from(new Set([...a, ...b]));

/** Middles of the masses, and the widest place of every body: between cells a ridge may miss both. */
function middles({ inside, entries, all }: FeedField): Iterable<number> {
  const widest = new Map<number, number>();
  for (let e = 0; e < inside.length; e++) {
    const maximum = all.basin[e]!;
    if (maximum < 0 || all.parent[maximum]! >= 0) continue;
    const before = widest.get(maximum);
    if (before === undefined || inside[e]! > inside[before]!) widest.set(maximum, e);
  }
  return [...entries, ...widest.values()];
}

const cell = new Int32Array(3);

function isInside({ bricks, inside }: FeedField, x: number, y: number, z: number): boolean {
  cellAt(bricks.frame, x, y, z, cell);
  const entry = entryOf(bricks, cell[0]!, cell[1]!, cell[2]!);
  return entry >= 0 && inside[entry]! > 0;
}

/** One node a cell; its V/A is read once for all of like size near it. */
function nodesOf(field: FeedField, balls: Balls): FillNodes {
  const { bricks, inside } = field;
  const taken = new Set<number>();
  const read = new Map<string, number>();
  const at: number[] = [];
  const passage: Passage[] = [];
  for (let n = 0; n < balls.count; n++) {
    const [x, y, z] = [balls.x[n]!, balls.y[n]!, balls.z[n]!];
    cellAt(bricks.frame, x, y, z, cell);
    const entry = entryOf(bricks, cell[0]!, cell[1]!, cell[2]!);
    if (entry < 0 || inside[entry] === 0 || taken.has(entry)) continue;
    taken.add(entry);
    const widthMm = 2 * balls.radiusMm[n]!;
    const octave = Math.round(2 * Math.log2(widthMm));
    const box = ALIKE_WITHIN * 2 ** (octave / 2);
    const key = `${octave} ${Math.floor(x / box)} ${Math.floor(y / box)} ${Math.floor(z / box)}`;
    let share = read.get(key);
    if (share === undefined) {
      const section = field.sectionOf(entry);
      share = section.modulusMm > 0 ? section.modulusMm / section.widthMm : 0;
      read.set(key, share);
    }
    at.push(x, y, z);
    passage.push({ widthMm, modulusMm: clampShare(share) * widthMm });
  }
  return { count: passage.length, at: Float64Array.from(at), passage };
}

/** V/A over width: a sixth in a ball, a quarter in a wire, a half in a plate; nothing lies beyond. */
const clampShare = (share: number): number => (share > 0 ? Math.min(1 / 2, Math.max(1 / 6, share)) : 1 / 4);

/** Gives every cell of the solid to the node that is reached first through the solid. */
function floodFrom(bricks: Bricks, inside: Uint16Array, { count, at }: FillNodes): Int32Array {
  const nodeOf = new Int32Array(bricks.place.length * BRICK_CELLS).fill(-1);
  const queue = new Int32Array(nodeOf.length);
  let tail = 0;
  for (let n = 0; n < count; n++) {
    cellAt(bricks.frame, at[3 * n]!, at[3 * n + 1]!, at[3 * n + 2]!, cell);
    const entry = entryOf(bricks, cell[0]!, cell[1]!, cell[2]!);
    nodeOf[entry] = n;
    queue[tail++] = entry;
  }
  for (let head = 0; head < tail; head++) {
    const entry = queue[head]!;
    cellOf(bricks, entry, cell);
    const [x, y, z] = [cell[0]!, cell[1]!, cell[2]!];
    for (let k = 0; k < 27; k++) {
      const e = entryOf(bricks, x + (k % 3) - 1, y + (Math.floor(k / 3) % 3) - 1, z + Math.floor(k / 9) - 1);
      if (e < 0 || inside[e] === 0 || nodeOf[e]! >= 0) continue;
      nodeOf[e] = nodeOf[entry]!;
      queue[tail++] = e;
    }
  }
  return nodeOf;
}

/** Half of the 26 directions: each pair of cells is met once. */
const FORWARD = [
  [1, 0, 0], [0, 1, 0], [0, 0, 1], [1, 1, 0], [1, -1, 0], [1, 0, 1], [1, 0, -1],
  [0, 1, 1], [0, 1, -1], [1, 1, 1], [1, 1, -1], [1, -1, 1], [1, -1, -1],
] as const; // prettier-ignore

function neighbours(
  bricks: Bricks,
  nodeOf: Int32Array,
  { count, at }: FillNodes,
): Pick<FillField, 'starts' | 'ends' | 'lengthMm'> {
  const pairs = new Set<number>();
  for (let e = 0; e < nodeOf.length; e++) {
    const a = nodeOf[e]!;
    if (a < 0) continue;
    cellOf(bricks, e, cell);
    const [x, y, z] = [cell[0]!, cell[1]!, cell[2]!];
    for (let k = 0; k < FORWARD.length; k++) {
      const [dx, dy, dz] = FORWARD[k]!;
      const other = entryOf(bricks, x + dx, y + dy, z + dz);
      const b = other < 0 ? -1 : nodeOf[other]!;
      if (b >= 0 && b !== a) pairs.add(Math.min(a, b) * count + Math.max(a, b));
    }
  }
  const starts = new Uint32Array(count + 1);
  for (const pair of pairs) {
    starts[Math.floor(pair / count) + 1]!++;
    starts[(pair % count) + 1]!++;
  }
  for (let n = 0; n < count; n++) starts[n + 1]! += starts[n]!;
  const next = starts.slice();
  const ends = new Uint32Array(2 * pairs.size);
  const lengthMm = new Float32Array(2 * pairs.size);
  for (const pair of pairs) {
    const a = Math.floor(pair / count);
    const b = pair % count;
    const mm = Math.hypot(at[3 * a]! - at[3 * b]!, at[3 * a + 1]! - at[3 * b + 1]!, at[3 * a + 2]! - at[3 * b + 2]!);
    for (const [from, to] of [[a, b], [b, a]] as const) {
      lengthMm[next[from]!] = mm;
      ends[next[from]!++] = to;
    }
  }
  return { starts, ends, lengthMm };
} // prettier-ignore
