import { transposed } from '../orient';
import type { TriangleTree } from '../solid';
import { hullGap } from './hullGap';
import { posed, type Pose } from './pose';
import { triangleGap2 } from './triangleGap';

type Box = readonly [middle: Float64Array, half: Float64Array];

/** The hulls' gap is the surfaces' own where no narrower pair can be found by more than this. mm. */
const NEAR_MM = 0.01;

/**
 * The narrowest gap between two surfaces, the second brought into the first's axes by `pose`: to a hundredth of a mm,
 * never told wider by more; 0 where they cross; `within`
 * where it is not narrower than that; 0 too where one lies wholly inside the other. With `anyNearer` the first pair found nearer
 * than `within` is answer enough. Both trees are gone down together.
 */
export function meshGap(
  a: TriangleTree,
  b: TriangleTree,
  pose: Pose,
  within: number,
  anyNearer = false,
): number {
  const least = hullGap(a, b, pose, within);
  if (least >= within) return within;
  const probed2 = probe(a, b, pose);
  if (anyNearer && probed2 < within * within) return Math.sqrt(probed2);
  let best2 = Math.min(within * within, probed2);
  // Where the hulls meet, surfaces that are almost together may cross a little further on.
  const enough2 = least > 0 ? (least + NEAR_MM) ** 2 : 0;
  const stack: number[] = [a.boxes.length / 6 - 1, b.boxes.length / 6 - 1];
  const leaves = { a: emptyLeaf(), b: emptyLeaf() };
  const boxes = { a: emptyBox(), b: emptyBox() };
  while (stack.length > 0) {
    const bBox = stack.pop()!;
    const aBox = stack.pop()!;
    if (boxGap2(a, aBox, b, bBox, pose, boxes) >= best2) continue;
    const [aLevel, bLevel] = [a.levelOf(aBox), b.levelOf(bBox)];
    if (aLevel === 0 && bLevel === 0) {
      best2 = Math.min(best2, leafGap2(a, aBox, b, bBox, pose, best2, leaves));
      if (best2 <= enough2 || (anyNearer && best2 < within * within)) break;
      continue;
    }
    // The larger of the two is opened.
    const openA = bLevel === 0 || (aLevel > 0 && aLevel >= bLevel);
    const [first, end] = openA ? a.under(aBox, aLevel) : b.under(bBox, bLevel);
    const pairs: [number, number, number][] = [];
    for (let n = first; n < end; n++) {
      const [x, y] = openA ? [n, bBox] : [aBox, n];
      const gap2 = boxGap2(a, x, b, y, pose, boxes);
      if (gap2 < best2) pairs.push([gap2, x, y]);
    }
    // Nearest last, so that it is looked at next.
    pairs.sort((p, q) => q[0] - p[0]);
    for (const [, x, y] of pairs) stack.push(x, y);
  }
  const apart = best2 > 0 && !liesInside(a, b, pose) && !liesInside(b, a, inverse(pose));
  return apart ? Math.sqrt(best2) : 0;
}

const PROBES = 6;

/** Squared distance of two places of the surfaces that are near each other: from one to the nearest of the other, to and fro. */
function probe(a: TriangleTree, b: TriangleTree, pose: Pose): number {
  const back = inverse(pose);
  const found = { distance2: Infinity, x: 0, y: 0, z: 0, triangle: 0 };
  const root = a.boxes.length - 6;
  let at = [0, 1, 2].map((k) => (a.boxes[root + k]! + a.boxes[root + 3 + k]!) / 2) as [
    number,
    number,
    number,
  ];
  let best2 = Infinity;
  for (let n = 0; n < PROBES; n++) {
    // `at` stands on the one that was asked last, in its own axes.
    const [tree, into] = n % 2 === 0 ? [b, back] : [a, pose];
    const here = posed(into, at);
    if (!tree.closest(here[0], here[1], here[2], Infinity, found)) break;
    if (n > 0) {
      if (found.distance2 >= best2) break;
      best2 = found.distance2;
    }
    at = [found.x, found.y, found.z];
  }
  return best2;
}

/** Whether a body of `b` lies inside `a`: told by the side of the surface that its first corner is on. */
function liesInside(a: TriangleTree, b: TriangleTree, { turn, at }: Pose): boolean {
  const v = 3 * b.triangles[3 * b.order[0]!]!;
  const [x, y, z] = [0, 1, 2].map(
    (k) =>
      turn[3 * k]! * b.positions[v]! +
      turn[3 * k + 1]! * b.positions[v + 1]! +
      turn[3 * k + 2]! * b.positions[v + 2]! +
      at[k]!,
  ) as [number, number, number];
  const root = a.boxes.length - 6;
  if ([x, y, z].some((w, k) => w < a.boxes[root + k]! || w > a.boxes[root + 3 + k]!)) return false;
  const found = { distance2: 0, x: 0, y: 0, z: 0, triangle: 0 };
  if (!a.closest(x, y, z, Infinity, found)) return false;
  const corner = new Float64Array(9);
  corners(a, found.triangle, corner);
  const [p, q, r] = [0, 3, 6].map((n) => corner.subarray(n, n + 3)) as [
    Float64Array,
    Float64Array,
    Float64Array,
  ];
  const [u, w] = [q, r].map((end) => [0, 1, 2].map((k) => end[k]! - p[k]!)) as [number[], number[]];
  const normal = [0, 1, 2].map((k) => u[(k + 1) % 3]! * w[(k + 2) % 3]! - u[(k + 2) % 3]! * w[(k + 1) % 3]!);
  return normal[0]! * (x - found.x) + normal[1]! * (y - found.y) + normal[2]! * (z - found.z) < 0;
}

function inverse({ turn: m, at }: Pose): Pose {
  const turn = transposed(m);
  const back = posed({ turn, at: [0, 0, 0] }, at);
  return { turn, at: [-back[0], -back[1], -back[2]] };
}

const emptyBox = (): Box => [new Float64Array(3), new Float64Array(3)];

/** Squared distance that two boxes are apart at least; the second is boxed anew in the first's axes. */
function boxGap2(
  a: TriangleTree, aBox: number, b: TriangleTree, bBox: number, { turn, at }: Pose, boxes: { a: Box; b: Box },
): number {
  const [am, ah] = boxes.a;
  const [bm, bh] = boxes.b;
  for (let k = 0; k < 3; k++) {
    const [alow, ahigh] = [a.boxes[6 * aBox + k]!, a.boxes[6 * aBox + 3 + k]!];
    const [blow, bhigh] = [b.boxes[6 * bBox + k]!, b.boxes[6 * bBox + 3 + k]!];
    am[k] = (alow + ahigh) / 2;
    ah[k] = (ahigh - alow) / 2;
    bm[k] = (blow + bhigh) / 2;
    bh[k] = (bhigh - blow) / 2;
  }
  let sum = 0;
  for (let r = 0; r < 3; r++) {
    const [x, y, z] = [turn[3 * r]!, turn[3 * r + 1]!, turn[3 * r + 2]!];
    const middle = x * bm[0]! + y * bm[1]! + z * bm[2]! + at[r]!;
    const half = Math.abs(x) * bh[0]! + Math.abs(y) * bh[1]! + Math.abs(z) * bh[2]!;
    const apart = Math.abs(middle - am[r]!) - half - ah[r]!;
    if (apart > 0) sum += apart * apart;
  }
  return sum;
} // prettier-ignore

/** Triangles of one leaf with their boxes: 9 and 6 numbers each. */
interface Leaf {
  corners: Float64Array;
  spans: Float64Array;
}
const emptyLeaf = (): Leaf => ({ corners: new Float64Array(8 * 9), spans: new Float64Array(8 * 6) });

function leafGap2(
  a: TriangleTree, aBox: number, b: TriangleTree, bBox: number, pose: Pose, within2: number, leaves: { a: Leaf; b: Leaf },
): number {
  let best = within2;
  const [aFrom, aTo] = a.under(aBox, 0);
  const [bFrom, bTo] = b.under(bBox, 0);
  fillLeaf(a, aFrom, aTo, leaves.a);
  fillLeaf(b, bFrom, bTo, leaves.b, pose);
  for (let m = 0; m < bTo - bFrom; m++) {
    for (let n = 0; n < aTo - aFrom; n++) {
      if (spansGap2(leaves.a.spans, 6 * n, leaves.b.spans, 6 * m) >= best) continue;
      const gap2 = triangleGap2(leaves.a.corners.subarray(9 * n, 9 * n + 9), leaves.b.corners.subarray(9 * m, 9 * m + 9));
      if (gap2 < best) best = gap2;
    }
  }
  return best;
} // prettier-ignore

function fillLeaf(
  tree: TriangleTree,
  from: number,
  to: number,
  { corners: out, spans }: Leaf,
  pose?: Pose,
): void {
  for (let n = from; n < to; n++) {
    const c = 9 * (n - from);
    const s = 6 * (n - from);
    corners(tree, tree.order[n]!, out, c, pose);
    for (let k = 0; k < 3; k++) {
      const x = out[c + k]!, y = out[c + 3 + k]!, z = out[c + 6 + k]!; // prettier-ignore
      const low = x < y ? x : y, high = x < y ? y : x; // prettier-ignore
      spans[s + k] = low < z ? low : z;
      spans[s + 3 + k] = high > z ? high : z;
    }
  }
}

function corners(
  { positions, triangles }: TriangleTree,
  t: number,
  out: Float64Array,
  to = 0,
  pose?: Pose,
): void {
  for (let c = 0; c < 3; c++) {
    const v = 3 * triangles[3 * t + c]!;
    const x = positions[v]!, y = positions[v + 1]!, z = positions[v + 2]!; // prettier-ignore
    const o = to + 3 * c;
    if (pose) {
      const { turn: m, at } = pose;
      out[o] = m[0]! * x + m[1]! * y + m[2]! * z + at[0];
      out[o + 1] = m[3]! * x + m[4]! * y + m[5]! * z + at[1];
      out[o + 2] = m[6]! * x + m[7]! * y + m[8]! * z + at[2];
    } else {
      out[o] = x;
      out[o + 1] = y;
      out[o + 2] = z;
    }
  }
}

/** Squared distance of the boxes of two triangles. */
function spansGap2(a: Float64Array, n: number, b: Float64Array, m: number): number {
  let sum = 0;
  for (let k = 0; k < 3; k++) {
    const below = a[n + k]! - b[m + 3 + k]!;
    const above = b[m + k]! - a[n + 3 + k]!;
    const apart = below > above ? below : above;
    if (apart > 0) sum += apart * apart;
  }
  return sum;
}
