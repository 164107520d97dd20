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
  const min: [number, number, number] = [Infinity, Infinity, Infinity];
  const max: [number, number, number] = [-Infinity, -Infinity, -Infinity];
  for (let i = 0; i < positions.length; i += 3) {
    for (let k = 0; k < 3; k++) {
      const value = positions[i + k]!;
      if (value < min[k]!) min[k] = value;
      if (value > max[k]!) max[k] = value;
    }
  }
  return { min, max };
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
    const [ia, ib, ic] = [3 * triangles[t]!, 3 * triangles[t + 1]!, 3 * triangles[t + 2]!];
    const ax = p[ia]! - cx, ay = p[ia + 1]! - cy, az = p[ia + 2]! - cz; // prettier-ignore
    const bx = p[ib]! - cx, by = p[ib + 1]! - cy, bz = p[ib + 2]! - cz; // prettier-ignore
    const dx = p[ic]! - cx, dy = p[ic + 1]! - cy, dz = p[ic + 2]! - cz; // prettier-ignore
    const six = ax * (by * dz - bz * dy) + ay * (bz * dx - bx * dz) + az * (bx * dy - by * dx);
    shellVolumes[topology.shellOfTriangle[t / 3]!]! += six / 6;
    const ux = bx - ax, uy = by - ay, uz = bz - az; // prettier-ignore
    const vx = dx - ax, vy = dy - ay, vz = dz - az; // prettier-ignore
    area += Math.hypot(uy * vz - uz * vy, uz * vx - ux * vz, ux * vy - uy * vx) / 2;
  }
  const shellVolumesMm3 = [...shellVolumes];
  return {
    sizeMm: sizeOf(bounds),
    areaMm2: area,
    volumeMm3: shellVolumesMm3.reduce((sum, v) => sum + v, 0),
    shellVolumesMm3,
  };
}
