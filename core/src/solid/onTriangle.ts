/** Adds twice the area vector of triangle t to out[at…at + 2]. */
export function addAreaVector(
  p: Float64Array, triangles: Uint32Array, t: number, out: Float64Array, at: number,
): void {
  const a = 3 * triangles[3 * t]!, b = 3 * triangles[3 * t + 1]!, c = 3 * triangles[3 * t + 2]!; // prettier-ignore
  const ux = p[b]! - p[a]!, uy = p[b + 1]! - p[a + 1]!, uz = p[b + 2]! - p[a + 2]!; // prettier-ignore
  const vx = p[c]! - p[a]!, vy = p[c + 1]! - p[a + 1]!, vz = p[c + 2]! - p[a + 2]!; // prettier-ignore
  out[at]! += uy * vz - uz * vy;
  out[at + 1]! += uz * vx - ux * vz;
  out[at + 2]! += ux * vy - uy * vx;
} // prettier-ignore

/** Square of the longest side of the triangle whose corners begin at place `at`. */
export function longestSide2(p: Float64Array, triangles: Uint32Array, at: number): number {
  let longest = 0;
  for (let c = 0; c < 3; c++) {
    const [a, b] = [3 * triangles[at + c]!, 3 * triangles[at + ((c + 1) % 3)]!];
    const side = (p[a]! - p[b]!) ** 2 + (p[a + 1]! - p[b + 1]!) ** 2 + (p[a + 2]! - p[b + 2]!) ** 2;
    if (side > longest) longest = side;
  }
  return longest;
}

/** The last point that `closestOnTriangle` found. */
export const point = new Float64Array(3);

/** Squared distance from (x, y, z) to triangle t; the nearest point goes to `point` (Ericson 2005, 5.1.5). */
export function closestOnTriangle(
  p: Float64Array,
  triangles: Uint32Array,
  t: number,
  x: number,
  y: number,
  z: number,
): number {
  const a = 3 * triangles[3 * t]!, b = 3 * triangles[3 * t + 1]!, c = 3 * triangles[3 * t + 2]!; // prettier-ignore
  const ax = p[a]!, ay = p[a + 1]!, az = p[a + 2]!; // prettier-ignore
  const abx = p[b]! - ax, aby = p[b + 1]! - ay, abz = p[b + 2]! - az; // prettier-ignore
  const acx = p[c]! - ax, acy = p[c + 1]! - ay, acz = p[c + 2]! - az; // prettier-ignore
  const apx = x - ax, apy = y - ay, apz = z - az; // prettier-ignore
  const d1 = abx * apx + aby * apy + abz * apz;
  const d2 = acx * apx + acy * apy + acz * apz;
  const bb = abx * abx + aby * aby + abz * abz;
  const cc = acx * acx + acy * acy + acz * acz;
  const bc = abx * acx + aby * acy + abz * acz;
  const [d3, d4, d5, d6] = [d1 - bb, d2 - bc, d1 - bc, d2 - cc];
  const vc = d1 * d4 - d3 * d2;
  const vb = d5 * d2 - d1 * d6;
  const va = d3 * d6 - d5 * d4;
  let v = 0;
  let w = 0;
  if (d1 <= 0 && d2 <= 0) v = w = 0;
  else if (d3 >= 0 && d4 <= d3) v = 1;
  else if (d6 >= 0 && d5 <= d6) w = 1;
  else if (vc <= 0 && d1 >= 0 && d3 <= 0) v = d1 / (d1 - d3);
  else if (vb <= 0 && d2 >= 0 && d6 <= 0) w = d2 / (d2 - d6);
  else if (va <= 0 && d4 - d3 >= 0 && d5 - d6 >= 0) {
    w = (d4 - d3) / (d4 - d3 + (d5 - d6));
    v = 1 - w;
  } else {
    const sum = va + vb + vc;
    v = vb / sum;
    w = vc / sum;
  }
  point[0] = ax + abx * v + acx * w;
  point[1] = ay + aby * v + acy * w;
  point[2] = az + abz * v + acz * w;
  return (x - point[0]) ** 2 + (y - point[1]) ** 2 + (z - point[2]) ** 2;
}
