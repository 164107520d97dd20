import { unitNormals, type WeldedMesh } from '../mesh';

type Mesh = Pick<WeldedMesh, 'positions' | 'triangles'>;
type Place = [number, number, number];

/** Where something stays besides in a cup: an inside corner under which a bubble rests, the tip of a horn where a crumb lodges. */
export interface HeldSpot {
  kind: 'corner' | 'tip';
  /** In the part's axes. mm. */
  at: Place;
  /** Length of the corner. mm; 0 of a tip. */
  lengthMm: number;
}

/** Faces that meet in an inside corner are turned against each other by more than this. */
const CORNER_DEG = 30;
/** A bubble slides out along an edge that is steeper than this. */
const LEVEL_DEG = 15;
/** Both faces look down at least so far, as the z of their normal. */
const DOWN = 0.2;
/** Shorter corners hold no bubble that is seen. mm. */
const CORNER_LEAST_MM = 1.5;
/** A horn: this far under its tip it is no wider than that. mm. */
const HORN_MM = 1.2;
const HORN_WIDE_MM = 1.2;
/** A tip is looked at through so many corners at most. */
const LOOKED_AT = 400;
/** Spots that are told. */
const MOST = 12;

const RAD = Math.PI / 180;

/**
 * Inside corners and tips of a part as it is turned (3 × 3, row by row; z up, standing on the base as it is invested). A bubble rests
 * under an inside corner that runs level with both faces over it looking down. When the flask is turned over to be poured, a loose
 * crumb comes to rest in what was the top: the tip of a horn holds it. O(triangles).
 */
export function findHeldSpots(mesh: Mesh, turn: readonly number[]): HeldSpot[] {
  return [...cornersOf(mesh, turn), ...tipsOf(mesh, turn)].slice(0, MOST);
}

const upOf = (turn: readonly number[], x: number, y: number, z: number): number =>
  turn[6]! * x + turn[7]! * y + turn[8]! * z;

function cornersOf(mesh: Mesh, turn: readonly number[]): HeldSpot[] {
  const { positions: p, triangles } = mesh;
  const normals = unitNormals(mesh);
  const corners = p.length / 3;
  const first = new Map<number, number>();
  const found: HeldSpot[] = [];
  const [bend, level] = [Math.cos(CORNER_DEG * RAD), Math.sin(LEVEL_DEG * RAD)];
  for (let t = 0; t < triangles.length; t += 3) {
    const down = upOf(turn, normals[t]!, normals[t + 1]!, normals[t + 2]!);
    if (down > -DOWN) continue;
    for (let n = 0; n < 3; n++) {
      const [a, b] = [triangles[t + n]!, triangles[t + ((n + 1) % 3)]!];
      const key = Math.min(a, b) * corners + Math.max(a, b);
      const other = first.get(key);
      if (other === undefined) {
        first.set(key, t);
        continue;
      }
      const dot =
        normals[t]! * normals[other]! +
        normals[t + 1]! * normals[other + 1]! +
        normals[t + 2]! * normals[other + 2]!;
      if (dot > bend) continue;
      // Inside: what the other face ends in lies before this one.
      const apex = [0, 1, 2].map((k) => triangles[other + k]!).find((v) => v !== a && v !== b)!;
      const before = [0, 1, 2].reduce(
        (sum, k) => sum + normals[t + k]! * (p[3 * apex + k]! - p[3 * a + k]!),
        0,
      );
      if (before <= 0) continue;
      const way = [0, 1, 2].map((k) => p[3 * b + k]! - p[3 * a + k]!);
      const lengthMm = Math.hypot(...way);
      if (Math.abs(upOf(turn, way[0]!, way[1]!, way[2]!)) > level * lengthMm) continue;
      const at = [0, 1, 2].map((k) => (p[3 * a + k]! + p[3 * b + k]!) / 2) as Place;
      found.push({ kind: 'corner', at, lengthMm });
    }
  }
  return joined(found).filter(({ lengthMm }) => lengthMm >= CORNER_LEAST_MM);
}

/** Pieces of one corner as one, at the middle of the longest. */
function joined(pieces: readonly HeldSpot[]): HeldSpot[] {
  const groups: HeldSpot[] = [];
  const reach: number[] = [];
  for (const piece of [...pieces].sort((a, b) => b.lengthMm - a.lengthMm)) {
    const near = groups.findIndex(
      ({ at }, n) =>
        Math.hypot(...at.map((v, k) => v - piece.at[k]!)) <= reach[n]! + piece.lengthMm / 2 + 0.1,
    );
    if (near < 0) {
      groups.push({ ...piece });
      reach.push(piece.lengthMm / 2);
    } else {
      groups[near]!.lengthMm += piece.lengthMm;
      reach[near] = groups[near]!.lengthMm / 2;
    }
  }
  return groups.sort((a, b) => b.lengthMm - a.lengthMm);
}

function tipsOf({ positions: p, triangles }: Mesh, turn: readonly number[]): HeldSpot[] {
  const count = p.length / 3;
  const up = Float64Array.from({ length: count }, (_, v) =>
    upOf(turn, p[3 * v]!, p[3 * v + 1]!, p[3 * v + 2]!),
  );
  const isTop = new Uint8Array(count).fill(1);
  const beside: number[][] = Array.from({ length: count }, () => []);
  for (let t = 0; t < triangles.length; t++) {
    const next = t % 3 === 2 ? t - 2 : t + 1;
    const [a, b] = [triangles[t]!, triangles[next]!];
    beside[a]!.push(b);
    if (up[a]! < up[b]!) isTop[a] = 0;
    else if (up[b]! < up[a]!) isTop[b] = 0;
  }
  const tips: HeldSpot[] = [];
  for (let v = 0; v < count; v++) {
    if (isTop[v] !== 1 || beside[v]!.length === 0) continue;
    const at = [p[3 * v]!, p[3 * v + 1]!, p[3 * v + 2]!] as Place;
    const isNew = tips.every((tip) => Math.hypot(...tip.at.map((x, k) => x - at[k]!)) > HORN_WIDE_MM);
    if (isNew && isHorn(v, up, p, beside)) tips.push({ kind: 'tip', at, lengthMm: 0 });
  }
  return tips;
}

/** Whether what lies within a little under a top is no wider than a horn; a ledge or a dome is. */
function isHorn(tip: number, up: Float64Array, p: Float64Array, beside: readonly number[][]): boolean {
  const seen = new Set([tip]);
  const stack = [tip];
  const [least, most] = [
    [Infinity, Infinity, Infinity],
    [-Infinity, -Infinity, -Infinity],
  ];
  let reached = false;
  while (stack.length > 0 && seen.size < LOOKED_AT) {
    const v = stack.pop()!;
    for (let k = 0; k < 3; k++) {
      least[k] = Math.min(least[k]!, p[3 * v + k]!);
      most[k] = Math.max(most[k]!, p[3 * v + k]!);
    }
    for (const next of beside[v]!) {
      if (seen.has(next)) continue;
      if (up[next]! < up[tip]! - HORN_MM) {
        reached = true;
        continue;
      }
      seen.add(next);
      stack.push(next);
    }
  }
  if (seen.size >= LOOKED_AT || !reached) return false;
  // Its own height is part of the box.
  const wide = Math.hypot(...least.map((v, k) => most[k]! - v));
  return wide <= Math.hypot(HORN_WIDE_MM, HORN_MM);
}
