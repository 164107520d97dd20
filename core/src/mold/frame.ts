import { requirePositive } from '../numeric';
import type { SolidMesh } from '../sprue';

/** A printed frame to pour or pack round a master: walls and floor of this thickness (*shop default*, ours). mm. */
export const FRAME_WALL_MM = 2.5;

/** A box open above, its inside of these sizes: closed, outward faces, floor down. mm. */
export function moldFrame(
  inside: { lengthMm: number; widthMm: number; heightMm: number },
  wallMm = FRAME_WALL_MM,
): SolidMesh {
  const [l, w, h] = (['lengthMm', 'widthMm', 'heightMm'] as const).map((name) =>
    requirePositive(name, inside[name]),
  );
  const t = requirePositive('wallMm', wallMm);
  const ring = (inset: number, z: number): number[] => [
    inset, inset, z, l! + 2 * t - inset, inset, z, l! + 2 * t - inset, w! + 2 * t - inset, z, inset, w! + 2 * t - inset, z,
  ]; // prettier-ignore
  // Outer foot, outer rim, inner rim, inner floor.
  const positions = Float32Array.from([...ring(0, 0), ...ring(0, h! + t), ...ring(t, h! + t), ...ring(t, t)]);
  const triangles: number[] = [0, 2, 1, 0, 3, 2, 12, 13, 14, 12, 14, 15];
  for (let band = 0; band < 3; band++)
    for (let n = 0; n < 4; n++) {
      const m = (n + 1) % 4;
      const [a, b, c, d] = [4 * band + n, 4 * band + m, 4 * band + 4 + m, 4 * band + 4 + n];
      triangles.push(a, b, c, a, c, d);
    }
  return { positions, triangles: Uint32Array.from(triangles) };
}
