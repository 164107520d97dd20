import type { WeldedMesh } from '../mesh';
import type { Dexels } from './dexels';

/** How far beside a face the solid is looked up, in ray spacings. */
const BESIDE = 0.5;

/** Tells whether a point of a triangle is on the boundary of the solid, not inside another body. */
export type BoundaryTest = (triangle: number, x: number, y: number, z: number) => boolean;

/**
 * The test for a mesh of overlapping bodies: a face inside another body has solid on its outer side too.
 * O(1) a point.
 */
export function boundaryTest(
  { positions: p, triangles }: Pick<WeldedMesh, 'positions' | 'triangles'>,
  dexels: Dexels,
): BoundaryTest {
  const off = BESIDE * dexels.grid.du;
  return (t, x, y, z) => {
    const a = 3 * triangles[3 * t]!, b = 3 * triangles[3 * t + 1]!, c = 3 * triangles[3 * t + 2]!; // prettier-ignore
    const ux = p[b]! - p[a]!, uy = p[b + 1]! - p[a + 1]!, uz = p[b + 2]! - p[a + 2]!; // prettier-ignore
    const vx = p[c]! - p[a]!, vy = p[c + 1]! - p[a + 1]!, vz = p[c + 2]! - p[a + 2]!; // prettier-ignore
    const nx = uy * vz - uz * vy, ny = uz * vx - ux * vz, nz = ux * vy - uy * vx; // prettier-ignore
    const share = off / (Math.sqrt(nx * nx + ny * ny + nz * nz) || 1);
    return !isSolid(dexels, x + share * nx, y + share * ny, z + share * nz);
  };
}

/** Triangles with a corner or their middle on the boundary. */
export function boundaryTriangles(
  { positions: p, triangles }: Pick<WeldedMesh, 'positions' | 'triangles'>,
  isBoundary: BoundaryTest,
): Uint32Array {
  const kept: number[] = [];
  for (let t = 0; t < triangles.length / 3; t++) {
    const [a, b, c] = [0, 1, 2].map((n) => 3 * triangles[3 * t + n]!) as [number, number, number];
    const middle = [0, 1, 2].map((k) => (p[a + k]! + p[b + k]! + p[c + k]!) / 3) as [number, number, number];
    const corner = (v: number): boolean => isBoundary(t, p[v]!, p[v + 1]!, p[v + 2]!);
    if (isBoundary(t, ...middle) || corner(a) || corner(b) || corner(c)) kept.push(t);
  }
  return Uint32Array.from(kept);
}

/** Whether the ray nearest to a point is in the solid at its height. */
export function isSolid({ grid, starts, ends }: Dexels, x: number, y: number, z: number): boolean {
  const at = (axis: number): number => (axis === 0 ? x : axis === 1 ? y : z);
  const i = Math.round((at(grid.axes[0]) - grid.u0) / grid.du);
  const j = Math.round((at(grid.axes[1]) - grid.v0) / grid.dv);
  if (i < 0 || j < 0 || i >= grid.nu || j >= grid.nv) return false;
  const w = at(grid.axes[2]);
  const c = j * grid.nu + i;
  for (let r = starts[c]!; r < starts[c + 1]!; r++) if (w > ends[2 * r]! && w < ends[2 * r + 1]!) return true;
  return false;
}
