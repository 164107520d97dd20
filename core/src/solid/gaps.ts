import { BRICK_CELLS, cellOf, entryOf, type Bricks } from './bricks';
import { FAR, measureDistances } from './distance';

/** On a grid a round wall lies up to this many cells off the ball that touches it. */
const GRID_SLACK = 0.75;

/**
 * Cells that a ball of the band's radius reaches from outside: 0; others FAR. Two distance transforms make the
 * opening (handbook 01, "Thickness": the ball outside).
 */
export function openCells(bricks: Bricks, outside: Uint16Array, bandCells: number): Uint16Array {
  const from2 = (bandCells - GRID_SLACK) ** 2;
  const open = outside.map((value) => (value >= from2 ? 0 : FAR));
  const reach2 = (bandCells + GRID_SLACK) ** 2;
  measureDistances(bricks, open, 'zero', Math.floor(reach2));
  for (let e = 0; e < open.length; e++) open[e] = outside[e] !== 0 && open[e]! <= reach2 ? 0 : FAR;
  return open;
}

/** Chamfer lengths of steps to face, edge and corner neighbours, in tenths of a cell (Borgefors 1986). */
const CHAMFER = [0, 10, 14, 17] as const;
/** Depth that no cell exceeds, tenths of a cell: 65 mm at 0.1 mm. */
const DEPTH_MAX = 65000;

const STEPS = Array.from(
  { length: 27 },
  (_, n) => [(n % 3) - 1, (Math.floor(n / 3) % 3) - 1, Math.floor(n / 9) - 1] as const,
)
  .filter((d) => d.some((v) => v !== 0))
  .map((d) => ({ d, cost: CHAMFER[d.filter((v) => v !== 0).length]! }));

/**
 * Way from the open through empty cells to each narrow one, tenths of a cell; 0 in open and solid cells,
 * DEPTH_MAX where there is none. Buckets by length (Dial 1969). O(narrow cells).
 */
export function measureDepths(bricks: Bricks, outside: Uint16Array, open: Uint16Array): Uint16Array {
  const depth = new Uint16Array(bricks.place.length * BRICK_CELLS);
  const buckets: number[][] = [];
  const cell = new Int32Array(3);
  const relax = (entry: number, from: number): void => {
    cellOf(bricks, entry, cell);
    const [x, y, z] = [cell[0]!, cell[1]!, cell[2]!];
    for (const { d, cost } of STEPS) {
      const e = entryOf(bricks, x + d[0], y + d[1], z + d[2]);
      if (e < 0 || outside[e] === 0 || open[e] === 0) continue;
      const next = from + cost;
      if (next >= depth[e]!) continue;
      depth[e] = next;
      (buckets[next] ??= []).push(e);
    }
  };
  for (let e = 0; e < depth.length; e++) if (outside[e] !== 0 && open[e] !== 0) depth[e] = DEPTH_MAX;
  for (let e = 0; e < depth.length; e++) {
    if (depth[e] !== DEPTH_MAX || !touchesOpen(bricks, outside, open, e, cell)) continue;
    depth[e] = CHAMFER[1];
    (buckets[CHAMFER[1]] ??= []).push(e);
  }
  for (let length = 0; length < buckets.length; length++) {
    for (const entry of buckets[length] ?? []) if (depth[entry] === length) relax(entry, length);
  }
  return depth;
}

function touchesOpen(
  bricks: Bricks,
  outside: Uint16Array,
  open: Uint16Array,
  entry: number,
  cell: Int32Array,
): boolean {
  cellOf(bricks, entry, cell);
  for (let axis = 0; axis < 3; axis++) {
    for (let by = -1; by <= 1; by += 2) {
      cell[axis]! += by;
      const e = entryOf(bricks, cell[0]!, cell[1]!, cell[2]!);
      cell[axis]! -= by;
      if (e >= 0 && outside[e] !== 0 && open[e] === 0) return true;
    }
  }
  return false;
}
