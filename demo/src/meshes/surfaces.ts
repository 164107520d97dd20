/** A triangle mesh in mm: xyz triples and vertex indices, faces outward. */
export interface Mesh {
  positions: number[];
  triangles: number[];
}
export type Point = readonly [number, number, number];

/** A closed surface that wraps round both ways (a band, a bead): point(u, v), u and v in [0, 1). */
export function wrappedSurface(nu: number, nv: number, point: (u: number, v: number) => Point): Mesh {
  const positions: number[] = [];
  const triangles: number[] = [];
  for (let i = 0; i < nu; i++) for (let j = 0; j < nv; j++) positions.push(...point(i / nu, j / nv));
  const at = (i: number, j: number) => (i % nu) * nv + (j % nv);
  for (let i = 0; i < nu; i++) {
    for (let j = 0; j < nv; j++) {
      triangles.push(at(i, j), at(i + 1, j), at(i + 1, j + 1), at(i, j), at(i + 1, j + 1), at(i, j + 1));
    }
  }
  return outward({ positions, triangles });
}

/** A closed surface with two poles (a shell, a tube with rounded ends): u wraps, v runs from pole to pole. */
export function poledSurface(
  nu: number,
  nv: number,
  poles: readonly [Point, Point],
  point: (u: number, v: number) => Point,
): Mesh {
  const positions: number[] = [...poles[0], ...poles[1]];
  const triangles: number[] = [];
  for (let j = 1; j < nv; j++) for (let i = 0; i < nu; i++) positions.push(...point(i / nu, j / nv));
  const at = (i: number, j: number) => 2 + (j - 1) * nu + (i % nu);
  for (let i = 0; i < nu; i++) {
    triangles.push(0, at(i, 1), at(i + 1, 1));
    for (let j = 1; j < nv - 1; j++) {
      triangles.push(at(i, j), at(i, j + 1), at(i + 1, j + 1), at(i, j), at(i + 1, j + 1), at(i + 1, j));
    }
    triangles.push(1, at(i + 1, nv - 1), at(i, nv - 1));
  }
  return outward({ positions, triangles });
}

/** Linear interpolation along a polyline of points at a share of its length. */
export function along(points: readonly (readonly [number, number])[], share: number): [number, number] {
  const lengths = points.slice(1).map((p, i) => Math.hypot(p[0] - points[i]![0], p[1] - points[i]![1]));
  let left = share * lengths.reduce((a, b) => a + b, 0);
  for (let i = 0; i < lengths.length; i++) {
    if (left <= lengths[i]! || i === lengths.length - 1) {
      const [a, b] = [points[i]!, points[i + 1]!];
      const t = Math.min(1, left / lengths[i]!);
      return [a[0] + (b[0] - a[0]) * t, a[1] + (b[1] - a[1]) * t];
    }
    left -= lengths[i]!;
  }
  return [...points[0]!];
}

/** The mesh with its faces outward: turned over when its signed volume is negative. */
export function outward({ positions: p, triangles }: Mesh): Mesh {
  let six = 0;
  for (let t = 0; t < triangles.length; t += 3) {
    const [a, b, c] = [3 * triangles[t]!, 3 * triangles[t + 1]!, 3 * triangles[t + 2]!];
    six +=
      p[a]! * (p[b + 1]! * p[c + 2]! - p[b + 2]! * p[c + 1]!) +
      p[a + 1]! * (p[b + 2]! * p[c]! - p[b]! * p[c + 2]!) +
      p[a + 2]! * (p[b]! * p[c + 1]! - p[b + 1]! * p[c]!);
  }
  return { positions: p, triangles: six < 0 ? triangles.toReversed() : triangles };
}
