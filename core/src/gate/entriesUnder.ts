import { cellAt, entryOf, type Bricks } from '../solid';

/** Cells this many cells beyond the gate's rim still count as under it: the surface lies between cells. */
const RIM_CELLS = 1;

/** Entries of the cells within a gate's radius of its place; what stands there is for the caller to see. */
export function entriesUnder(
  bricks: Bricks,
  { at, diameterMm }: { at: readonly [number, number, number]; diameterMm: number },
): number[] {
  const reach = Math.ceil(diameterMm / 2 / bricks.frame.cellMm) + RIM_CELLS;
  const middle = new Int32Array(3);
  cellAt(bricks.frame, at[0], at[1], at[2], middle);
  const found: number[] = [];
  for (let z = -reach; z <= reach; z++)
    for (let y = -reach; y <= reach; y++)
      for (let x = -reach; x <= reach; x++) {
        if (x * x + y * y + z * z > reach * reach) continue;
        const entry = entryOf(bricks, middle[0]! + x, middle[1]! + y, middle[2]! + z);
        if (entry >= 0) found.push(entry);
      }
  return found;
}
