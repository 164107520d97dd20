import type { Topology } from './topology';
import type { WeldedMesh } from './weld';

/** Under this a shell is a speck of the file, not a hollow. mm³. */
const SPECK_MM3 = 1e-3;
/** So many are looked at; a lattice of more is judged by these. */
const LOOKED_AT = 60;

/**
 * Inverted shells that lie inside another body, so that they are hollows of it; an inverted body that stands apart is none.
 * By the solid angle that the other shells fill seen from a point of it (its winding number). O(inverted shells · triangles).
 */
export function innerShells(
  mesh: WeldedMesh,
  topology: Topology,
  shellVolumesMm3: readonly number[],
): number {
  const inverted = shellVolumesMm3.flatMap((volume, shell) => (volume < -SPECK_MM3 ? [shell] : []));
  const looked = inverted.slice(0, LOOKED_AT);
  const inner = looked.filter((shell) => windingOfOthers(mesh, topology, shell) > 0.5).length;
  return looked.length === 0 ? 0 : Math.round((inner / looked.length) * inverted.length);
}

function windingOfOthers(
  { positions: p, triangles }: WeldedMesh,
  { shellOfTriangle }: Topology,
  shell: number,
): number {
  const first = shellOfTriangle.indexOf(shell);
  const at = [0, 1, 2].map((k) => p[3 * triangles[3 * first]! + k]!);
  let angle = 0;
  const corner = [0, 0, 0, 0, 0, 0, 0, 0, 0];
  for (let t = 0; t < shellOfTriangle.length; t++) {
    if (shellOfTriangle[t] === shell) continue;
    for (let n = 0; n < 9; n++)
      corner[n] = p[3 * triangles[3 * t + Math.floor(n / 3)]! + (n % 3)]! - at[n % 3]!;
    angle += solidAngle(corner);
  }
  return angle / (4 * Math.PI);
}

/** Solid angle of a triangle seen from the origin (Van Oosterom & Strackee 1983). */
function solidAngle(c: readonly number[]): number {
  const [ax, ay, az, bx, by, bz, cx, cy, cz] = c as [number, number, number, number, number, number, number, number, number]; // prettier-ignore
  const [a, b, d] = [Math.hypot(ax, ay, az), Math.hypot(bx, by, bz), Math.hypot(cx, cy, cz)];
  const det = ax * (by * cz - bz * cy) + ay * (bz * cx - bx * cz) + az * (bx * cy - by * cx);
  const ab = ax * bx + ay * by + az * bz, bc = bx * cx + by * cy + bz * cz, ca = cx * ax + cy * ay + cz * az; // prettier-ignore
  return 2 * Math.atan2(det, a * b * d + ab * d + bc * a + ca * b);
}
