/** Turn of a part on the plate: about x, then y, then z (fixed axes), degrees. */
export interface Rotation {
  xDeg: number;
  yDeg: number;
  zDeg: number;
}

export const NO_ROTATION: Rotation = { xDeg: 0, yDeg: 0, zDeg: 0 };

/** Row-major 3×3 matrix R = Rz·Ry·Rx. */
export function rotationMatrix({ xDeg, yDeg, zDeg }: Rotation): number[] {
  const [a, b, c] = [xDeg, yDeg, zDeg].map((deg) => (deg * Math.PI) / 180) as [number, number, number];
  const [sx, cx, sy, cy, sz, cz] = [
    Math.sin(a),
    Math.cos(a),
    Math.sin(b),
    Math.cos(b),
    Math.sin(c),
    Math.cos(c),
  ];
  return [
    cz * cy, cz * sy * sx - sz * cx, cz * sy * cx + sz * sx,
    sz * cy, sz * sy * sx + cz * cx, sz * sy * cx - cz * sx,
    -sy, cy * sx, cy * cx,
  ]; // prettier-ignore
}

/** xyz triples turned by the matrix; a new array. */
export function rotatePoints(points: ArrayLike<number>, m: readonly number[]): Float64Array {
  const out = new Float64Array(points.length);
  for (let i = 0; i < points.length; i += 3) {
    const x = points[i]!;
    const y = points[i + 1]!;
    const z = points[i + 2]!;
    for (let k = 0; k < 3; k++) out[i + k] = m[3 * k]! * x + m[3 * k + 1]! * y + m[3 * k + 2]! * z;
  }
  return out;
}

/** The turn back: the transpose of a rotation matrix. */
export const transposed = (m: readonly number[]): number[] => [
  m[0]!, m[3]!, m[6]!, m[1]!, m[4]!, m[7]!, m[2]!, m[5]!, m[8]!,
]; // prettier-ignore
