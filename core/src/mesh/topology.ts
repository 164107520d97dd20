import type { WeldedMesh } from './weld';

export interface Topology {
  /** Edges with one face only: holes in the surface. */
  openEdges: number;
  /** Edges with more than two faces: bodies meet there. */
  crowdedEdges: number;
  /** … of which not as many faces run one way as the other: something ends there. */
  unevenEdges: number;
  /** Edges whose two faces run the same way: one of them is inside out. */
  turnedEdges: number;
  shells: number;
  /** Shell of each triangle, numbered from 0 by first appearance. */
  shellOfTriangle: Uint32Array;
}

/** As many faces run one way along every edge as the other: the surface encloses. Only `isClosed` makes this claim. */
export function isClosed({ openEdges, unevenEdges, turnedEdges }: Topology): boolean {
  return openEdges === 0 && unevenEdges === 0 && turnedEdges === 0;
}

/** Edges in rows by their lower vertex (counting sort); each entry is the higher vertex ×2 + direction bit. */
function edgeRows(
  triangles: Uint32Array,
  vertexCount: number,
): { starts: Uint32Array; entries: Uint32Array } {
  const starts = new Uint32Array(vertexCount + 1);
  for (let t = 0; t < triangles.length; t += 3) {
    const a = triangles[t]!, b = triangles[t + 1]!, c = triangles[t + 2]!; // prettier-ignore
    starts[(a < b ? a : b) + 1]!++;
    starts[(b < c ? b : c) + 1]!++;
    starts[(c < a ? c : a) + 1]!++;
  }
  for (let v = 0; v < vertexCount; v++) starts[v + 1]! += starts[v]!;
  const fill = starts.slice(0, vertexCount);
  const entries = new Uint32Array(triangles.length);
  const add = (from: number, to: number): void => {
    if (from < to) entries[fill[from]!++] = 2 * to;
    else entries[fill[to]!++] = 2 * from + 1;
  };
  for (let t = 0; t < triangles.length; t += 3) {
    const a = triangles[t]!, b = triangles[t + 1]!, c = triangles[t + 2]!; // prettier-ignore
    add(a, b);
    add(b, c);
    add(c, a);
  }
  return { starts, entries };
}

/** Rows longer than this are sorted by the engine: a fan of thousands must not cost its square. */
const INSERTION_MAX = 24;

/** Sorts entries [from, to) in place. Rows hold about three entries, where insertion beats a call. */
function sortRow(entries: Uint32Array, from: number, to: number): void {
  if (to - from > INSERTION_MAX) {
    entries.subarray(from, to).sort();
    return;
  }
  for (let i = from + 1; i < to; i++) {
    const value = entries[i]!;
    let j = i - 1;
    for (; j >= from && entries[j]! > value; j--) entries[j + 1] = entries[j]!;
    entries[j + 1] = value;
  }
}

/**
 * Tells each edge once: its lower and higher vertex, how many faces it has, and how many of them run from the lower to the
 * higher. O(edges · log degree).
 */
export function eachEdge(
  triangles: Uint32Array,
  vertexCount: number,
  tell: (low: number, high: number, faces: number, forward: number) => void,
): void {
  const { starts, entries } = edgeRows(triangles, vertexCount);
  for (let v = 0; v < vertexCount; v++) {
    const end = starts[v + 1]!;
    sortRow(entries, starts[v]!, end);
    for (let i = starts[v]!; i < end;) {
      const other = entries[i]! >>> 1;
      let faces = 0;
      let forward = 0;
      for (; i < end && entries[i]! >>> 1 === other; i++) {
        faces++;
        if ((entries[i]! & 1) === 0) forward++;
      }
      tell(v, other, faces, forward);
    }
  }
}

function countEdges(triangles: Uint32Array, vertexCount: number) {
  const counts = { openEdges: 0, crowdedEdges: 0, unevenEdges: 0, turnedEdges: 0 };
  eachEdge(triangles, vertexCount, (_low, _high, faces, forward) => {
    if (faces === 1) counts.openEdges++;
    else if (faces > 2) {
      counts.crowdedEdges++;
      if (2 * forward !== faces) counts.unevenEdges++;
    } else if (forward !== 1) counts.turnedEdges++;
  });
  return counts;
}

/** Union-find over vertices with path halving. */
function labelShells(triangles: Uint32Array, vertexCount: number): { shells: number; labels: Uint32Array } {
  const parent = new Uint32Array(vertexCount);
  for (let v = 0; v < vertexCount; v++) parent[v] = v;
  const root = (v: number): number => {
    let at = v;
    while (parent[at] !== at) {
      parent[at] = parent[parent[at]!]!;
      at = parent[at]!;
    }
    return at;
  };
  for (let t = 0; t < triangles.length; t += 3) {
    const a = root(triangles[t]!);
    parent[root(triangles[t + 1]!)] = a;
    parent[root(triangles[t + 2]!)] = a;
  }
  /** Number of each root's shell, from 1. */
  const numbers = new Uint32Array(vertexCount);
  const labels = new Uint32Array(triangles.length / 3);
  let shells = 0;
  for (let t = 0; t < labels.length; t++) {
    const key = root(triangles[3 * t]!);
    if (numbers[key] === 0) numbers[key] = ++shells;
    labels[t] = numbers[key]! - 1;
  }
  return { shells, labels };
}

/** Counts open, crowded and turned edges, and the shells (faces joined through vertices). O(edges · log degree). */
export function checkTopology(mesh: WeldedMesh): Topology {
  const vertexCount = mesh.positions.length / 3;
  const { shells, labels } = labelShells(mesh.triangles, vertexCount);
  return { ...countEdges(mesh.triangles, vertexCount), shells, shellOfTriangle: labels };
}
