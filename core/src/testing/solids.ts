/** Closed meshes with known volumes, for tests. xyz triples and indices, faces outward. */
export interface TestMesh {
  positions: number[];
  triangles: number[];
}

/** A box from `at` with side `size`. */
export function cube(size: number, at: readonly [number, number, number] = [0, 0, 0]): TestMesh {
  const positions: number[] = [];
  for (let i = 0; i < 8; i++) {
    positions.push(at[0] + (i & 1 ? size : 0), at[1] + (i & 2 ? size : 0), at[2] + (i & 4 ? size : 0));
  }
  const triangles = [0, 2, 1, 1, 2, 3, 4, 5, 6, 5, 7, 6, 0, 1, 4, 1, 5, 4, 2, 6, 3, 3, 6, 7, 0, 4, 2, 2, 4, 6, 1, 3, 5, 3, 7, 5]; // prettier-ignore
  return { positions, triangles };
}

/** A surface that wraps both ways. */
function wrapped(nu: number, nv: number, point: (u: number, v: number) => number[]): TestMesh {
  const positions: number[] = [];
  const triangles: number[] = [];
  for (let i = 0; i < nu; i++) for (let j = 0; j < nv; j++) positions.push(...point(i / nu, j / nv));
  const at = (i: number, j: number) => (i % nu) * nv + (j % nv);
  for (let i = 0; i < nu; i++) {
    for (let j = 0; j < nv; j++) {
      triangles.push(at(i, j), at(i + 1, j), at(i + 1, j + 1), at(i, j), at(i + 1, j + 1), at(i, j + 1));
    }
  }
  return { positions, triangles };
}

/** A torus: volume 2π²Rr², area 4π²Rr within its faceting. */
export function torus(major: number, minor: number, nu: number, nv: number): TestMesh {
  return wrapped(nu, nv, (u, v) => {
    const [a, b] = [2 * Math.PI * u, 2 * Math.PI * v];
    const r = major + minor * Math.cos(b);
    return [r * Math.cos(a), r * Math.sin(a), minor * Math.sin(b)];
  });
}

/** A sphere from an octahedron split `splits` times, points on the sphere. */
export function sphere(radius: number, splits: number): TestMesh {
  let faces = [0, 1, 2, 0, 2, 3, 0, 3, 4, 0, 4, 1, 5, 2, 1, 5, 3, 2, 5, 4, 3, 5, 1, 4];
  const points = [[0, 0, 1], [1, 0, 0], [0, 1, 0], [-1, 0, 0], [0, -1, 0], [0, 0, -1]]; // prettier-ignore
  for (let n = 0; n < splits; n++) {
    const middles = new Map<string, number>();
    const middle = (a: number, b: number): number => {
      const key = a < b ? `${a} ${b}` : `${b} ${a}`;
      const found = middles.get(key);
      if (found !== undefined) return found;
      const p = points[a]!.map((v, k) => v + points[b]![k]!);
      const length = Math.hypot(...p);
      points.push(p.map((v) => v / length));
      middles.set(key, points.length - 1);
      return points.length - 1;
    };
    const next: number[] = [];
    for (let t = 0; t < faces.length; t += 3) {
      const [a, b, c] = [faces[t]!, faces[t + 1]!, faces[t + 2]!];
      const [ab, bc, ca] = [middle(a, b), middle(b, c), middle(c, a)];
      next.push(a, ab, ca, ab, b, bc, ca, bc, c, ab, bc, ca);
    }
    faces = next;
  }
  return { positions: points.flatMap((p) => p.map((v) => v * radius)), triangles: faces };
}

/**
 * A solid of revolution about z from a closed outline of [radius, z] points, counter-clockwise in the (r, z) plane
 * (up on the outside). Points with radius 0 become one vertex.
 */
export function lathe(outline: readonly (readonly [number, number])[], around: number): TestMesh {
  const positions: number[] = [];
  const triangles: number[] = [];
  const rings = outline.map(([r, z]) => {
    const first = positions.length / 3;
    if (r === 0) {
      positions.push(0, 0, z);
      return (_i: number) => first;
    }
    for (let i = 0; i < around; i++) {
      const a = (2 * Math.PI * i) / around;
      positions.push(r * Math.cos(a), r * Math.sin(a), z);
    }
    return (i: number) => first + (i % around);
  });
  rings.forEach((ring, n) => {
    const next = rings[(n + 1) % rings.length]!;
    const [atAxis, nextAtAxis] = [outline[n]![0] === 0, outline[(n + 1) % outline.length]![0] === 0];
    for (let i = 0; i < around; i++) {
      if (!atAxis) triangles.push(ring(i), ring(i + 1), next(i));
      if (!nextAtAxis) triangles.push(ring(i + 1), next(i + 1), next(i));
    }
  });
  return { positions, triangles };
}

/** An arc of [radius, z] points of a circle round (0, z), from one angle above the equator to another, degrees. */
export function arc(
  radius: number,
  z: number,
  fromDeg: number,
  toDeg: number,
  steps: number,
): [number, number][] {
  return Array.from({ length: steps + 1 }, (_, n) => {
    const a = ((fromDeg + ((toDeg - fromDeg) * n) / steps) * Math.PI) / 180;
    return [Math.abs(Math.cos(a)) < 1e-12 ? 0 : radius * Math.cos(a), z + radius * Math.sin(a)];
  });
}

/** A box with sides along the axes. */
export function box(
  size: readonly [number, number, number],
  at: readonly [number, number, number] = [0, 0, 0],
): TestMesh {
  const { positions, triangles } = cube(1);
  return { positions: positions.map((v, i) => v * size[i % 3]! + at[i % 3]!), triangles };
}

/** The mesh moved. */
export const moved = (
  { positions, triangles }: TestMesh,
  by: readonly [number, number, number],
): TestMesh => ({
  positions: positions.map((v, i) => v + by[i % 3]!),
  triangles,
});

/** Several meshes in one file. */
export function together(...meshes: readonly TestMesh[]): TestMesh {
  const out: TestMesh = { positions: [], triangles: [] };
  for (const { positions, triangles } of meshes) {
    const base = out.positions.length / 3;
    out.positions.push(...positions);
    out.triangles.push(...triangles.map((t) => t + base));
  }
  return out;
}

/** The mesh turned inside out. */
export const insideOut = ({ positions, triangles }: TestMesh): TestMesh => ({
  positions,
  triangles: triangles.toReversed(),
});

const utf8 = (text: string): Uint8Array => Uint8Array.from(text, (c) => c.charCodeAt(0));
export { utf8 as bytesOf };

/** ASCII STL of a mesh. */
export function asciiStl({ positions, triangles }: TestMesh, name = 'part'): string {
  const vertex = (t: number) => `      vertex ${positions.slice(3 * t, 3 * t + 3).join(' ')}`;
  const facets: string[] = [];
  for (let i = 0; i < triangles.length; i += 3) {
    const corners = [0, 1, 2].map((k) => vertex(triangles[i + k]!)).join('\n');
    facets.push(`  facet normal 0 0 0\n    outer loop\n${corners}\n    endloop\n  endfacet`);
  }
  return `solid ${name}\n${facets.join('\n')}\nendsolid ${name}\n`;
}

/** OBJ of a mesh. */
export function obj({ positions, triangles }: TestMesh): string {
  const lines: string[] = ['# a part', 'o part'];
  for (let i = 0; i < positions.length; i += 3) lines.push(`v ${positions.slice(i, i + 3).join(' ')}`);
  for (let i = 0; i < triangles.length; i += 3)
    lines.push(
      `f ${triangles
        .slice(i, i + 3)
        .map((t) => t + 1)
        .join(' ')}`,
    );
  return lines.join('\n');
}

/**
 * A solid of grid boxes: cell (i, j, k) between neighbouring lines is solid where `filled` says so. Closed and
 * conformal, with every cavity as drawn; cells must not touch by an edge or a corner alone.
 */
export function blocks(
  lines: readonly [readonly number[], readonly number[], readonly number[]],
  filled: (i: number, j: number, k: number) => boolean,
): TestMesh {
  const [nx, ny, nz] = lines.map((line) => line.length - 1) as [number, number, number];
  const solid = (c: readonly number[]): boolean =>
    c.every((v, axis) => v >= 0 && v < [nx, ny, nz][axis]!) && filled(c[0]!, c[1]!, c[2]!);
  const numbers = new Map<string, number>();
  const out: TestMesh = { positions: [], triangles: [] };
  const corner = (c: readonly number[]): number => {
    const key = c.join(' ');
    const known = numbers.get(key);
    if (known !== undefined) return known;
    numbers.set(key, out.positions.length / 3);
    out.positions.push(...c.map((v, axis) => lines[axis]![v]!));
    return out.positions.length / 3 - 1;
  };
  for (let n = 0; n < nx * ny * nz; n++) {
    const c = [n % nx, Math.floor(n / nx) % ny, Math.floor(n / (nx * ny))];
    if (!solid(c)) continue;
    for (let axis = 0; axis < 3; axis++) {
      for (const side of [0, 1]) {
        if (solid(c.map((v, a) => v + (a === axis ? 2 * side - 1 : 0)))) continue;
        const [u, v] = [(axis + 1) % 3, (axis + 2) % 3];
        const at = (du: number, dv: number): number =>
          corner(c.map((value, a) => value + (a === axis ? side : a === u ? du : a === v ? dv : 0)));
        const [p, q, r, s] = [at(0, 0), at(1, 0), at(1, 1), at(0, 1)];
        out.triangles.push(...(side === 1 ? [p, q, r, p, r, s] : [p, r, q, p, s, r]));
      }
    }
  }
  return out;
}

/** A thick-walled bowl about z, open below: hemispheres of two radii joined at the rim. */
export const bowl = (outer: number, inner: number, steps: number, around: number): TestMesh =>
  lathe([...arc(outer, 0, 0, 90, steps), ...arc(inner, 0, 90, 0, steps)], around);

/** A tube about z from z = 0. */
export const tube = (outer: number, inner: number, height: number, around: number): TestMesh =>
  lathe(
    [
      [inner, 0],
      [outer, 0],
      [outer, height],
      [inner, height],
    ],
    around,
  );

/** A bar along y of a section of [x, z] points, counter-clockwise seen against y, that its first point sees whole. */
export function prism(section: readonly (readonly [number, number])[], length: number): TestMesh {
  const n = section.length;
  const positions = [0, length].flatMap((y) => section.flatMap(([x, z]) => [x, y, z]));
  const triangles: number[] = [];
  for (let i = 0; i < n; i++) {
    const next = (i + 1) % n;
    triangles.push(i, next, n + i, next, n + next, n + i);
    if (i > 0 && i + 1 < n) triangles.push(0, i + 1, i, n, n + i, n + i + 1);
  }
  return { positions, triangles };
}

/** Balls of 6 and 4 mm, their middles 6.5 mm apart up z, joined by a round neck. */
export function dumbbell(neckMm: number): TestMesh {
  const end = (radius: number): number => (Math.acos(neckMm / 2 / radius) * 180) / Math.PI;
  return lathe([...arc(3, 0, -90, end(3), 24), ...arc(2, 6.5, -end(2), 90, 24)], 64);
}
