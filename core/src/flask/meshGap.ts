import type { TriangleTree } from '../solid';
import type { Pose } from './pose';
import { triangleGap2 } from './triangleGap';

type Box = readonly [middle: Float64Array, half: Float64Array];

/**
 * The narrowest gap between two surfaces, the second brought into the first's axes by `pose`: exact, 0 where they cross; `within`
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
  let best2 = within * within;
  const stack: number[] = [a.boxes.length / 6 - 1, b.boxes.length / 6 - 1];
  const [ca, cb] = [new Float64Array(9), new Float64Array(9)];
  const boxes = { a: emptyBox(), b: emptyBox() };
  while (stack.length > 0) {
    const bBox = stack.pop()!;
    const aBox = stack.pop()!;
    if (boxGap2(a, aBox, b, bBox, pose, boxes) >= best2) continue;
    const [aLevel, bLevel] = [a.levelOf(aBox), b.levelOf(bBox)];
    if (aLevel === 0 && bLevel === 0) {
      best2 = Math.min(best2, leafGap2(a, aBox, b, bBox, pose, best2, ca, cb));
      if (best2 === 0 || (anyNearer && best2 < within * within)) break;
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
  const turn = [m[0]!, m[3]!, m[6]!, m[1]!, m[4]!, m[7]!, m[2]!, m[5]!, m[8]!];
  const back = [0, 1, 2].map(
    (k) => -(turn[3 * k]! * at[0] + turn[3 * k + 1]! * at[1] + turn[3 * k + 2]! * at[2]),
  );
  return { turn, at: back as [number, number, number] };
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

function leafGap2(
  a: TriangleTree, aBox: number, b: TriangleTree, bBox: number, pose: Pose, within2: number, ca: Float64Array, cb: Float64Array,
): number {
  let best = within2;
  const [aFrom, aTo] = a.under(aBox, 0);
  const [bFrom, bTo] = b.under(bBox, 0);
  for (let m = bFrom; m < bTo; m++) {
    corners(b, b.order[m]!, cb, pose);
    for (let n = aFrom; n < aTo; n++) {
      corners(a, a.order[n]!, ca);
      if (spansGap2(ca, cb) < best) best = Math.min(best, triangleGap2(ca, cb));
    }
  }
  return best;
} // prettier-ignore

function corners({ positions, triangles }: TriangleTree, t: number, out: Float64Array, pose?: Pose): void {
  for (let c = 0; c < 3; c++) {
    const v = 3 * triangles[3 * t + c]!;
    const [x, y, z] = [positions[v]!, positions[v + 1]!, positions[v + 2]!];
    for (let k = 0; k < 3; k++)
      out[3 * c + k] = pose
        ? pose.turn[3 * k]! * x + pose.turn[3 * k + 1]! * y + pose.turn[3 * k + 2]! * z + pose.at[k]!
        : positions[v + k]!;
  }
}

/** Squared distance of the boxes of two triangles. */
function spansGap2(a: Float64Array, b: Float64Array): number {
  let sum = 0;
  for (let k = 0; k < 3; k++) {
    const apart = Math.max(
      Math.min(a[k]!, a[k + 3]!, a[k + 6]!) - Math.max(b[k]!, b[k + 3]!, b[k + 6]!),
      Math.min(b[k]!, b[k + 3]!, b[k + 6]!) - Math.max(a[k]!, a[k + 3]!, a[k + 6]!),
    );
    if (apart > 0) sum += apart * apart;
  }
  return sum;
}
