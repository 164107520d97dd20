import type { CellFrame } from './columnGrid';
import { forSolidRuns } from './bricks';
import type { Dexels } from './dexels';
import { UnionFind } from './unionFind';

/** A place where rising air stays. Coordinates are those of the swept part. */
export interface AirPocket {
  volumeMm3: number;
  depthMm: number;
  /** The highest cell: where the bubble sits. */
  at: [number, number, number];
}

/** Shallower pockets are the grid's own steps. */
const DEPTH_CELLS_MIN = 2;

const EMPTY = 0;
const SOLID = 1;
const SAFE = 2;

/**
 * Air pockets of a part in liquid that rises round it, z up. Layers are swept from the top: in each, seeds are
 * the empty cells under a safe cell and those on the border, flooded within the layer by 4 neighbours; empty
 * cells that no sweep reached hold air (handbook 01, "Findings"). Sealed voids are not pockets. O(cells).
 */
export function findAirPockets(dexels: Dexels, frame: CellFrame): AirPocket[] {
  const { nx, ny, nz } = frame;
  const layer = nx * ny;
  const cells = new Uint8Array(layer * nz);
  forSolidRuns(dexels, frame, (i, j, k0, k1) => {
    for (let k = k0, at = k0 * layer + j * nx + i; k <= k1; k++, at += layer) cells[at] = SOLID;
  });
  const stack = new Int32Array(layer);
  for (let k = nz - 1; k >= 0; k--) sweepLayer(cells, k, frame, stack);
  return pocketsOf(cells, frame);
}

function sweepLayer(cells: Uint8Array, k: number, { nx, ny, nz }: CellFrame, stack: Int32Array): void {
  const layer = nx * ny;
  const base = k * layer;
  let depth = 0;
  const seed = (c: number): void => {
    if (cells[base + c] !== EMPTY) return;
    cells[base + c] = SAFE;
    stack[depth++] = c;
  };
  for (let j = 0, c = 0; j < ny; j++) {
    for (let i = 0; i < nx; i++, c++) {
      if (
        k === nz - 1 ||
        i === 0 ||
        j === 0 ||
        i === nx - 1 ||
        j === ny - 1 ||
        cells[base + layer + c] === SAFE
      )
        seed(c);
    }
  }
  while (depth > 0) {
    const c = stack[--depth]!;
    // Border cells are seeds themselves, so a step past the edge of a row meets one that is safe already.
    if (c >= 1) seed(c - 1);
    if (c + 1 < layer) seed(c + 1);
    if (c >= nx) seed(c - nx);
    if (c + nx < layer) seed(c + nx);
  }
}

interface Growing {
  cells: number;
  top: number;
  low: number;
  high: number;
  open: boolean;
}

/** What is still EMPTY, joined by 6 neighbours; a pocket must touch safe space, else it is a sealed void. */
function pocketsOf(cells: Uint8Array, { nx, ny, cellMm, originMm }: CellFrame): AirPocket[] {
  const layer = nx * ny;
  const trapped: number[] = [];
  const number = new Map<number, number>();
  for (let at = 0; at < cells.length; at++) {
    if (cells[at] === EMPTY) number.set(at, trapped.push(at) - 1);
  }
  const sets = new UnionFind(trapped.length);
  const steps = [1, nx, layer];
  trapped.forEach((at, n) => {
    for (const step of steps) {
      const other = number.get(at - step);
      if (other !== undefined) sets.join(n, other);
    }
  });
  const groups = new Map<number, Growing>();
  trapped.forEach((at, n) => {
    const root = sets.find(n);
    const k = Math.floor(at / layer);
    const group = groups.get(root) ?? { cells: 0, top: at, low: k, high: k, open: false };
    group.cells++;
    group.low = Math.min(group.low, k);
    if (k >= group.high) Object.assign(group, { high: k, top: at });
    group.open ||= steps.some((step) => cells[at - step] === SAFE || cells[at + step] === SAFE);
    groups.set(root, group);
  });
  return [...groups.values()]
    .filter(({ open, low, high }) => open && high - low + 1 >= DEPTH_CELLS_MIN)
    .map(({ cells: count, top, low, high }): AirPocket => {
      const index = [top % nx, Math.floor(top / nx) % ny, Math.floor(top / layer)];
      return {
        volumeMm3: count * cellMm ** 3,
        depthMm: (high - low + 1) * cellMm,
        at: [0, 1, 2].map((k) => originMm[k]! + index[k]! * cellMm) as [number, number, number],
      };
    })
    .sort((a, b) => b.volumeMm3 - a.volumeMm3);
}
