import type { WeldedMesh } from '../mesh';
import { evenDirection, principalAxes } from '../numeric';
import { TriangleTree } from '../solid';

export type Point = [number, number, number];

/** A stretch of a rod round a place of the surface. */
export interface Rod {
  /** On its axis, level with the place. */
  at: Point;
  axis: Point;
  /** From the place through to the wall opposite. mm. */
  diameterMm: number;
}

/** The wall opposite is deeper than this. mm. */
const SKIN_MM = 0.02;
/** Directions that are looked along from the rod's middle for its wall. */
const LOOKS = 400;
/** A wall further off than this many diameters is another one. */
const WALL_DIAMETERS = 0.9;
/** Normals of a rod's wall lie across its axis: along it they spread less than this share of what they do across. */
const ALONG_SHARE_MAX = 0.2;
/** … and all round it: the lesser of the two spreads across, against the greater. */
const ROUND_SHARE_MIN = 0.3;

/**
 * The rod that a place of the surface lies on: middle halfway to the wall opposite, axis the direction that the normals
 * of the wall round it span least. Null where the surface round the place is not that of a rod (wire, square bar or
 * cone). O(triangles).
 */
export function rodAt(mesh: Mesh, place: Point): Rod | null {
  const all = [...Array(mesh.triangles.length / 3).keys()];
  const { triangle: under, awayMm } = faceAt(mesh, place);
  const inward = normalOf(mesh, under).map((v) => -v) as Point;
  const across = firstHit(mesh, all, place, inward, awayMm + SKIN_MM);
  if (!across) return null;
  const diameterMm = across.away;
  const at = place.map((v, k) => v + (inward[k]! * diameterMm) / 2) as Point;
  const reach = WALL_DIAMETERS * diameterMm;
  const near = all.filter((t) => boxWithin(mesh, t, at, reach));
  const spread = [0, 1, 2].map(() => [0, 0, 0]);
  for (let n = 0; n < LOOKS; n++) {
    const hit = firstHit(mesh, near, at, evenDirection(n, LOOKS), 0);
    if (!hit || hit.away > reach) continue;
    const normal = normalOf(mesh, hit.triangle);
    for (let a = 0; a < 3; a++) for (let b = 0; b < 3; b++) spread[a]![b]! += normal[a]! * normal[b]!;
  }
  const [along, less, most] = principalAxes(spread)
    .map((axis) => ({ axis, value: quadratic(spread, axis) }))
    .sort((a, b) => a.value - b.value);
  if (along!.value > ALONG_SHARE_MAX * most!.value || less!.value < ROUND_SHARE_MIN * most!.value)
    return null;
  return { at, axis: along!.axis, diameterMm };
}

const quadratic = (m: readonly (readonly number[])[], v: Point): number =>
  v.reduce((sum, a, i) => sum + v.reduce((row, b, j) => row + a * m[i]![j]! * b, 0), 0);

/** The triangle that a place lies on, and how far it is from it. */
export function faceAt(
  { positions, triangles }: Mesh,
  [x, y, z]: Point,
): { triangle: number; awayMm: number } {
  const found = { distance2: 0, x: 0, y: 0, z: 0, triangle: 0 };
  new TriangleTree(positions, triangles).closest(x, y, z, Infinity, found);
  return { triangle: found.triangle, awayMm: Math.sqrt(found.distance2) };
}

type Mesh = Pick<WeldedMesh, 'positions' | 'triangles'>;
const corner = ({ positions: p, triangles }: Mesh, t: number, n: number): Point => {
  const v = 3 * triangles[3 * t + n]!;
  return [p[v]!, p[v + 1]!, p[v + 2]!];
};
const minus = (a: Point, b: Point): Point => [a[0] - b[0], a[1] - b[1], a[2] - b[2]];
const dot = (a: Point, b: Point): number => a[0] * b[0] + a[1] * b[1] + a[2] * b[2];
const cross = (a: Point, b: Point): Point => [
  a[1] * b[2] - a[2] * b[1],
  a[2] * b[0] - a[0] * b[2],
  a[0] * b[1] - a[1] * b[0],
];

function normalOf(mesh: Mesh, t: number): Point {
  const a = corner(mesh, t, 0);
  const n = cross(minus(corner(mesh, t, 1), a), minus(corner(mesh, t, 2), a));
  const length = Math.hypot(...n) || 1;
  return n.map((v) => v / length) as Point;
}

function boxWithin(mesh: Mesh, t: number, at: Point, reach: number): boolean {
  const corners = [0, 1, 2].map((n) => corner(mesh, t, n));
  return at.every((v, k) => {
    const along = corners.map((c) => c[k]!);
    return Math.min(...along) <= v + reach && Math.max(...along) >= v - reach;
  });
}

/** First triangle that a ray meets beyond `beyond` mm, from either side (Möller & Trumbore 1997). */
function firstHit(
  mesh: Mesh,
  of: readonly number[],
  from: Point,
  direction: Point,
  beyond: number,
): { triangle: number; away: number } | null {
  let best: { triangle: number; away: number } | null = null;
  for (const triangle of of) {
    const a = corner(mesh, triangle, 0);
    const [ab, ac] = [minus(corner(mesh, triangle, 1), a), minus(corner(mesh, triangle, 2), a)];
    const p = cross(direction, ac);
    const det = dot(ab, p);
    if (Math.abs(det) < 1e-14) continue;
    const s = minus(from, a);
    const u = dot(s, p) / det;
    if (u < 0 || u > 1) continue;
    const q = cross(s, ab);
    const v = dot(direction, q) / det;
    if (v < 0 || u + v > 1) continue;
    const away = dot(ac, q) / det;
    if (away > beyond && (!best || away < best.away)) best = { triangle, away };
  }
  return best;
}
