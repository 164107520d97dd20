import { measureBounds, sizeOf } from './measureSolid';
import type { WeldedMesh } from './weld';

/** A coarser likeness of a mesh, and which face of the mesh each of its faces was. */
export interface Clustered {
  positions: Float64Array;
  triangles: Uint32Array;
  faceOf: Uint32Array;
}

/** Cells grow by this until few enough hold a vertex. */
const GROWTH = 1.25;
/** Cells along a side at most: three indices of one fit in an exact number. */
const CELLS_MAX = 2 ** 17;

/**
 * Gathers vertices by the cells of a grid, the sharpest of each cell for all of it, until there are no more than `most`
 * (vertex clustering, Rossignac & Borrel 1993): flat faces stay flat to their edges. Faces with two corners in one cell are
 * gone. What is smaller than a cell is lost: for looking at a part, not for measuring it. O(vertices · rounds + triangles).
 */
export function clusterVertices(
  { positions: p, triangles }: Pick<WeldedMesh, 'positions' | 'triangles'>,
  most: number,
): Clustered {
  const bounds = measureBounds(p);
  const size = sizeOf(bounds);
  const [sx, sy, sz] = size;
  // As many cells as this cover the faces of the box.
  let cellMm = Math.max(Math.sqrt((2 * (sx * sy + sy * sz + sz * sx)) / most), Math.max(...size) / CELLS_MAX);
  for (;;) {
    const { clusterOf, count } = gather(p, bounds.min, cellMm);
    if (count <= most || cellMm > Math.max(...size)) return joined(p, triangles, clusterOf, count);
    cellMm *= GROWTH;
  }
}

function gather(
  p: Float64Array,
  [x0, y0, z0]: readonly [number, number, number],
  cellMm: number,
): { clusterOf: Uint32Array; count: number } {
  const clusterOf = new Uint32Array(p.length / 3);
  const numbers = new Map<number, number>();
  for (let v = 0; v < clusterOf.length; v++) {
    const x = Math.floor((p[3 * v]! - x0) / cellMm);
    const y = Math.floor((p[3 * v + 1]! - y0) / cellMm);
    const z = Math.floor((p[3 * v + 2]! - z0) / cellMm);
    const cell = (z * (CELLS_MAX + 1) + y) * (CELLS_MAX + 1) + x;
    const known = numbers.get(cell);
    if (known === undefined) numbers.set(cell, (clusterOf[v] = numbers.size));
    else clusterOf[v] = known;
  }
  return { clusterOf, count: numbers.size };
}

/** How far the faces round each vertex agree: 1 in the flat, less along an edge, least in a corner. */
function flatness(p: Float64Array, triangles: Uint32Array): Float64Array {
  const sums = new Float64Array(p.length);
  const areas = new Float64Array(p.length / 3);
  for (let t = 0; t < triangles.length; t += 3) {
    const [a, b, c] = [3 * triangles[t]!, 3 * triangles[t + 1]!, 3 * triangles[t + 2]!];
    const ux = p[b]! - p[a]!, uy = p[b + 1]! - p[a + 1]!, uz = p[b + 2]! - p[a + 2]!; // prettier-ignore
    const vx = p[c]! - p[a]!, vy = p[c + 1]! - p[a + 1]!, vz = p[c + 2]! - p[a + 2]!; // prettier-ignore
    const nx = uy * vz - uz * vy, ny = uz * vx - ux * vz, nz = ux * vy - uy * vx; // prettier-ignore
    const area = Math.sqrt(nx * nx + ny * ny + nz * nz);
    for (const v of [a, b, c]) {
      sums[v]! += nx;
      sums[v + 1]! += ny;
      sums[v + 2]! += nz;
      areas[v / 3]! += area;
    }
  }
  return areas.map((area, v) => Math.hypot(sums[3 * v]!, sums[3 * v + 1]!, sums[3 * v + 2]!) / (area || 1));
}

function joined(p: Float64Array, triangles: Uint32Array, clusterOf: Uint32Array, count: number): Clustered {
  const flat = flatness(p, triangles);
  const sharpest = new Int32Array(count).fill(-1);
  clusterOf.forEach((cluster, v) => {
    const before = sharpest[cluster]!;
    if (before < 0 || flat[v]! < flat[before]!) sharpest[cluster] = v;
  });
  const positions = Float64Array.from(
    { length: 3 * count },
    (_, n) => p[3 * sharpest[Math.floor(n / 3)]! + (n % 3)]!,
  );
  const kept = new Uint32Array(triangles.length);
  const faceOf = new Uint32Array(triangles.length / 3);
  let faces = 0;
  for (let t = 0; t < triangles.length; t += 3) {
    const [a, b, c] = [
      clusterOf[triangles[t]!]!,
      clusterOf[triangles[t + 1]!]!,
      clusterOf[triangles[t + 2]!]!,
    ];
    if (a === b || b === c || c === a) continue;
    kept.set([a, b, c], 3 * faces);
    faceOf[faces++] = t / 3;
  }
  return { positions, triangles: kept.slice(0, 3 * faces), faceOf: faceOf.slice(0, faces) };
}
