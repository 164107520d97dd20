import type { TriangleTree } from '../solid';
import type { Pose } from './pose';

/** Rounds of the search; what it has found by then is a bound all the same. */
const ROUNDS = 48;

/**
 * A lower bound of the gap between two surfaces, the second brought into the first's axes by `pose`: towards that of their convex
 * hulls (Gilbert 1966; von Hohenbalken 1975). It ends as soon as the bound is `enough`. 0 where the hulls may meet: that says
 * nothing of the surfaces. O(rounds · log triangles).
 */
export function hullGap(a: TriangleTree, b: TriangleTree, pose: Pose, enough: number): number {
  const { turn: m, at } = pose;
  const [p, q] = [new Float64Array(3), new Float64Array(3)];
  const v = new Float64Array(3);
  const step = new Float64Array(3);
  // From the middles: some point of the difference of the two hulls.
  extreme(a, 1, 0, 0, p);
  extreme(b, 1, 0, 0, q);
  for (let k = 0; k < 3; k++)
    v[k] = m[3 * k]! * q[0]! + m[3 * k + 1]! * q[1]! + m[3 * k + 2]! * q[2]! + at[k]! - p[k]!;
  let bound = 0;
  for (let round = 0; round < ROUNDS; round++) {
    const length2 = v[0]! * v[0]! + v[1]! * v[1]! + v[2]! * v[2]!;
    if (length2 === 0) return 0;
    // Furthest of a along v, and of b against it.
    extreme(a, v[0]!, v[1]!, v[2]!, p);
    extreme(
      b,
      -(m[0]! * v[0]! + m[3]! * v[1]! + m[6]! * v[2]!),
      -(m[1]! * v[0]! + m[4]! * v[1]! + m[7]! * v[2]!),
      -(m[2]! * v[0]! + m[5]! * v[1]! + m[8]! * v[2]!),
      q,
    );
    let along = 0;
    let dw = 0;
    let dd = 0;
    for (let k = 0; k < 3; k++) {
      const w = m[3 * k]! * q[0]! + m[3 * k + 1]! * q[1]! + m[3 * k + 2]! * q[2]! + at[k]! - p[k]!;
      const d = w - v[k]!;
      along += v[k]! * w;
      dw -= v[k]! * d;
      dd += d * d;
      step[k] = d;
    }
    bound = Math.max(bound, along / Math.sqrt(length2));
    if (bound >= enough || dd === 0) break;
    const share = Math.min(1, Math.max(0, dw / dd));
    if (share === 0) break;
    for (let k = 0; k < 3; k++) v[k]! += share * step[k]!;
  }
  return bound;
}

const stack = new Int32Array(512);

/** The corner furthest along a direction, into `out`: box by box, those that cannot reach further left out. */
function extreme(tree: TriangleTree, x: number, y: number, z: number, out: Float64Array): void {
  const { boxes, positions, triangles, order } = tree;
  let best = -Infinity;
  let depth = 0;
  stack[0] = boxes.length / 6 - 1;
  while (depth >= 0) {
    const box = stack[depth--]!;
    if (reach(boxes, box, x, y, z) <= best) continue;
    const level = tree.levelOf(box);
    const [first, end] = tree.under(box, level);
    if (level > 0) {
      // The child that may reach furthest is looked at next.
      let far = first;
      for (let n = first + 1; n < end; n++)
        if (reach(boxes, n, x, y, z) > reach(boxes, far, x, y, z)) far = n;
      for (let n = first; n < end; n++) if (n !== far) stack[++depth] = n;
      stack[++depth] = far;
      continue;
    }
    for (let n = first; n < end; n++)
      for (let c = 0; c < 3; c++) {
        const v = 3 * triangles[3 * order[n]! + c]!;
        const along = x * positions[v]! + y * positions[v + 1]! + z * positions[v + 2]!;
        if (along <= best) continue;
        best = along;
        out[0] = positions[v]!;
        out[1] = positions[v + 1]!;
        out[2] = positions[v + 2]!;
      }
  }
}

const reach = (boxes: Float64Array, box: number, x: number, y: number, z: number): number =>
  x * boxes[6 * box + (x > 0 ? 3 : 0)]! +
  y * boxes[6 * box + (y > 0 ? 4 : 1)]! +
  z * boxes[6 * box + (z > 0 ? 5 : 2)]!;
