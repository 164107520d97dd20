/** Two triangles as 9 numbers each; their squared distance is exact to rounding. */
type Corners = Float64Array;

/** Squared distance of two triangles, 0 where they meet: the nearest pair lies on two edges, or a corner and a face. */
export function triangleGap2(a: Corners, b: Corners): number {
  let best = Infinity;
  for (let i = 0; i < 3; i++) {
    const [p, q] = [3 * i, 3 * ((i + 1) % 3)];
    for (let j = 0; j < 3; j++) best = Math.min(best, segmentGap2(a, p, q, b, 3 * j, 3 * ((j + 1) % 3)));
  }
  for (let i = 0; i < 3; i++) best = Math.min(best, pointFace2(a, 3 * i, b), pointFace2(b, 3 * i, a));
  return best > 0 && (pierces(a, b) || pierces(b, a)) ? 0 : best;
}

const clamp = (t: number): number => (t < 0 ? 0 : t > 1 ? 1 : t);

/** Squared distance of two segments (Ericson 2005, 5.1.9). */
function segmentGap2(a: Corners, p: number, q: number, b: Corners, r: number, s: number): number {
  const ux = a[q]! - a[p]!, uy = a[q + 1]! - a[p + 1]!, uz = a[q + 2]! - a[p + 2]!; // prettier-ignore
  const vx = b[s]! - b[r]!, vy = b[s + 1]! - b[r + 1]!, vz = b[s + 2]! - b[r + 2]!; // prettier-ignore
  const wx = a[p]! - b[r]!, wy = a[p + 1]! - b[r + 1]!, wz = a[p + 2]! - b[r + 2]!; // prettier-ignore
  const uu = ux * ux + uy * uy + uz * uz;
  const vv = vx * vx + vy * vy + vz * vz;
  const uv = ux * vx + uy * vy + uz * vz;
  const uw = ux * wx + uy * wy + uz * wz;
  const vw = vx * wx + vy * wy + vz * wz;
  const across = uu * vv - uv * uv;
  let s1 = uu > 0 && across > 1e-12 * uu * vv ? clamp((uv * vw - uw * vv) / across) : 0;
  let t1 = vv > 0 ? (uv * s1 + vw) / vv : 0;
  if (t1 < 0 || t1 > 1 || vv === 0) {
    t1 = clamp(t1);
    s1 = uu > 0 ? clamp((uv * t1 - uw) / uu) : 0;
  }
  const x = wx + s1 * ux - t1 * vx, y = wy + s1 * uy - t1 * vy, z = wz + s1 * uz - t1 * vz; // prettier-ignore
  return x * x + y * y + z * z;
}

/** Squared distance of a corner to a face where its foot lies within it; Infinity elsewhere (edges have it then). */
function pointFace2(a: Corners, p: number, b: Corners): number {
  const ux = b[3]! - b[0]!, uy = b[4]! - b[1]!, uz = b[5]! - b[2]!; // prettier-ignore
  const vx = b[6]! - b[0]!, vy = b[7]! - b[1]!, vz = b[8]! - b[2]!; // prettier-ignore
  const wx = a[p]! - b[0]!, wy = a[p + 1]! - b[1]!, wz = a[p + 2]! - b[2]!; // prettier-ignore
  const uu = ux * ux + uy * uy + uz * uz, uv = ux * vx + uy * vy + uz * vz, vv = vx * vx + vy * vy + vz * vz; // prettier-ignore
  const uw = ux * wx + uy * wy + uz * wz, vw = vx * wx + vy * wy + vz * wz; // prettier-ignore
  const det = uu * vv - uv * uv;
  if (det <= 0) return Infinity;
  const s = (vv * uw - uv * vw) / det;
  const t = (uu * vw - uv * uw) / det;
  if (s < 0 || t < 0 || s + t > 1) return Infinity;
  const x = wx - s * ux - t * vx, y = wy - s * uy - t * vy, z = wz - s * uz - t * vz; // prettier-ignore
  return x * x + y * y + z * z;
}

/** Whether an edge of `a` goes through the face of `b`. */
function pierces(a: Corners, b: Corners): boolean {
  const ux = b[3]! - b[0]!, uy = b[4]! - b[1]!, uz = b[5]! - b[2]!; // prettier-ignore
  const vx = b[6]! - b[0]!, vy = b[7]! - b[1]!, vz = b[8]! - b[2]!; // prettier-ignore
  const nx = uy * vz - uz * vy, ny = uz * vx - ux * vz, nz = ux * vy - uy * vx; // prettier-ignore
  const nn = nx * nx + ny * ny + nz * nz;
  if (nn === 0) return false;
  for (let i = 0; i < 3; i++) {
    const [p, q] = [3 * i, 3 * ((i + 1) % 3)];
    const hp = (a[p]! - b[0]!) * nx + (a[p + 1]! - b[1]!) * ny + (a[p + 2]! - b[2]!) * nz;
    const hq = (a[q]! - b[0]!) * nx + (a[q + 1]! - b[1]!) * ny + (a[q + 2]! - b[2]!) * nz;
    if (hp * hq > 0 || hp === hq) continue;
    const share = hp / (hp - hq);
    const wx = a[p]! + share * (a[q]! - a[p]!) - b[0]!, wy = a[p + 1]! + share * (a[q + 1]! - a[p + 1]!) - b[1]!, wz = a[p + 2]! + share * (a[q + 2]! - a[p + 2]!) - b[2]!; // prettier-ignore
    const s = ((wy * vz - wz * vy) * nx + (wz * vx - wx * vz) * ny + (wx * vy - wy * vx) * nz) / nn;
    const t = ((uy * wz - uz * wy) * nx + (uz * wx - ux * wz) * ny + (ux * wy - uy * wx) * nz) / nn;
    if (s >= 0 && t >= 0 && s + t <= 1) return true;
  }
  return false;
}
