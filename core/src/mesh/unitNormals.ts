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

/** Unit normals of the vertices, xyz each: the mean of their triangles' by area; zero for one that none has a direction at. O(n). */
export function vertexNormals({
  positions: p,
  triangles,
}: {
  positions: Float64Array | Float32Array;
  triangles: Uint32Array;
}): Float32Array {
  const out = new Float32Array(p.length);
  for (let t = 0; t < triangles.length; t += 3) {
    const a = 3 * triangles[t]!, b = 3 * triangles[t + 1]!, c = 3 * triangles[t + 2]!; // prettier-ignore
    const ux = p[b]! - p[a]!, uy = p[b + 1]! - p[a + 1]!, uz = p[b + 2]! - p[a + 2]!; // prettier-ignore
    const vx = p[c]! - p[a]!, vy = p[c + 1]! - p[a + 1]!, vz = p[c + 2]! - p[a + 2]!; // prettier-ignore
    const nx = uy * vz - uz * vy, ny = uz * vx - ux * vz, nz = ux * vy - uy * vx; // prettier-ignore
    for (let k = 0, v = a; k < 3; k++, v = k === 1 ? b : c) {
      out[v]! += nx;
      out[v + 1]! += ny;
      out[v + 2]! += nz;
    }
  }
  for (let v = 0; v < out.length; v += 3) {
    const x = out[v]!, y = out[v + 1]!, z = out[v + 2]!; // prettier-ignore
    const length = Math.sqrt(x * x + y * y + z * z) || 1;
    out[v] = x / length;
    out[v + 1] = y / length;
    out[v + 2] = z / length;
  }
  return out;
}
