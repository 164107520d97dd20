/** Unit normals of the triangles, xyz each; zero for one without area. O(n). */
export function unitNormals({
  positions: p,
  triangles,
}: {
  positions: ArrayLike<number>;
  triangles: ArrayLike<number>;
}): Float64Array {
  const out = new Float64Array(triangles.length);
  for (let t = 0; t < triangles.length; t += 3) {
    const [a, b, c] = [3 * triangles[t]!, 3 * triangles[t + 1]!, 3 * triangles[t + 2]!];
    const [ux, uy, uz] = [p[b]! - p[a]!, p[b + 1]! - p[a + 1]!, p[b + 2]! - p[a + 2]!];
    const [vx, vy, vz] = [p[c]! - p[a]!, p[c + 1]! - p[a + 1]!, p[c + 2]! - p[a + 2]!];
    const [nx, ny, nz] = [uy * vz - uz * vy, uz * vx - ux * vz, ux * vy - uy * vx];
    const length = Math.hypot(nx, ny, nz) || 1;
    out[t] = nx / length;
    out[t + 1] = ny / length;
    out[t + 2] = nz / length;
  }
  return out;
}
