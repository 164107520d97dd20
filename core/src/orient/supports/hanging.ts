import type { WeldedMesh } from '../../mesh';

/** A small piece of a face that looks down too steeply to print by itself. Turned mm. */
export interface Hanging {
  at: [number, number, number];
  areaMm2: number;
}

/** No piece is larger than this, so that points can be spread over it. mm². */
const PIECE_MM2 = 0.3;
const PARTS_MOST = 40;
/** Faces this near the plate lie on it. mm. */
const ON_PLATE_MM = 0.15;

/** Overhanging faces in small pieces, lowest first. positions: turned, z up from the plate. O(triangles + pieces). */
export function hangingPieces(
  { positions: p, triangles }: Pick<WeldedMesh, 'positions' | 'triangles'>,
  limitDeg: number,
  plateMm: number,
): Hanging[] {
  const steep = Math.sin((limitDeg * Math.PI) / 180);
  const pieces: Hanging[] = [];
  for (let t = 0; t < triangles.length; t += 3) {
    const corners = [0, 1, 2].map((k) => 3 * triangles[t + k]!);
    const [a, b, c] = corners as [number, number, number];
    const along = (from: number, to: number, k: number): number => p[to + k]! - p[from + k]!;
    const nx = along(a, b, 1) * along(a, c, 2) - along(a, b, 2) * along(a, c, 1);
    const ny = along(a, b, 2) * along(a, c, 0) - along(a, b, 0) * along(a, c, 2);
    const nz = along(a, b, 0) * along(a, c, 1) - along(a, b, 1) * along(a, c, 0);
    const length = Math.sqrt(nx * nx + ny * ny + nz * nz);
    if (nz >= 0 || -nz <= steep * length) continue;
    if (Math.max(p[a + 2]!, p[b + 2]!, p[c + 2]!) - plateMm < ON_PLATE_MM) continue;
    splitFace(p, [a, b, c], length / 2, pieces);
  }
  return pieces.sort((one, other) => one.at[2] - other.at[2]);
}

/** Cuts a face into n² like triangles and takes their middles. */
function splitFace(
  p: Float64Array,
  [a, b, c]: readonly [number, number, number],
  areaMm2: number,
  into: Hanging[],
): void {
  const n = Math.min(PARTS_MOST, Math.max(1, Math.ceil(Math.sqrt(areaMm2 / PIECE_MM2))));
  const middle = (u: number, v: number): [number, number, number] => {
    const at = (k: number): number => p[a + k]! * (1 - u - v) + p[b + k]! * u + p[c + k]! * v;
    return [at(0), at(1), at(2)];
  };
  for (let i = 0; i < n; i++)
    for (let j = 0; i + j < n; j++) {
      into.push({ at: middle((i + 1 / 3) / n, (j + 1 / 3) / n), areaMm2: areaMm2 / (n * n) });
      if (i + j < n - 1)
        into.push({ at: middle((i + 2 / 3) / n, (j + 2 / 3) / n), areaMm2: areaMm2 / (n * n) });
    }
}
