import type { ColumnGrid } from './columnGrid';

/**
 * The solid along every ray of a grid. Runs of column c: `ends[2·r]` to `ends[2·r + 1]` (mm along w) for
 * r in starts[c] … starts[c + 1] − 1, ascending and apart.
 */
export interface Dexels {
  grid: ColumnGrid;
  starts: Uint32Array;
  ends: Float64Array;
  /** ∫ |winding| and ∫ [winding ≠ 0] over the rays, mm³: their difference is counted twice or more. */
  countedMm3: number;
  solidMm3: number;
  /** Σ signed winding, mm³: the same rays' estimate of the plain sum of the bodies. */
  signedMm3: number;
  /** Columns whose crossings do not come back to zero: the surface is not closed there. */
  unbalancedColumns: number;
}

/** Where rays meet the surface, by column; sign +1 where the ray enters a body, −1 where it leaves. */
export interface Crossings {
  grid: ColumnGrid;
  /** Crossings of column c: starts[c] … starts[c + 1] − 1, in no order. */
  starts: Uint32Array;
  w: Float64Array;
  sign: Int8Array;
}

/** Crossings as they are found, before they are put in rows by column. */
class CrossingList {
  length = 0;
  column = new Uint32Array(4096);
  w = new Float64Array(4096);
  sign = new Int8Array(4096);

  add(column: number, w: number, sign: number): void {
    if (this.length === this.column.length) this.grow();
    this.column[this.length] = column;
    this.w[this.length] = w;
    this.sign[this.length++] = sign;
  }

  private grow(): void {
    const twice = <T extends Uint32Array | Float64Array | Int8Array>(from: T, to: T): T => {
      to.set(from);
      return to;
    };
    const length = 2 * this.length;
    this.column = twice(this.column, new Uint32Array(length));
    this.w = twice(this.w, new Float64Array(length));
    this.sign = twice(this.sign, new Int8Array(length));
  }
}

/**
 * Cuts a welded mesh with every ray of the grid. An edge shared by two triangles is always evaluated from its
 * lower to its higher vertex, so both agree on which side a ray passes: a closed mesh has no cracks.
 * positions: xyz triples in mm. O(triangles + crossings).
 */
export function crossColumns(
  positions: ArrayLike<number>,
  triangles: Uint32Array,
  grid: ColumnGrid,
): Crossings {
  const [ku, kv, kw] = grid.axes;
  const { u0, v0, nu, nv } = grid;
  const [perU, perV] = [1 / grid.du, 1 / grid.dv];
  const vertexCount = positions.length / 3;
  const us = new Float64Array(vertexCount);
  const vs = new Float64Array(vertexCount);
  for (let i = 0; i < vertexCount; i++) {
    us[i] = (positions[3 * i + ku]! - u0) * perU;
    vs[i] = (positions[3 * i + kv]! - v0) * perV;
  }
  const found = new CrossingList();
  for (let t = 0; t < triangles.length; t += 3) {
    const a = triangles[t]!, b = triangles[t + 1]!, c = triangles[t + 2]!; // prettier-ignore
    const ua = us[a]!, ub = us[b]!, uc = us[c]!, va = vs[a]!, vb = vs[b]!, vc = vs[c]!; // prettier-ignore
    const iFrom = Math.max(0, Math.ceil(Math.min(ua, ub, uc)));
    const iTo = Math.min(nu - 1, Math.floor(Math.max(ua, ub, uc)));
    if (iFrom > iTo) continue;
    const jFrom = Math.max(0, Math.ceil(Math.min(va, vb, vc)));
    const jTo = Math.min(nv - 1, Math.floor(Math.max(va, vb, vc)));
    if (jFrom > jTo) continue;
    const wa = positions[3 * a + kw]!, wb = positions[3 * b + kw]!, wc = positions[3 * c + kw]!; // prettier-ignore
    const isWide = (iTo - iFrom) * (jTo - jFrom) >= WIDE_CELLS;
    for (let j = jFrom; j <= jTo; j++) {
      let [from, to] = [iFrom, iTo];
      if (isWide) {
        // A sliver across the grid meets few of its box's columns: only those between its edges on this row, and one beside.
        rowSpan.least = Infinity;
        rowSpan.most = -Infinity;
        spanEdge(rowSpan, ua, va, ub, vb, j);
        spanEdge(rowSpan, ub, vb, uc, vc, j);
        spanEdge(rowSpan, uc, vc, ua, va, j);
        from = Math.max(from, Math.floor(rowSpan.least) - 1);
        to = Math.min(to, Math.ceil(rowSpan.most) + 1);
      }
      for (let i = from; i <= to; i++) {
        const ab = a < b ? side(ua, va, ub, vb, i, j) : -side(ub, vb, ua, va, i, j);
        const bc = b < c ? side(ub, vb, uc, vc, i, j) : -side(uc, vc, ub, vb, i, j);
        const ca = c < a ? side(uc, vc, ua, va, i, j) : -side(ua, va, uc, vc, i, j);
        const leaves = ab > 0 && bc > 0 && ca > 0;
        if (!leaves && !(ab < 0 && bc < 0 && ca < 0)) continue;
        const w = (bc * wa + ca * wb + ab * wc) / (ab + bc + ca);
        found.add(j * nu + i, w, leaves ? -1 : 1);
      }
    }
  }
  return inRows(found, grid);
}

/** From so many cells of its box on a triangle is looked at row by row. */
const WIDE_CELLS = 24;
const rowSpan = { least: Infinity, most: -Infinity };

/** Widens a row's span by where an edge crosses it. */
function spanEdge(span: typeof rowSpan, ua: number, va: number, ub: number, vb: number, row: number): void {
  if (Math.min(va, vb) > row || Math.max(va, vb) < row) return;
  if (va === vb) {
    widen(span, ua);
    widen(span, ub);
  } else widen(span, ua + ((ub - ua) * (row - va)) / (vb - va));
}

function widen(span: typeof rowSpan, u: number): void {
  if (u < span.least) span.least = u;
  if (u > span.most) span.most = u;
}

/** Twice the area of (a, b, point): positive when the point lies left of a → b. */
function side(ua: number, va: number, ub: number, vb: number, u: number, v: number): number {
  // A ray exactly on an edge counts as left of it, seen from the lower vertex: one of the two triangles takes it.
  return (ub - ua) * (v - va) - (vb - va) * (u - ua) || Number.MIN_VALUE;
}

/** Counting sort by column. */
function inRows(found: CrossingList, grid: ColumnGrid): Crossings {
  const starts = new Uint32Array(grid.nu * grid.nv + 1);
  for (let n = 0; n < found.length; n++) starts[found.column[n]! + 1]!++;
  for (let c = 0; c + 1 < starts.length; c++) starts[c + 1]! += starts[c]!;
  const fill = starts.slice(0, -1);
  const w = new Float64Array(found.length);
  const sign = new Int8Array(found.length);
  for (let n = 0; n < found.length; n++) {
    const at = fill[found.column[n]!]!++;
    w[at] = found.w[n]!;
    sign[at] = found.sign[n]!;
  }
  return { grid, starts, w, sign };
}

/** Sorts crossings [from, to) by w. Rows hold a handful, where insertion beats a call. */
function sortCrossings(w: Float64Array, sign: Int8Array, from: number, to: number): void {
  for (let n = from + 1; n < to; n++) {
    const value = w[n]!;
    const s = sign[n]!;
    let at = n - 1;
    for (; at >= from && w[at]! > value; at--) {
      w[at + 1] = w[at]!;
      sign[at + 1] = sign[at]!;
    }
    w[at + 1] = value;
    sign[at + 1] = s;
  }
}

/** Whether a point (u, v, w in mm) is inside, for columns that the surface leaves open. */
export type InsideTest = (u: number, v: number, w: number) => boolean;

/**
 * The solid by the non-zero winding rule: a body inside another counts once, a hollow is empty. Columns that do
 * not come back to zero are decided stretch by stretch by `inside`, or left empty without it.
 * Sorts the crossings in place. O(crossings).
 */
export function solidRuns(crossings: Crossings, inside?: InsideTest): Dexels {
  const { grid, starts: rows, w, sign } = crossings;
  const columns = rows.length - 1;
  const starts = new Uint32Array(columns + 1);
  // A run needs two crossings, so there are never more run ends than crossings.
  const ends = new Float64Array(w.length);
  const area = grid.du * grid.dv;
  let used = 0;
  let counted = 0;
  let solid = 0;
  let signed = 0;
  let unbalanced = 0;
  for (let c = 0; c < columns; c++) {
    const [from, to] = [rows[c]!, rows[c + 1]!];
    sortCrossings(w, sign, from, to);
    const before = used;
    let winding = 0;
    for (let n = from; n < to; n++) {
      const next = winding + sign[n]!;
      if (winding !== 0) {
        const length = w[n]! - w[n - 1]!;
        counted += Math.abs(winding) * length;
        signed += winding * length;
        solid += length;
      }
      if (winding === 0) {
        // A body that begins where the last one ended carries its run on.
        if (used > before && w[n]! <= ends[used - 1]!) used--;
        else ends[used++] = w[n]!;
      } else if (next === 0) ends[used++] = w[n]!;
      winding = next;
    }
    if (winding !== 0) {
      unbalanced++;
      used = before;
      const u = grid.u0 + (c % grid.nu) * grid.du;
      const v = grid.v0 + Math.floor(c / grid.nu) * grid.dv;
      for (let n = from + 1; inside && n < to; n++) {
        if (!(w[n]! > w[n - 1]!) || !inside(u, v, (w[n]! + w[n - 1]!) / 2)) continue;
        if (used > before && ends[used - 1] === w[n - 1]) used--;
        else ends[used++] = w[n - 1]!;
        ends[used++] = w[n]!;
      }
    }
    starts[c + 1] = used / 2;
  }
  return {
    grid,
    starts,
    ends: ends.slice(0, used),
    countedMm3: counted * area,
    solidMm3: solid * area,
    signedMm3: signed * area,
    unbalancedColumns: unbalanced,
  };
}

/** Rays and the solid on them in one step. */
export function sweepDexels(positions: ArrayLike<number>, triangles: Uint32Array, grid: ColumnGrid): Dexels {
  return solidRuns(crossColumns(positions, triangles, grid));
}

/** First and last cell whose centre (origin + k·cell) lies in [from, to); empty when last < first. */
export const firstCell = (fromMm: number, originMm: number, cellMm: number): number =>
  Math.ceil((fromMm - originMm) / cellMm);
export const lastCell = (toMm: number, originMm: number, cellMm: number): number =>
  Math.ceil((toMm - originMm) / cellMm) - 1;
