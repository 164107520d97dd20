import { acrossAxis, longestSide2 } from '../solid';
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
  mesh: Pick<WeldedMesh, 'positions' | 'triangles'>,
  axis: Point,
  wide = wideTriangles(mesh),
): PassingCylinder | null {
  const across = acrossAxis(axis);
  const shadow = shadowOf(mesh.positions, wide, across);
  const open = enclosed(shadow);
  const away = squaredDistances(shadow);
  let best = -1;
  for (let i = 0; i < open.length; i++) if (open[i] && (best < 0 || away[i]! > away[best]!)) best = i;
  if (best < 0) return null;
  const { nx, cellMm, fromMm } = shadow;
  const [u, v] = across;
  const [x, y] = [fromMm[0] + cellMm * (best % nx), fromMm[1] + cellMm * Math.floor(best / nx)];
  const along = middleAlong(mesh.positions, axis);
  return {
    // A cell that the shadow touches is taken whole: the opening's edge lies half a cell nearer on the average.
    diameterMm: 2 * cellMm * (Math.sqrt(away[best]!) - 0.5),
    at: [0, 1, 2].map((k) => x * u[k]! + y * v[k]! + along * axis[k]!) as Point,
    axis,
  };
}

/** Triangles that may reach beyond a cell, whichever way they are seen: of the others the corners are enough. O(triangles). */
export function wideTriangles({
  positions,
  triangles,
}: Pick<WeldedMesh, 'positions' | 'triangles'>): Uint32Array {
  const wide = new Uint32Array(triangles.length);
  let used = 0;
  for (let t = 0; t < triangles.length; t += 3) {
    if (longestSide2(positions, triangles, t) <= CELL_MM * CELL_MM) continue;
    for (let c = 0; c < 3; c++) wide[used++] = triangles[t + c]!;
  }
  return wide.slice(0, used);
}

const dotAt = (p: ArrayLike<number>, i: number, d: readonly number[]): number =>
  p[3 * i]! * d[0]! + p[3 * i + 1]! * d[1]! + p[3 * i + 2]! * d[2]!;

function middleAlong(p: ArrayLike<number>, axis: readonly number[]): number {
  let [least, most] = [Infinity, -Infinity];
  for (let i = 0; i < p.length / 3; i++) {
    const along = dotAt(p, i, axis);
    if (along < least) least = along;
    if (along > most) most = along;
  }
  return (least + most) / 2;
}

interface Shadow {
  dark: Uint8Array;
  nx: number;
  ny: number;
  cellMm: number;
  /** Where the first cell lies, along both directions across. */
  fromMm: readonly [number, number];
}

/** Cells round the part, so that everything outside meets. */
const MARGIN = 2;

function shadowOf(p: Float64Array, t: Uint32Array, across: readonly (readonly number[])[]): Shadow {
  const count = p.length / 3;
  const flat = across.map((direction) => {
    const values = new Float64Array(count);
    for (let i = 0; i < count; i++) values[i] = dotAt(p, i, direction);
    return values;
  });
  const spans = flat.map((values) => {
    let [least, most] = [Infinity, -Infinity];
    for (const value of values) {
      if (value < least) least = value;
      if (value > most) most = value;
    }
    return { least, size: most - least };
  });
  const cellMm = Math.max(CELL_MM, Math.max(...spans.map(({ size }) => size)) / CELLS_MAX);
  const [nx, ny] = spans.map(({ size }) => Math.ceil(size / cellMm) + 2 * MARGIN + 1) as [number, number];
  const fromMm = spans.map(({ least }) => least - MARGIN * cellMm) as [number, number];
  const dark = new Uint8Array(nx * ny);
  for (const [k, values] of flat.entries())
    for (let i = 0; i < count; i++) values[i] = (values[i]! - fromMm[k]!) / cellMm;
  const [us, vs] = flat as [Float64Array, Float64Array];
  for (let i = 0; i < count; i++) dark[Math.round(vs[i]!) * nx + Math.round(us[i]!)] = 1;
  for (let i = 0; i < t.length; i += 3) {
    const a = t[i]!, b = t[i + 1]!, c = t[i + 2]!; // prettier-ignore
    const ab = apart(us, vs, a, b), bc = apart(us, vs, b, c), ca = apart(us, vs, c, a); // prettier-ignore
    // Within a cell its corners are enough.
    if (ab <= 1 && bc <= 1 && ca <= 1) continue;
    // Across its shortest edge: a sliver is a row of cells, not a field of them.
    if (bc <= ab && bc <= ca) darken({ dark, nx }, us[a]!, vs[a]!, us[b]!, vs[b]!, us[c]!, vs[c]!);
    else if (ca <= ab) darken({ dark, nx }, us[b]!, vs[b]!, us[c]!, vs[c]!, us[a]!, vs[a]!);
    else darken({ dark, nx }, us[c]!, vs[c]!, us[a]!, vs[a]!, us[b]!, vs[b]!);
  }
  return { dark, nx, ny, cellMm, fromMm };
}

const apart = (us: Float64Array, vs: Float64Array, a: number, b: number): number =>
  Math.max(Math.abs(us[a]! - us[b]!), Math.abs(vs[a]! - vs[b]!));

/**
 * Darkens the cells nearest to points of a triangle, given in cells: rows of samples no farther apart than a cell. Plain
 * numbers: it is asked of every triangle, for every axis.
 */
function darken(
  { dark, nx }: Pick<Shadow, 'dark' | 'nx'>,
  ax: number,
  ay: number,
  bx: number,
  by: number,
  cx: number,
  cy: number,
): void {
  const span = Math.max(Math.abs(ax - bx), Math.abs(ay - by), Math.abs(ax - cx), Math.abs(ay - cy));
  const rows = Math.ceil(span);
  for (let r = 0; r <= rows; r++) {
    const s = r / rows;
    const x0 = ax + s * (bx - ax);
    const y0 = ay + s * (by - ay);
    const dx = s * (cx - bx);
    const dy = s * (cy - by);
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
