import type { TriangleTree } from './triangleTree';

type Vec = readonly [number, number, number];

const stack = new Int32Array(512);

/**
 * Way along a ray to the first triangle beyond `beyondMm`; Infinity where it meets none. The direction is a unit vector. From
 * either side (Möller & Trumbore 1997). O(log n) for most rays.
 */
export function rayHit(tree: TriangleTree, from: Vec, direction: Vec, beyondMm = 0): number {
  const { boxes } = tree;
  let best = Infinity;
  let depth = 0;
  stack[0] = boxes.length / 6 - 1;
  while (depth >= 0) {
    const box = stack[depth--]!;
    if (!meetsBox(boxes, 6 * box, from, direction, best)) continue;
    const level = tree.levelOf(box);
    const [first, end] = tree.under(box, level);
    for (let n = first; n < end; n++) {
      if (level > 0) {
        stack[++depth] = n;
        continue;
      }
      const away = meetsTriangle(tree, tree.order[n]!, from, direction);
      if (away > beyondMm && away < best) best = away;
    }
  }
  return best;
}

function meetsBox(boxes: Float64Array, at: number, from: Vec, direction: Vec, best: number): boolean {
  let [near, far] = [0, best];
  for (let k = 0; k < 3; k++) {
    const d = direction[k]!;
    const low = boxes[at + k]! - from[k]!;
    const high = boxes[at + 3 + k]! - from[k]!;
    if (d === 0) {
      if (low > 0 || high < 0) return false;
      continue;
    }
    near = Math.max(near, Math.min(low / d, high / d));
    far = Math.min(far, Math.max(low / d, high / d));
  }
  return near <= far;
}

function meetsTriangle({ positions: p, triangles }: TriangleTree, t: number, from: Vec, d: Vec): number {
  const a = 3 * triangles[3 * t]!, b = 3 * triangles[3 * t + 1]!, c = 3 * triangles[3 * t + 2]!; // prettier-ignore
  const ux = p[b]! - p[a]!, uy = p[b + 1]! - p[a + 1]!, uz = p[b + 2]! - p[a + 2]!; // prettier-ignore
  const vx = p[c]! - p[a]!, vy = p[c + 1]! - p[a + 1]!, vz = p[c + 2]! - p[a + 2]!; // prettier-ignore
  const px = d[1] * vz - d[2] * vy, py = d[2] * vx - d[0] * vz, pz = d[0] * vy - d[1] * vx; // prettier-ignore
  const det = ux * px + uy * py + uz * pz;
  if (Math.abs(det) < 1e-14) return -1;
  const sx = from[0] - p[a]!, sy = from[1] - p[a + 1]!, sz = from[2] - p[a + 2]!; // prettier-ignore
  const u = (sx * px + sy * py + sz * pz) / det;
  if (u < 0 || u > 1) return -1;
  const qx = sy * uz - sz * uy, qy = sz * ux - sx * uz, qz = sx * uy - sy * ux; // prettier-ignore
  const v = (d[0] * qx + d[1] * qy + d[2] * qz) / det;
  if (v < 0 || u + v > 1) return -1;
  return (vx * qx + vy * qy + vz * qz) / det;
}
