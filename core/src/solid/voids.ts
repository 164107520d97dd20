import type { Dexels } from './dexels';
import { UnionFind } from './unionFind';

/** Empty space that no way leads into. */
export interface SealedVoid {
  volumeMm3: number;
  /** A point inside: the middle of its longest run. */
  at: [number, number, number];
}

/** Voids smaller than this many cells are crumbs of the grid. */
const CRUMB_CELLS = 8;

/**
 * Empty runs between the solid runs of each column, joined to those beside them (6 neighbours: 26 would leak
 * through thin walls); what is not joined to the outside is sealed. Walls under two cells are not resolved.
 * O(runs).
 */
export function findSealedVoids(dexels: Dexels): SealedVoid[] {
  const { grid, starts, ends } = dexels;
  const { nu, nv } = grid;
  // Empty runs of column c: one more than its solid runs, numbered from starts[c] + c. Node 0 is the outside.
  const node = (c: number, r: number): number => 1 + starts[c]! + c + r;
  const from = (c: number, r: number): number => (r === 0 ? -Infinity : ends[2 * (starts[c]! + r) - 1]!);
  const to = (c: number, r: number): number =>
    starts[c]! + r === starts[c + 1]! ? Infinity : ends[2 * (starts[c]! + r)]!;
  const count = (c: number): number => starts[c + 1]! - starts[c]! + 1;
  const sets = new UnionFind(1 + ends.length / 2 + nu * nv);
  const least = Math.min(grid.du, grid.dv) / 2;
  const join = (a: number, b: number): void => {
    for (let ra = 0, rb = 0; ra < count(a) && rb < count(b);) {
      if (Math.min(to(a, ra), to(b, rb)) - Math.max(from(a, ra), from(b, rb)) > least) {
        sets.join(node(a, ra), node(b, rb));
      }
      if (to(a, ra) < to(b, rb)) ra++;
      else rb++;
    }
  };
  for (let j = 0, c = 0; j < nv; j++) {
    for (let i = 0; i < nu; i++, c++) {
      const border = i === 0 || j === 0 || i === nu - 1 || j === nv - 1;
      for (let r = 0; r < count(c); r++) {
        if (border || r === 0 || r === count(c) - 1) sets.join(0, node(c, r));
      }
      if (i > 0) join(c - 1, c);
      if (j > 0) join(c - nu, c);
    }
  }
  const outside = sets.find(0);
  const found = new Map<number, { length: number; longest: number; u: number; v: number; w: number }>();
  for (let j = 0, c = 0; j < nv; j++) {
    for (let i = 0; i < nu; i++, c++) {
      for (let r = 1; r < count(c) - 1; r++) {
        const root = sets.find(node(c, r));
        if (root === outside) continue;
        const length = to(c, r) - from(c, r);
        const known = found.get(root) ?? { length: 0, longest: 0, u: 0, v: 0, w: 0 };
        known.length += length;
        if (length > known.longest) {
          Object.assign(known, { longest: length, u: i, v: j, w: (to(c, r) + from(c, r)) / 2 });
        }
        found.set(root, known);
      }
    }
  }
  const crumb = CRUMB_CELLS * grid.du * grid.dv * Math.min(grid.du, grid.dv);
  return [...found.values()]
    .map(({ length, u, v, w }): SealedVoid => {
      const at: [number, number, number] = [0, 0, 0];
      at[grid.axes[0]] = grid.u0 + u * grid.du;
      at[grid.axes[1]] = grid.v0 + v * grid.dv;
      at[grid.axes[2]] = w;
      return { volumeMm3: length * grid.du * grid.dv, at };
    })
    .filter(({ volumeMm3 }) => volumeMm3 > crumb)
    .sort((a, b) => b.volumeMm3 - a.volumeMm3);
}
