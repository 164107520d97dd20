import type { Dexels } from './dexels';
import type { TriangleTree } from './triangleTree';

/** Volume of solid within a ball, mm³: runs cut to the ball's chord in each column. */
export function volumeInBall(
  { grid, starts, ends }: Dexels,
  at: readonly number[],
  radiusMm: number,
): number {
  const [u, v, w] = grid.axes.map((k) => at[k]!) as [number, number, number];
  let length = 0;
  const range = (c: number, c0: number, d: number, n: number): [number, number] => [
    Math.max(0, Math.ceil((c - radiusMm - c0) / d)),
    Math.min(n - 1, Math.floor((c + radiusMm - c0) / d)),
  ];
  const [j0, j1] = range(v, grid.v0, grid.dv, grid.nv);
  const [i0, i1] = range(u, grid.u0, grid.du, grid.nu);
  for (let j = j0; j <= j1; j++) {
    const disc2 = radiusMm ** 2 - (grid.v0 + j * grid.dv - v) ** 2;
    for (let i = i0; i <= i1; i++) {
      const half2 = disc2 - (grid.u0 + i * grid.du - u) ** 2;
      if (half2 <= 0) continue;
      const half = Math.sqrt(half2);
      const c = j * grid.nu + i;
      for (let r = starts[c]!; r < starts[c + 1]!; r++) {
        length += Math.max(0, Math.min(w + half, ends[2 * r + 1]!) - Math.max(w - half, ends[2 * r]!));
      }
    }
  }
  return length * grid.du * grid.dv;
}

/** Pieces of a triangle larger than this share of the ball are halved before they count as in or out. */
const PIECE_SHARE = 0.15;

/** Area of surface within a ball, mm². Small triangles count by their middle. O(log triangles + triangles near). */
export function areaInBall(tree: TriangleTree, at: readonly number[], radiusMm: number): number {
  const { positions: p, triangles } = tree;
  const [x, y, z] = at as [number, number, number];
  let area = 0;
  tree.eachNear(at, radiusMm, (t) => {
    const a = 3 * triangles[3 * t]!, b = 3 * triangles[3 * t + 1]!, c = 3 * triangles[3 * t + 2]!; // prettier-ignore
    const ux = p[b]! - p[a]!, uy = p[b + 1]! - p[a + 1]!, uz = p[b + 2]! - p[a + 2]!; // prettier-ignore
    const vx = p[c]! - p[a]!, vy = p[c + 1]! - p[a + 1]!, vz = p[c + 2]! - p[a + 2]!; // prettier-ignore
    const longest2 = Math.max(ux * ux + uy * uy + uz * uz, vx * vx + vy * vy + vz * vz);
    const mx = p[a]! + (ux + vx) / 3 - x, my = p[a + 1]! + (uy + vy) / 3 - y, mz = p[a + 2]! + (uz + vz) / 3 - z; // prettier-ignore
    const away2 = mx * mx + my * my + mz * mz;
    if (longest2 < (PIECE_SHARE * radiusMm) ** 2) {
      if (away2 > radiusMm * radiusMm) return;
      const nx = uy * vz - uz * vy, ny = uz * vx - ux * vz, nz = ux * vy - uy * vx; // prettier-ignore
      area += Math.sqrt(nx * nx + ny * ny + nz * nz) / 2;
    } else {
      const corner = (v: number): number[] => [p[v]!, p[v + 1]!, p[v + 2]!];
      area += areaWithin(corner(a), corner(b), corner(c), at, radiusMm);
    }
  });
  return area;
}

/** Area of a large triangle within a ball, in halves and halves again. */
function areaWithin(a: number[], b: number[], c: number[], at: readonly number[], radius: number): number {
  const apart = (p: readonly number[], q: readonly number[]): number =>
    Math.hypot(p[0]! - q[0]!, p[1]! - q[1]!, p[2]! - q[2]!);
  const middle = [0, 1, 2].map((k) => (a[k]! + b[k]! + c[k]!) / 3);
  const spread = Math.max(apart(a, middle), apart(b, middle), apart(c, middle));
  const away = apart(middle, at);
  if (away - spread > radius) return 0;
  if (away + spread > radius && spread > PIECE_SHARE * radius) {
    const half = (p: number[], q: number[]): number[] => p.map((v, k) => (v + q[k]!) / 2);
    const [ab, bc, ca] = [half(a, b), half(b, c), half(c, a)];
    return (
      areaWithin(a, ab, ca, at, radius) +
      areaWithin(ab, b, bc, at, radius) +
      areaWithin(ca, bc, c, at, radius) +
      areaWithin(ab, bc, ca, at, radius)
    );
  }
  if (away > radius) return 0;
  const [ux, uy, uz] = [0, 1, 2].map((k) => b[k]! - a[k]!) as [number, number, number];
  const [vx, vy, vz] = [0, 1, 2].map((k) => c[k]! - a[k]!) as [number, number, number];
  return Math.hypot(uy * vz - uz * vy, uz * vx - ux * vz, ux * vy - uy * vx) / 2;
}
