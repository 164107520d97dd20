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

/** Area of surface within a ball, mm², exactly. O(log triangles + triangles near). */
export function areaInBall(tree: TriangleTree, at: readonly number[], radiusMm: number): number {
  const { positions: p, triangles } = tree;
  const [x, y, z] = at as [number, number, number];
  let area = 0;
  tree.eachNear(at, radiusMm, (t) => {
    const a = 3 * triangles[3 * t]!, b = 3 * triangles[3 * t + 1]!, c = 3 * triangles[3 * t + 2]!; // prettier-ignore
    const ax = p[a]! - x, ay = p[a + 1]! - y, az = p[a + 2]! - z; // prettier-ignore
    const ux = p[b]! - p[a]!, uy = p[b + 1]! - p[a + 1]!, uz = p[b + 2]! - p[a + 2]!; // prettier-ignore
    const vx = p[c]! - p[a]!, vy = p[c + 1]! - p[a + 1]!, vz = p[c + 2]! - p[a + 2]!; // prettier-ignore
    const nx = uy * vz - uz * vy, ny = uz * vx - ux * vz, nz = ux * vy - uy * vx; // prettier-ignore
    const twice = Math.sqrt(nx * nx + ny * ny + nz * nz);
    if (twice === 0) return;
    const height = (ax * nx + ay * ny + az * nz) / twice;
    const disc2 = radiusMm * radiusMm - height * height;
    if (disc2 <= 0) return;
    // In the triangle's plane, round the foot of the ball's middle: along its first side, and across.
    const side = Math.sqrt(ux * ux + uy * uy + uz * uz);
    const ex = ux / side, ey = uy / side, ez = uz / side; // prettier-ignore
    const fx = (ny * ez - nz * ey) / twice, fy = (nz * ex - nx * ez) / twice, fz = (nx * ey - ny * ex) / twice; // prettier-ignore
    const a1 = ax * ex + ay * ey + az * ez, a2 = ax * fx + ay * fy + az * fz; // prettier-ignore
    const b1 = a1 + side;
    const c1 = a1 + vx * ex + vy * ey + vz * ez, c2 = a2 + vx * fx + vy * fy + vz * fz; // prettier-ignore
    area += Math.abs(
      wedgeInDisc(a1, a2, b1, a2, disc2) +
        wedgeInDisc(b1, a2, c1, c2, disc2) +
        wedgeInDisc(c1, c2, a1, a2, disc2),
    );
  });
  return area;
}

/** Signed area of the triangle from the origin to p and q within a disc of squared radius r2 round the origin. */
function wedgeInDisc(px: number, py: number, qx: number, qy: number, r2: number): number {
  const dx = qx - px, dy = qy - py; // prettier-ignore
  const length2 = dx * dx + dy * dy;
  if (length2 === 0) return 0;
  const half = -(px * dx + py * dy) / length2;
  const root2 = half * half - (px * px + py * py - r2) / length2;
  if (root2 <= 0) return sectorArea(px, py, qx, qy, r2);
  const root = Math.sqrt(root2);
  const from = Math.max(0, half - root);
  const to = Math.min(1, half + root);
  if (from >= to) return sectorArea(px, py, qx, qy, r2);
  const ix = px + from * dx, iy = py + from * dy, ox = px + to * dx, oy = py + to * dy; // prettier-ignore
  return sectorArea(px, py, ix, iy, r2) + (ix * oy - iy * ox) / 2 + sectorArea(ox, oy, qx, qy, r2);
}

/** Signed area of the sector between the directions of two points. */
function sectorArea(ax: number, ay: number, bx: number, by: number, r2: number): number {
  return (r2 / 2) * Math.atan2(ax * by - ay * bx, ax * bx + ay * by);
}
