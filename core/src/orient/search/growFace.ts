import { unitNormals, type WeldedMesh } from '../../mesh';

type Mesh = { positions: ArrayLike<number>; triangles: ArrayLike<number> };
type Point = readonly [number, number, number];

/** A face of the part ends where neighbours bend by more than this, or it has turned so far from where it began. Degrees. */
const BEND_DEG = 22;
const TURN_DEG = 55;

const cosOf = (deg: number): number => Math.cos((deg * Math.PI) / 180);

/** The face across each edge, −1 where there is none: three a triangle. */
function acrossEdges({ triangles }: Mesh): Int32Array {
  const faces = triangles.length / 3;
  const across = new Int32Array(3 * faces).fill(-1);
  const open = new Map<number, number>();
  const most = triangles.length + 1;
  for (let e = 0; e < 3 * faces; e++) {
    const t = Math.floor(e / 3);
    const [from, to] = [triangles[e]!, triangles[3 * t + ((e + 1) % 3)]!];
    const key = Math.min(from, to) * most + Math.max(from, to);
    const other = open.get(key);
    if (other === undefined) open.set(key, e);
    else {
      across[e] = Math.floor(other / 3);
      across[other] = t;
      open.delete(key);
    }
  }
  return across;
}

function nearestFace({ positions: p, triangles }: Mesh, at: Point): number {
  let nearest = 0;
  let least = Infinity;
  for (let t = 0; t < triangles.length; t += 3) {
    let distance2 = 0;
    for (let k = 0; k < 3; k++) {
      const middle =
        (p[3 * triangles[t]! + k]! + p[3 * triangles[t + 1]! + k]! + p[3 * triangles[t + 2]! + k]!) / 3;
      distance2 += (middle - at[k]!) ** 2;
    }
    if (distance2 < least) [least, nearest] = [distance2, t / 3];
  }
  return nearest;
}

/**
 * Faces that go with the points that were picked on a part: from each the surface is followed as long as it bends gently.
 * 1 for each triangle that belongs. O(triangles) a point.
 */
export function growFaces(
  mesh: Mesh | Pick<WeldedMesh, 'positions' | 'triangles'>,
  points: readonly Point[],
): Uint8Array {
  const marked = new Uint8Array(mesh.triangles.length / 3);
  if (points.length === 0) return marked;
  const normals = unitNormals(mesh);
  const across = acrossEdges(mesh);
  const dot = (a: number, b: number): number =>
    normals[3 * a]! * normals[3 * b]! +
    normals[3 * a + 1]! * normals[3 * b + 1]! +
    normals[3 * a + 2]! * normals[3 * b + 2]!;
  const [bend, turn] = [cosOf(BEND_DEG), cosOf(TURN_DEG)];
  for (const point of points) {
    const seed = nearestFace(mesh, point);
    const stack = [seed];
    marked[seed] = 1;
    while (stack.length > 0) {
      const face = stack.pop()!;
      for (let e = 3 * face; e < 3 * face + 3; e++) {
        const other = across[e]!;
        if (other < 0 || marked[other] || dot(face, other) < bend || dot(seed, other) < turn) continue;
        marked[other] = 1;
        stack.push(other);
      }
    }
  }
  return marked;
}
