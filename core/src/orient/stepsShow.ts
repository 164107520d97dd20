import type { WeldedMesh } from '../mesh';
import { rotationMatrix, type Rotation } from './rotation';

/** Layer steps on faces that tools do not reach. */
export interface StepsReading {
  areaMm2: number;
  deepestMm: number;
  /** Middle of the face with the deepest step, in the file's axes. */
  at: [number, number, number];
}

/** Steps shallower than this are not seen on a casting (shop default). mm. */
const SEEN_MM = 0.02;
/** A face this level lies in one layer and has no steps: cos 5°. */
const LEVEL_COS = 0.996;

/**
 * Step depth = layer height × cos of the slope (handbook 01, "Findings"), over faces whose gap is narrower than
 * the smallest tool. `gapUm`: gap over each vertex in µm, 0 where open. Null when no step would be seen.
 * O(triangles).
 */
export function measureSteps(
  { positions: p, triangles }: { positions: ArrayLike<number>; triangles: WeldedMesh['triangles'] },
  gapUm: ArrayLike<number>,
  rotation: Rotation,
  layerMm: number,
  toolMm: number,
): StepsReading | null {
  const m = rotationMatrix(rotation);
  const reading: StepsReading = { areaMm2: 0, deepestMm: 0, at: [0, 0, 0] };
  const isRecess = (v: number): boolean => gapUm[v]! > 0 && gapUm[v]! < 1000 * toolMm;
  for (let t = 0; t < triangles.length; t += 3) {
    const [va, vb, vc] = [triangles[t]!, triangles[t + 1]!, triangles[t + 2]!];
    if (!isRecess(va) || !isRecess(vb) || !isRecess(vc)) continue;
    const a = 3 * va, b = 3 * vb, c = 3 * vc; // prettier-ignore
    const ux = p[b]! - p[a]!, uy = p[b + 1]! - p[a + 1]!, uz = p[b + 2]! - p[a + 2]!; // prettier-ignore
    const vx = p[c]! - p[a]!, vy = p[c + 1]! - p[a + 1]!, vz = p[c + 2]! - p[a + 2]!; // prettier-ignore
    const nx = uy * vz - uz * vy, ny = uz * vx - ux * vz, nz = ux * vy - uy * vx; // prettier-ignore
    const length = Math.sqrt(nx * nx + ny * ny + nz * nz);
    if (length === 0) continue;
    const cos = Math.abs(m[6]! * nx + m[7]! * ny + m[8]! * nz) / length;
    const depthMm = layerMm * cos;
    if (cos > LEVEL_COS || depthMm < SEEN_MM) continue;
    reading.areaMm2 += length / 2;
    if (depthMm > reading.deepestMm) {
      reading.deepestMm = depthMm;
      reading.at = [0, 1, 2].map((k) => (p[a + k]! + p[b + k]! + p[c + k]!) / 3) as StepsReading['at'];
    }
  }
  return reading.areaMm2 > 0 ? reading : null;
}
