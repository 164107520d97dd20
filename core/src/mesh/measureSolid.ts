import type { Topology } from './topology';
import type { WeldedMesh } from './weld';

export interface Bounds {
  min: readonly [number, number, number];
  max: readonly [number, number, number];
}

export interface SolidMeasure {
  sizeMm: readonly [number, number, number];
  areaMm2: number;
  /** Σ of the shells' signed volumes: hollows count negative, overlapping shells count twice. */
  volumeMm3: number;
  shellVolumesMm3: number[];
}

/** Axis-aligned bounds of xyz triples. O(n). */
export function measureBounds(positions: ArrayLike<number>): Bounds {
  let x0 = Infinity, y0 = Infinity, z0 = Infinity; // prettier-ignore
  let x1 = -Infinity, y1 = -Infinity, z1 = -Infinity; // prettier-ignore
  for (let i = 0; i < positions.length; i += 3) {
    const x = positions[i]!, y = positions[i + 1]!, z = positions[i + 2]!; // prettier-ignore
    if (x < x0) x0 = x;
    if (x > x1) x1 = x;
    if (y < y0) y0 = y;
    if (y > y1) y1 = y;
    if (z < z0) z0 = z;
    if (z > z1) z1 = z;
  }
  return { min: [x0, y0, z0], max: [x1, y1, z1] };
}

export const sizeOf = ({ min, max }: Bounds): [number, number, number] => [
  max[0] - min[0],
  max[1] - min[1],
  max[2] - min[2],
];

/**
 * Volume by the divergence theorem, V = Σ a·(b×c)/6 from the box centre (the far origin would cost
 * digits), per shell; area. Positive where faces are outward. Open shells give a meaningless part. O(n).
 */
export function measureSolid(mesh: WeldedMesh, topology: Topology, bounds: Bounds): SolidMeasure {
  const { positions: p, triangles } = mesh;
  const cx = (bounds.min[0] + bounds.max[0]) / 2;
  const cy = (bounds.min[1] + bounds.max[1]) / 2;
  const cz = (bounds.min[2] + bounds.max[2]) / 2;
  const shellVolumes = new Float64Array(topology.shells);
  let area = 0;
  for (let t = 0; t < triangles.length; t += 3) {
    const ia = 3 * triangles[t]!, ib = 3 * triangles[t + 1]!, ic = 3 * triangles[t + 2]!; // prettier-ignore
    const ax = p[ia]! - cx, ay = p[ia + 1]! - cy, az = p[ia + 2]! - cz; // prettier-ignore
    const bx = p[ib]! - cx, by = p[ib + 1]! - cy, bz = p[ib + 2]! - cz; // prettier-ignore
    const dx = p[ic]! - cx, dy = p[ic + 1]! - cy, dz = p[ic + 2]! - cz; // prettier-ignore
    const six = ax * (by * dz - bz * dy) + ay * (bz * dx - bx * dz) + az * (bx * dy - by * dx);
    shellVolumes[topology.shellOfTriangle[t / 3]!]! += six / 6;
    const ux = bx - ax, uy = by - ay, uz = bz - az; // prettier-ignore
    const vx = dx - ax, vy = dy - ay, vz = dz - az; // prettier-ignore
    const nx = uy * vz - uz * vy, ny = uz * vx - ux * vz, nz = ux * vy - uy * vx; // prettier-ignore
    area += Math.sqrt(nx * nx + ny * ny + nz * nz) / 2;
  }
  const shellVolumesMm3 = [...shellVolumes];
  return {
    sizeMm: sizeOf(bounds),
    areaMm2: area,
    volumeMm3: shellVolumesMm3.reduce((sum, v) => sum + v, 0),
    shellVolumesMm3,
  };
}
