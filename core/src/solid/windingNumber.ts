import type { TriangleTree } from './triangleTree';

/** A box further away than this many of its radii counts as one dipole (Barill et al. 2018, β = 2). */
const FAR_RADII = 2;
const FOUR_PI = 4 * Math.PI;
/** Numbers a box: centre x y z, area vector x y z, radius. */
const STRIDE = 7;

/**
 * Generalised winding numbers of a surface (Jacobson et al. 2013): how often it goes round a point, also where it
 * has holes; 1 inside, 0 outside, in between near a hole. Far parts of the tree are taken as dipoles.
 */
export class WindingField {
  private readonly dipoles: Float64Array;
  private readonly stack = new Int32Array(512);

  constructor(private readonly tree: TriangleTree) {
    this.dipoles = new Float64Array((STRIDE * tree.boxes.length) / 6);
    for (let level = 0; level < tree.levels.length; level++) {
      const end = tree.levels[level + 1] ?? tree.boxes.length / 6;
      for (let box = tree.levels[level]!; box < end; box++) this.sum(box, level);
    }
  }

  private sum(box: number, level: number): void {
    const { tree, dipoles } = this;
    const at = STRIDE * box;
    let weight = 0;
    const [first, end] = tree.under(box, level);
    for (let n = first; n < end; n++) {
      if (level === 0) weight += this.addTriangle(at, tree.order[n]!);
      else {
        const from = STRIDE * n;
        const area = Math.hypot(dipoles[from + 3]!, dipoles[from + 4]!, dipoles[from + 5]!) || 1e-300;
        weight += area;
        for (let k = 0; k < 3; k++) {
          dipoles[at + k]! += area * dipoles[from + k]!;
          dipoles[at + 3 + k]! += dipoles[from + 3 + k]!;
        }
      }
    }
    let radius2 = 0;
    for (let k = 0; k < 3; k++) {
      const centre =
        weight > 0
          ? dipoles[at + k]! / weight
          : (tree.boxes[6 * box + k]! + tree.boxes[6 * box + 3 + k]!) / 2;
      dipoles[at + k] = centre;
      radius2 += Math.max(centre - tree.boxes[6 * box + k]!, tree.boxes[6 * box + 3 + k]! - centre) ** 2;
    }
    dipoles[at + 6] = Math.sqrt(radius2);
  }

  /** Adds a triangle's area vector, and its centroid weighted by area; result: the area. */
  private addTriangle(at: number, t: number): number {
    const { dipoles } = this;
    const { positions: p, triangles } = this.tree;
    const [a, b, c] = [0, 1, 2].map((n) => 3 * triangles[3 * t + n]!) as [number, number, number];
    const u = [0, 1, 2].map((k) => p[b + k]! - p[a + k]!) as [number, number, number];
    const v = [0, 1, 2].map((k) => p[c + k]! - p[a + k]!) as [number, number, number];
    const half = [u[1] * v[2] - u[2] * v[1], u[2] * v[0] - u[0] * v[2], u[0] * v[1] - u[1] * v[0]].map(
      (n) => n / 2,
    );
    const area = Math.hypot(...half);
    for (let k = 0; k < 3; k++) {
      dipoles[at + k]! += (area * (p[a + k]! + p[b + k]! + p[c + k]!)) / 3;
      dipoles[at + 3 + k]! += half[k]!;
    }
    return area;
  }

  /** Winding number at a point. O(log triangles). */
  at(x: number, y: number, z: number): number {
    const { tree, dipoles, stack } = this;
    let sum = 0;
    let depth = 0;
    stack[0] = tree.boxes.length / 6 - 1;
    while (depth >= 0) {
      const box = stack[depth--]!;
      const at = STRIDE * box;
      const dx = dipoles[at]! - x, dy = dipoles[at + 1]! - y, dz = dipoles[at + 2]! - z; // prettier-ignore
      const d2 = dx * dx + dy * dy + dz * dz;
      if (d2 > (FAR_RADII * dipoles[at + 6]!) ** 2) {
        sum += (dx * dipoles[at + 3]! + dy * dipoles[at + 4]! + dz * dipoles[at + 5]!) / (d2 * Math.sqrt(d2));
        continue;
      }
      const level = tree.levelOf(box);
      const [first, end] = tree.under(box, level);
      if (level > 0) for (let n = first; n < end; n++) stack[++depth] = n;
      else for (let n = first; n < end; n++) sum += solidAngle(tree, tree.order[n]!, x, y, z);
    }
    return sum / FOUR_PI;
  }
}

/** Signed solid angle of a triangle seen from a point (Van Oosterom & Strackee 1983). */
function solidAngle(
  { positions: p, triangles }: TriangleTree,
  t: number,
  x: number,
  y: number,
  z: number,
): number {
  const a = 3 * triangles[3 * t]!, b = 3 * triangles[3 * t + 1]!, c = 3 * triangles[3 * t + 2]!; // prettier-ignore
  const ax = p[a]! - x, ay = p[a + 1]! - y, az = p[a + 2]! - z; // prettier-ignore
  const bx = p[b]! - x, by = p[b + 1]! - y, bz = p[b + 2]! - z; // prettier-ignore
  const cx = p[c]! - x, cy = p[c + 1]! - y, cz = p[c + 2]! - z; // prettier-ignore
  const la = Math.sqrt(ax * ax + ay * ay + az * az);
  const lb = Math.sqrt(bx * bx + by * by + bz * bz);
  const lc = Math.sqrt(cx * cx + cy * cy + cz * cz);
  const det = ax * (by * cz - bz * cy) + ay * (bz * cx - bx * cz) + az * (bx * cy - by * cx);
  const ab = ax * bx + ay * by + az * bz;
  const bc = bx * cx + by * cy + bz * cz;
  const ca = cx * ax + cy * ay + cz * az;
  return 2 * Math.atan2(det, la * lb * lc + ab * lc + bc * la + ca * lb);
}
