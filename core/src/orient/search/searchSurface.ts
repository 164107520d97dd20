import type { WeldedMesh } from '../../mesh';

/** A part's surface made ready to be looked at from many directions. */
export interface SearchSurface {
  vertices: number;
  positions: Float64Array;
  /** Twice the area along each face's normal: xyz of u × v. */
  normals: Float64Array;
  /** Area of each face, mm², and its middle. */
  areas: Float64Array;
  middles: Float64Array;
  /** Neighbours of vertex v are next[start[v]] … next[start[v + 1] − 1]. */
  start: Uint32Array;
  next: Uint32Array;
  /** Sum of the face normals round each vertex. */
  vertexNormals: Float64Array;
}

/** Faces' areas and normals and vertices' neighbours; once for all directions. O(triangles). */
export function makeSearchSurface({
  positions: p,
  triangles,
}: Pick<WeldedMesh, 'positions' | 'triangles'>): SearchSurface {
  const vertices = p.length / 3;
  const faces = triangles.length / 3;
  const normals = new Float64Array(3 * faces);
  const areas = new Float64Array(faces);
  const middles = new Float64Array(3 * faces);
  const vertexNormals = new Float64Array(3 * vertices);
  const start = new Uint32Array(vertices + 1);
  for (let t = 0; t < faces; t++) {
    const [i, j, k] = [triangles[3 * t]!, triangles[3 * t + 1]!, triangles[3 * t + 2]!];
    const [a, b, c] = [3 * i, 3 * j, 3 * k];
    const ux = p[b]! - p[a]!, uy = p[b + 1]! - p[a + 1]!, uz = p[b + 2]! - p[a + 2]!; // prettier-ignore
    const vx = p[c]! - p[a]!, vy = p[c + 1]! - p[a + 1]!, vz = p[c + 2]! - p[a + 2]!; // prettier-ignore
    const n = [uy * vz - uz * vy, uz * vx - ux * vz, ux * vy - uy * vx] as const;
    areas[t] = Math.hypot(...n) / 2;
    for (let axis = 0; axis < 3; axis++) {
      normals[3 * t + axis] = n[axis]!;
      middles[3 * t + axis] = (p[a + axis]! + p[b + axis]! + p[c + axis]!) / 3;
      for (const v of [a, b, c]) vertexNormals[v + axis]! += n[axis]!;
    }
    for (const v of [i, j, k]) start[v + 1]! += 2;
  }
  for (let v = 0; v < vertices; v++) start[v + 1]! += start[v]!;
  const neighbours = new Uint32Array(start[vertices]!);
  const fill = start.slice();
  for (let t = 0; t < triangles.length; t += 3) {
    for (let e = 0; e < 3; e++) {
      const v = triangles[t + e]!;
      neighbours[fill[v]!++] = triangles[t + ((e + 1) % 3)]!;
      neighbours[fill[v]!++] = triangles[t + ((e + 2) % 3)]!;
    }
  }
  return { vertices, positions: p, normals, areas, middles, vertexNormals, ...onceEach(neighbours, start) };
}

/** Each neighbour once: a shared edge names it from both of its faces. */
function onceEach(neighbours: Uint32Array, from: Uint32Array): Pick<SearchSurface, 'start' | 'next'> {
  const start = new Uint32Array(from.length);
  let used = 0;
  for (let v = 0; v + 1 < from.length; v++) {
    start[v] = used;
    for (let e = from[v]!; e < from[v + 1]!; e++) {
      const other = neighbours[e]!;
      let known = false;
      for (let k = start[v]!; k < used && !known; k++) known = neighbours[k] === other;
      if (!known) neighbours[used++] = other;
    }
  }
  start[from.length - 1] = used;
  return { start, next: neighbours.slice(0, used) };
}
