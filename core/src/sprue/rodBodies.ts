import { checkTopology, measureBounds, measureSolid, type WeldedMesh } from '../mesh';
import { splitShells } from '../solid';
import { GATE_MIN_MM } from '../gate';
import { rodAt, type Point } from './rodAt';

/** A body of a file that looks like a sprue: a rod that sticks out of all the others. */
export interface RodBody {
  /** A place on its surface. */
  at: Point;
  diameterMm: number;
  lengthMm: number;
}

/** A rod is this many times as long as thick. */
const SLENDER = 2;
/** No sprue of a pattern is thicker. mm. */
const THICKEST_MM = 12;

/** Bodies that look like sprues; the user says whether they are. O(n). */
export function findRodBodies(file: WeldedMesh): RodBody[] {
  const topology = checkTopology(file);
  if (topology.shells < 2) return [];
  const { shellVolumesMm3 } = measureSolid(file, topology, measureBounds(file.positions));
  const shells = splitShells(file, topology);
  const bounds = shells.map(({ positions }) => measureBounds(positions));
  const largest = shellVolumesMm3.indexOf(Math.max(...shellVolumesMm3));
  return shells.flatMap(({ positions, triangles }, n) => {
    const volumeMm3 = shellVolumesMm3[n]!;
    if (n === largest || volumeMm3 <= 0) return [];
    const mesh = { positions: Float64Array.from(positions), triangles };
    // The middle of a face that is as long as any: the side of a rod, not its end.
    const at = sideOf(mesh);
    const rod = rodAt(mesh, at);
    if (!rod || rod.diameterMm < GATE_MIN_MM || rod.diameterMm > THICKEST_MM) return [];
    const lengthMm = spanAlong(positions, rod.axis);
    const roundMm3 = (Math.PI / 4) * rod.diameterMm ** 2 * lengthMm;
    // A flare makes it fuller, a taper emptier than a round bar.
    const isRod =
      lengthMm >= SLENDER * rod.diameterMm && volumeMm3 > 0.5 * roundMm3 && volumeMm3 < 2 * roundMm3;
    const out = [0, 1, 2].some((k) => {
      const others = bounds.filter((_, m) => m !== n);
      const least = Math.min(...others.map(({ min }) => min[k]!));
      const most = Math.max(...others.map(({ max }) => max[k]!));
      return Math.max(least - bounds[n]!.min[k]!, bounds[n]!.max[k]! - most) > rod.diameterMm;
    });
    return isRod && out ? [{ at, diameterMm: rod.diameterMm, lengthMm }] : [];
  });
}

/** Middle of the face with the longest edge. */
function sideOf({ positions: p, triangles }: Pick<WeldedMesh, 'positions' | 'triangles'>): Point {
  let [best, longest] = [0, -1];
  for (let t = 0; t < triangles.length; t += 3)
    for (let n = 0; n < 3; n++) {
      const [a, b] = [3 * triangles[t + n]!, 3 * triangles[t + ((n + 1) % 3)]!];
      const length = Math.hypot(p[a]! - p[b]!, p[a + 1]! - p[b + 1]!, p[a + 2]! - p[b + 2]!);
      if (length > longest) [best, longest] = [t, length];
    }
  return [0, 1, 2].map(
    (k) =>
      (p[3 * triangles[best]! + k]! + p[3 * triangles[best + 1]! + k]! + p[3 * triangles[best + 2]! + k]!) /
      3,
  ) as Point;
}

function spanAlong(p: ArrayLike<number>, axis: Point): number {
  let [least, most] = [Infinity, -Infinity];
  for (let v = 0; v < p.length; v += 3) {
    const along = p[v]! * axis[0] + p[v + 1]! * axis[1] + p[v + 2]! * axis[2];
    least = Math.min(least, along);
    most = Math.max(most, along);
  }
  return most - least;
}
