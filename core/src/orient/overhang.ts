import type { WeldedMesh } from '../mesh';

/** Faces that look down more steeply than a limit, in the part's printed position. */
export interface Overhang {
  areaMm2: number;
  /** Area by layer of the face's middle. */
  byLayerMm2: Float64Array;
}

/** Limit angle from the vertical beyond which a face needs support (handbook 04 default). */
export const OVERHANG_LIMIT_DEG = 45;

/**
 * Area with −n_z > sin(limit). By face normals: pixels are too coarse for it, since h·tan 45° is about one.
 * positions: turned, z up from the plate. O(triangles).
 */
export function measureOverhang(
  { positions: p, triangles }: Pick<WeldedMesh, 'positions' | 'triangles'>,
  limitDeg: number,
  z0Mm: number,
  layerMm: number,
  layers: number,
): Overhang {
  const steep = Math.sin((limitDeg * Math.PI) / 180);
  const byLayerMm2 = new Float64Array(layers);
  let areaMm2 = 0;
  for (let t = 0; t < triangles.length; t += 3) {
    const a = 3 * triangles[t]!, b = 3 * triangles[t + 1]!, c = 3 * triangles[t + 2]!; // prettier-ignore
    const ux = p[b]! - p[a]!, uy = p[b + 1]! - p[a + 1]!, uz = p[b + 2]! - p[a + 2]!; // prettier-ignore
    const vx = p[c]! - p[a]!, vy = p[c + 1]! - p[a + 1]!, vz = p[c + 2]! - p[a + 2]!; // prettier-ignore
    const nz = ux * vy - uy * vx;
    if (nz >= 0) continue;
    const nx = uy * vz - uz * vy;
    const ny = uz * vx - ux * vz;
    const length = Math.sqrt(nx * nx + ny * ny + nz * nz);
    if (-nz <= steep * length) continue;
    areaMm2 += length / 2;
    const layer = Math.floor(((p[a + 2]! + p[b + 2]! + p[c + 2]!) / 3 - z0Mm) / layerMm);
    byLayerMm2[Math.min(layers - 1, Math.max(0, layer))]! += length / 2;
  }
  return { areaMm2, byLayerMm2 };
}
