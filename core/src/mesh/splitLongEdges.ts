import type { WeldedMesh } from './weld';

type Mesh = Pick<WeldedMesh, 'positions' | 'triangles'>;

/** Rounds of halving: 2¹⁰ pieces along an edge are enough for any part that the page takes. */
const ROUNDS_MAX = 10;

/**
 * Halves every edge longer than `longestMm`, again and again, so that no triangle is large: its corners can then
 * carry what was measured over it. Neighbours halve a shared edge at the same new vertex, so a closed mesh stays
 * closed. The first vertices of the result are those of the mesh; the mesh itself comes back when nothing is long.
 * Where that would make more than about `piecesMax` triangles of long slivers, longer edges stay.
 */
export function splitLongEdges(mesh: Mesh, longestMm: number, piecesMax = Infinity): Mesh {
  let longest = longestMm;
  while (countPieces(mesh, longest) > piecesMax) longest *= 1.25;
  let current = mesh;
  for (let round = 0; round < ROUNDS_MAX; round++) {
    const next = splitOnce(current, longest * longest);
    if (next === current) break;
    current = next;
  }
  return current;
}

/** About how many triangles there will be: two rows of them along a sliver's long edges, else a square of them. */
function countPieces({ positions: p, triangles }: Mesh, longestMm: number): number {
  let pieces = 0;
  for (let t = 0; t < triangles.length; t += 3) {
    const [a, b, c] = [3 * triangles[t]!, 3 * triangles[t + 1]!, 3 * triangles[t + 2]!];
    const [ab, bc, ca] = [edge(p, a, b), edge(p, b, c), edge(p, c, a)];
    const along = halves(Math.max(ab, bc, ca) / longestMm);
    pieces += along === 1 ? 1 : along * Math.max(2, halves(Math.min(ab, bc, ca) / longestMm));
  }
  return pieces;
}

/** Into how many pieces halving cuts what is so many times too long. */
const halves = (times: number): number => 2 ** Math.max(0, Math.ceil(Math.log2(times)));

const edge = (p: ArrayLike<number>, u: number, v: number): number =>
  Math.hypot(p[u]! - p[v]!, p[u + 1]! - p[v + 1]!, p[u + 2]! - p[v + 2]!);

function splitOnce(mesh: Mesh, longest2: number): Mesh {
  const { positions: p, triangles } = mesh;
  const vertexCount = p.length / 3;
  const middles = new Map<number, number>();
  const added: number[] = [];
  const middle = (a: number, b: number): number => {
    const [u, v] = [3 * a, 3 * b];
    const d2 = (p[u]! - p[v]!) ** 2 + (p[u + 1]! - p[v + 1]!) ** 2 + (p[u + 2]! - p[v + 2]!) ** 2;
    if (d2 <= longest2) return -1;
    const key = a < b ? a * vertexCount + b : b * vertexCount + a;
    const known = middles.get(key);
    if (known !== undefined) return known;
    const at = vertexCount + added.length / 3;
    for (let k = 0; k < 3; k++) added.push((p[u + k]! + p[v + k]!) / 2);
    middles.set(key, at);
    return at;
  };
  const out: number[] = [];
  let split = false;
  for (let t = 0; t < triangles.length; t += 3) {
    const [a, b, c] = [triangles[t]!, triangles[t + 1]!, triangles[t + 2]!];
    const [ab, bc, ca] = [middle(a, b), middle(b, c), middle(c, a)];
    if (ab < 0 && bc < 0 && ca < 0) {
      if (split) out.push(a, b, c);
      continue;
    }
    if (!split) {
      for (let n = 0; n < t; n++) out.push(triangles[n]!);
      split = true;
    }
    pushPieces(out, [a, b, c], [ab, bc, ca]);
  }
  if (!split) return mesh;
  const positions = new Float64Array(p.length + added.length);
  positions.set(p);
  positions.set(added, p.length);
  return { positions, triangles: Uint32Array.from(out) };
}

/** Two, three or four pieces of a triangle, wound as it was. `middles[n]` lies between corners n and n + 1, or is −1. */
function pushPieces(out: number[], corners: readonly number[], middles: readonly number[]): void {
  const count = middles.filter((m) => m >= 0).length;
  // Turned so that with one middle it is the first edge's, and with two the last edge is the whole one.
  const turn =
    count === 1
      ? middles.findIndex((m) => m >= 0)
      : count === 2
        ? (middles.findIndex((m) => m < 0) + 1) % 3
        : 0;
  const [a, b, c] = [0, 1, 2].map((n) => corners[(n + turn) % 3]!) as [number, number, number];
  const [ab, bc, ca] = [0, 1, 2].map((n) => middles[(n + turn) % 3]!) as [number, number, number];
  if (count === 1) out.push(a, ab, c, ab, b, c);
  else if (count === 2) out.push(ab, b, bc, a, ab, bc, a, bc, c);
  else out.push(a, ab, ca, ab, b, bc, ca, bc, c, ab, bc, ca);
}
