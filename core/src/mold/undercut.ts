import { InputError } from '../numeric';
import { measureBounds } from '../mesh';
import { columnsOf, frameRound, sweepDexels, type CellFrame, type Dexels } from '../solid';
import type { PulledPart } from './pull';

/** Mold that one pull cannot release. mm, in the axes of the pull. */
export interface Undercut {
  /** 'springs': it clears once it gives way sideways; 'core': nothing leads out sideways, a core or another way is needed. */
  kind: 'springs' | 'core';
  at: [number, number, number];
  /** How far it must give way sideways to clear. */
  depthMm: number;
  /** What it must be sprung over, measured the same way. */
  widthMm: number;
  /** Depth over width, percent; of a core infinite. */
  strainPercent: number;
  volumeMm3: number;
}

/** A part seen along a pull: where it stands in every column, and what is shut in between. */
export interface UndercutMap {
  frame: CellFrame;
  dexels: Dexels;
  /** Depth of every cell that is trapped, mm; 0: not trapped. Infinity: of a core. By (k·ny + j)·nx + i. */
  depths: Float32Array;
  undercuts: Undercut[];
  solidMm3: number;
  trappedMm3: number;
}

/** What is thinner is told from the grid's own steps by nobody. Cells. */
const NOISE_CELLS = 1.5;
/** A trap of fewer cells is noise too. */
const FEWEST_CELLS = 12;
const [FREE, SOLID, TRAPPED] = [0, 1, 2];

/**
 * Where two halves that part along z would not let go (handbook 06): a line along the pull that meets the part twice has mold
 * between, which can leave neither way. The depth is the way out sideways within its level, through the mold; what has none is a core's.
 * Whatever surface parts the halves, no more and no less is trapped. Nothing finer than 1.5 cells is told.
 * O(triangles + cells).
 */
export function findUndercuts(part: PulledPart, cellMm: number): UndercutMap {
  if (!(cellMm > 0)) throw new InputError('cellMm', 'more than 0', cellMm);
  const frame = frameRound(measureBounds(part.positions), cellMm, 1);
  const dexels = sweepDexels(part.positions, part.triangles, columnsOf(frame));
  const state = statesOf(frame, dexels);
  const depths = new Float32Array(state.length);
  for (let k = 0; k < frame.nz; k++) measureLevel(frame, state, depths, k);
  const found = gather(frame, state, depths);
  const told = found.filter(
    ({ cells, undercut: { depthMm } }) => cells >= FEWEST_CELLS && depthMm >= NOISE_CELLS * cellMm,
  );
  const undercuts = told
    .map(({ undercut }) => undercut)
    .sort((a, b) => b.strainPercent - a.strainPercent || b.volumeMm3 - a.volumeMm3);
  const trappedMm3 = undercuts.reduce((sum, { volumeMm3 }) => sum + volumeMm3, 0);
  return { frame, dexels, depths, undercuts, solidMm3: dexels.solidMm3, trappedMm3 };
}

/** Free, solid or trapped, cell by cell. */
function statesOf({ cellMm, originMm, nx, ny, nz }: CellFrame, { starts, ends }: Dexels): Uint8Array {
  const state = new Uint8Array(nx * ny * nz);
  const level = (mm: number): number => (mm - originMm[2]) / cellMm;
  for (let c = 0; c < nx * ny; c++) {
    const [first, last] = [starts[c]!, starts[c + 1]!];
    for (let r = first; r < last; r++) {
      const [from, to] = [Math.ceil(level(ends[2 * r]!)), Math.floor(level(ends[2 * r + 1]!))];
      for (let k = Math.max(0, from); k <= Math.min(nz - 1, to); k++) state[k * nx * ny + c] = SOLID;
      if (r + 1 === last) continue;
      const until = Math.ceil(level(ends[2 * r + 2]!)) - 1;
      for (let k = Math.max(0, to + 1); k <= Math.min(nz - 1, until); k++) state[k * nx * ny + c] = TRAPPED;
    }
  }
  return state;
}

/** Steps to the eight neighbours in a level and their lengths in cells. */
const AROUND: readonly (readonly [number, number, number])[] = [
  [1, 0, 1], [-1, 0, 1], [0, 1, 1], [0, -1, 1],
  [1, 1, Math.SQRT2], [1, -1, Math.SQRT2], [-1, 1, Math.SQRT2], [-1, -1, Math.SQRT2],
]; // prettier-ignore

/** The way from every trapped cell of a level to a free one through the mold, mm; Infinity where there is none. */
function measureLevel(
  { nx, ny, cellMm }: CellFrame,
  state: Uint8Array,
  depths: Float32Array,
  k: number,
): void {
  const base = k * nx * ny;
  // Buckets of half a cell: ways are short, and a heap would cost more.
  const buckets: number[][] = [];
  const push = (cell: number, far: number): void => void (buckets[Math.round(2 * far)] ??= []).push(cell);
  for (let c = 0; c < nx * ny; c++) {
    if (state[base + c] !== TRAPPED) continue;
    depths[base + c] = Infinity;
    const [i, j] = [c % nx, Math.floor(c / nx)];
    for (const [di, dj, length] of AROUND)
      if (state[base + (j + dj) * nx + i + di] === FREE && length * cellMm < depths[base + c]!) {
        depths[base + c] = length * cellMm;
      }
    if (depths[base + c]! < Infinity) push(c, depths[base + c]! / cellMm);
  }
  for (let b = 0; b < buckets.length; b++) {
    const bucket = buckets[b];
    for (let n = 0; bucket && n < bucket.length; n++) {
      const c = bucket[n]!;
      const far = depths[base + c]!;
      if (Math.round((2 * far) / cellMm) < b) continue;
      const [i, j] = [c % nx, Math.floor(c / nx)];
      for (const [di, dj, length] of AROUND) {
        const next = (j + dj) * nx + i + di;
        const way = far + length * cellMm;
        // Kept in fewer digits than it is reckoned in: what differs by rounding only is not nearer.
        if (state[base + next] !== TRAPPED || depths[base + next]! <= way + 1e-4 * cellMm) continue;
        depths[base + next] = way;
        push(next, depths[base + next]! / cellMm);
      }
    }
  }
}

/** Trapped cells that hang together, each as one undercut. */
function gather(
  frame: CellFrame,
  state: Uint8Array,
  depths: Float32Array,
): { cells: number; undercut: Undercut }[] {
  const { nx, ny, nz, cellMm, originMm } = frame;
  const seen = new Uint8Array(state.length);
  const steps = [1, -1, nx, -nx, nx * ny, -nx * ny];
  const out: { cells: number; undercut: Undercut }[] = [];
  for (let start = 0; start < state.length; start++) {
    if (state[start] !== TRAPPED || seen[start]) continue;
    const stack = [start];
    seen[start] = 1;
    let [cells, deepest, cores] = [0, start, 0];
    while (stack.length > 0) {
      const cell = stack.pop()!;
      cells++;
      if (depths[cell] === Infinity) cores++;
      else if (depths[deepest] === Infinity || depths[cell]! > depths[deepest]!) deepest = cell;
      for (const step of steps) {
        const next = cell + step;
        if (next < 0 || next >= nx * ny * nz || state[next] !== TRAPPED || seen[next]) continue;
        seen[next] = 1;
        stack.push(next);
      }
    }
    // A few cells of a level that lead nowhere are the grid's; most of them are a hollow.
    const isCore = depths[deepest] === Infinity || cores > cells / 2;
    const [i, j, k] = [deepest % nx, Math.floor(deepest / nx) % ny, Math.floor(deepest / (nx * ny))];
    const at = [i, j, k].map((n, axis) => originMm[axis]! + n * cellMm) as [number, number, number];
    const depthMm = isCore ? Infinity : depths[deepest]!;
    const widthMm = isCore ? 0 : widthAcross(frame, state, depths, deepest);
    const strainPercent = isCore ? Infinity : (100 * depthMm) / widthMm;
    const volumeMm3 = cells * cellMm ** 3;
    out.push({
      cells,
      undercut: { kind: isCore ? 'core' : 'springs', at, depthMm, widthMm, strainPercent, volumeMm3 },
    });
  }
  return out;
}

/** Across what is not free, along the way out of a cell, mm. */
function widthAcross(
  { nx, ny, cellMm }: CellFrame,
  state: Uint8Array,
  depths: Float32Array,
  cell: number,
): number {
  const base = cell - (cell % (nx * ny));
  let [i, j] = [(cell - base) % nx, Math.floor((cell - base) / nx)];
  const [fromI, fromJ] = [i, j];
  // Downhill to the free cell beside.
  for (let step = 0; step < nx + ny; step++) {
    const way = AROUND.map(([di, dj]) => ({ di, dj, at: base + (j + dj) * nx + i + di }))
      .filter(({ at }) => state[at] !== SOLID)
      .reduce((a, b) =>
        (state[b.at] === FREE ? 0 : depths[b.at]!) < (state[a.at] === FREE ? 0 : depths[a.at]!) ? b : a,
      );
    i += way.di;
    j += way.dj;
    if (state[way.at] === FREE) break;
  }
  const length = Math.hypot(i - fromI, j - fromJ) || 1;
  const [ui, uj] = [(fromI - i) / length, (fromJ - j) / length];
  let cells = 0;
  // Backward from the free cell through all that is not free.
  for (let n = 1; n < nx + ny; n++) {
    const [a, b] = [Math.round(i + n * ui), Math.round(j + n * uj)];
    if (a < 0 || b < 0 || a >= nx || b >= ny || state[base + b * nx + a] === FREE) break;
    cells = n;
  }
  return Math.max(1, cells) * cellMm;
}
