import type { Place } from '@zero-pour/core';
import type { ViewShape } from '../jobs/shapes';
import type { Point } from './partScene';

/** Surface within this many sizes of a place, and at least so many mm, tells from where it is seen. */
const REACH_SIZES = 1.5;
const REACH_MIN_MM = 1;

const dot = (a: Point, b: Point): number => a[0] * b[0] + a[1] * b[1] + a[2] * b[2];

/**
 * Direction to look at a place from: its own where it has one, else the mean normal of the open surface round it that faces the eye already, of
 * all open surface there when none does, and from the part's middle outwards when that tells nothing.
 */
export function lookFrom(
  { positions: p, triangles, paint }: ViewShape,
  place: Place,
  eye: Point,
  middle: Point,
): Point {
  if (place.from) return place.from;
  const reach2 = Math.max(REACH_SIZES * place.sizeMm, REACH_MIN_MM) ** 2;
  const facing: Point = [0, 0, 0];
  const all: Point = [0, 0, 0];
  for (let t = 0; t < triangles.length; t += 3) {
    const v = triangles[t]!;
    const a = 3 * v;
    const near2 =
      (p[a]! - place.at[0]) ** 2 + (p[a + 1]! - place.at[1]) ** 2 + (p[a + 2]! - place.at[2]) ** 2;
    if (near2 > reach2 || (paint && paint.gapUm[v] !== 0)) continue;
    const normal = faceNormal(p, triangles, t);
    const sums = dot(normal, eye) > 0 ? [facing, all] : [all];
    for (const sum of sums) for (let k = 0; k < 3; k++) sum[k]! += normal[k]!;
  }
  const outward = place.at.map((value, k) => value - middle[k]!) as Point;
  return [facing, all, outward].map(unit).find((d) => d !== null) ?? eye;
}

/** Normal of a face, as long as twice its area. */
function faceNormal(p: Float32Array, triangles: Uint32Array, t: number): Point {
  const a = 3 * triangles[t]!, b = 3 * triangles[t + 1]!, c = 3 * triangles[t + 2]!; // prettier-ignore
  const u = [0, 1, 2].map((k) => p[b + k]! - p[a + k]!) as Point;
  const v = [0, 1, 2].map((k) => p[c + k]! - p[a + k]!) as Point;
  return [u[1] * v[2] - u[2] * v[1], u[2] * v[0] - u[0] * v[2], u[0] * v[1] - u[1] * v[0]];
}

function unit(d: Point): Point | null {
  const length = Math.hypot(...d);
  return length > 1e-9 ? (d.map((v) => v / length) as Point) : null;
}
