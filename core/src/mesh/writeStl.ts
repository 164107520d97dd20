import { binaryStlLength } from './readStl';

/** Writes triangles as binary STL (mm as float32, normals from the winding). */
export function writeBinaryStl(positions: ArrayLike<number>, triangles: ArrayLike<number>): Uint8Array {
  const count = triangles.length / 3;
  const bytes = new Uint8Array(binaryStlLength(count));
  const view = new DataView(bytes.buffer);
  view.setUint32(80, count, true);
  const corner = [0, 0, 0, 0, 0, 0, 0, 0, 0];
  for (let t = 0, at = 84; t < count; t++, at += 50) {
    for (let k = 0; k < 9; k++) {
      corner[k] = positions[3 * triangles[3 * t + Math.floor(k / 3)]! + (k % 3)]!;
      view.setFloat32(at + 12 + 4 * k, corner[k]!, true);
    }
    const [ax, ay, az, bx, by, bz, cx, cy, cz] = corner as [
      number,
      number,
      number,
      number,
      number,
      number,
      number,
      number,
      number,
    ];
    const [ux, uy, uz, vx, vy, vz] = [bx - ax, by - ay, bz - az, cx - ax, cy - ay, cz - az];
    const normal = [uy * vz - uz * vy, uz * vx - ux * vz, ux * vy - uy * vx];
    const length = Math.hypot(...normal) || 1;
    normal.forEach((n, k) => view.setFloat32(at + 4 * k, n / length, true));
  }
  return bytes;
}
