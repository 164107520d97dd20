import { acrossAxis } from '../solid';
import type { WeldedMesh } from '../mesh';

type Point = [number, number, number];

/** The widest round rod that passes a part along an axis, with the part all round it. */
export interface PassingCylinder {
  diameterMm: number;
  /** A point on its axis, at the middle of the part. */
  at: Point;
  axis: Point;
}

/** Cell of the shadow, mm, and how many cells its longer side has at most. */
const CELL_MM = 0.1;
const CELLS_MAX = 500;

/**
 * The widest circle in the part's shadow along an axis that the shadow encloses: a rod so wide passes, whatever else
 * the part has above, below or beside it. Within a cell of the shadow. Null when the shadow has no enclosed opening.
 * O(triangles + cells).
 */
export function passingCylinder(
  { positions, triangles }: Pick<WeldedMesh, 'positions' | 'triangles'>,
  axis: Point,
): PassingCylinder | null {
  const [u, v] = acrossAxis(axis);
  const shadow = shadowOf(positions, triangles, u, v);
  const open = enclosed(shadow);
  const away = squaredDistances(shadow);
  let best = -1;
  for (let i = 0; i < open.length; i++) if (open[i] && (best < 0 || away[i]! > away[best]!)) best = i;
  if (best < 0) return null;
  const { nx, cellMm, fromU, fromV, alongMm } = shadow;
  const [x, y] = [fromU + cellMm * (best % nx), fromV + cellMm * Math.floor(best / nx)];
  return {
    // A cell that the shadow touches is taken whole: the opening's edge lies half a cell nearer on the average.
    diameterMm: 2 * cellMm * (Math.sqrt(away[best]!) - 0.5),
    at: [0, 1, 2].map((k) => x * u[k]! + y * v[k]! + alongMm * axis[k]!) as Point,
    axis,
  };

  function shadowOf(
    p: ArrayLike<number>,
    t: ArrayLike<number>,
    du: readonly number[],
    dv: readonly number[],
  ) {
    const count = p.length / 3;
    const us = new Float64Array(count);
    const vs = new Float64Array(count);
    const span = { u: [Infinity, -Infinity], v: [Infinity, -Infinity], along: [Infinity, -Infinity] };
    const widen = (range: number[], value: number): void => {
      if (value < range[0]!) range[0] = value;
      if (value > range[1]!) range[1] = value;
    };
    for (let i = 0; i < count; i++) {
      const [px, py, pz] = [p[3 * i]!, p[3 * i + 1]!, p[3 * i + 2]!];
      us[i] = px * du[0]! + py * du[1]! + pz * du[2]!;
      vs[i] = px * dv[0]! + py * dv[1]! + pz * dv[2]!;
      widen(span.u, us[i]!);
      widen(span.v, vs[i]!);
      widen(span.along, px * axis[0] + py * axis[1] + pz * axis[2]);
    }
    const longest = Math.max(span.u[1]! - span.u[0]!, span.v[1]! - span.v[0]!);
    const size = Math.max(CELL_MM, longest / CELLS_MAX);
    // A margin of one cell, so that everything outside meets.
    const [u0, v0] = [span.u[0]! - 2 * size, span.v[0]! - 2 * size];
    const w = Math.ceil((span.u[1]! - u0) / size) + 3;
    const h = Math.ceil((span.v[1]! - v0) / size) + 3;
    const dark = new Uint8Array(w * h);
    for (let i = 0; i < t.length; i += 3) {
      const [a, b, c] = [t[i]!, t[i + 1]!, t[i + 2]!];
      darken(
        { dark, nx: w },
        [(us[a]! - u0) / size, (vs[a]! - v0) / size],
        [(us[b]! - u0) / size, (vs[b]! - v0) / size],
        [(us[c]! - u0) / size, (vs[c]! - v0) / size],
      );
    }
    return {
      dark,
      nx: w,
      ny: h,
      cellMm: size,
      fromU: u0,
      fromV: v0,
      alongMm: (span.along[0]! + span.along[1]!) / 2,
    };
  }
}

interface Shadow {
  dark: Uint8Array;
  nx: number;
  ny: number;
}
type Flat = readonly [number, number];

/** Darkens the cells nearest to points of a triangle, given in cells: rows of samples no farther apart than a cell. */
function darken({ dark, nx }: Pick<Shadow, 'dark' | 'nx'>, a: Flat, b: Flat, c: Flat): void {
  const span = (p: Flat, q: Flat): number => Math.max(Math.abs(p[0] - q[0]), Math.abs(p[1] - q[1]));
  const rows = Math.ceil(Math.max(span(a, b), span(a, c))) || 1;
  for (let r = 0; r <= rows; r++) {
    const s = r / rows;
    const [x0, y0] = [a[0] + s * (b[0] - a[0]), a[1] + s * (b[1] - a[1])];
    const [dx, dy] = [s * (c[0] - b[0]), s * (c[1] - b[1])];
    const samples = Math.ceil(Math.max(Math.abs(dx), Math.abs(dy))) || 1;
    for (let k = 0; k <= samples; k++) {
      const q = k / samples;
      dark[Math.round(y0 + q * dy) * nx + Math.round(x0 + q * dx)] = 1;
    }
  }
}

/** Light cells that the light round the part does not reach. */
function enclosed({ dark, nx, ny }: Shadow): Uint8Array {
  const open = dark.map((d) => 1 - d);
  const stack = [0];
  open[0] = 0;
  while (stack.length > 0) {
    const i = stack.pop()!;
    for (const j of [i - 1, i + 1, i - nx, i + nx])
      if (j >= 0 && j < nx * ny && open[j]) {
        open[j] = 0;
        stack.push(j);
      }
  }
  return open;
}

/** Squared distance of each cell to the nearest dark one, in cells (Felzenszwalb & Huttenlocher 2012), rows then columns. */
function squaredDistances({ dark, nx, ny }: Shadow): Float64Array {
  const field = Float64Array.from(dark, (d) => (d ? 0 : FAR_AWAY));
  const sweep = (start: number, step: number, n: number): void => {
    const vertex = new Int32Array(n);
    const edge = new Float64Array(n + 1);
    const value = Float64Array.from({ length: n }, (_, i) => field[start + i * step]!);
    let k = 0;
    edge[0] = -Infinity;
    edge[1] = Infinity;
    const meet = (q: number, p: number): number =>
      (value[q]! + q * q - (value[p]! + p * p)) / (2 * q - 2 * p);
    for (let q = 1; q < n; q++) {
      let s = meet(q, vertex[k]!);
      while (s <= edge[k]!) s = meet(q, vertex[--k]!);
      vertex[++k] = q;
      edge[k] = s;
      edge[k + 1] = Infinity;
    }
    k = 0;
    for (let q = 0; q < n; q++) {
      while (edge[k + 1]! < q) k++;
      field[start + q * step] = (q - vertex[k]!) ** 2 + value[vertex[k]!]!;
    }
  };
  for (let y = 0; y < ny; y++) sweep(y * nx, 1, nx);
  for (let x = 0; x < nx; x++) sweep(x, nx, ny);
  return field;
}
const FAR_AWAY = 1e12;
