import { cellOf, entryOf, type Bricks } from './bricks';

const cell = new Int32Array(3);

/** The largest of a cell and the 26 round it; the cell itself where none is larger. */
function uphill(bricks: Bricks, field: Uint16Array, entry: number): number {
  cellOf(bricks, entry, cell);
  let top = entry;
  for (let n = 0; n < 27; n++) {
    const e = entryOf(
      bricks,
      cell[0]! + (n % 3) - 1,
      cell[1]! + (Math.floor(n / 3) % 3) - 1,
      cell[2]! + Math.floor(n / 9) - 1,
    );
    if (e >= 0 && field[e]! > field[top]!) top = e;
  }
  return top;
}

/** Whether the field, climbed from a cell until it climbs no further, stays within a squared distance. */
export function staysWithin(bricks: Bricks, field: Uint16Array, entry: number, most2: number): boolean {
  let at = entry;
  while (field[at]! <= most2) {
    const next = uphill(bricks, field, at);
    if (next === at) return true;
    at = next;
  }
  return false;
}

/** A field that grows by this share, and half a cell, within three cells and its own width leads out of a corner. */
const CORNER_GAIN = 1.35;

/**
 * The top of the field beside a cell, twice as far uphill as the cell is from the surface. −1 where it grows on: a corner of
 * something larger. In a bar of any section it ends on the middle.
 */
export function crestOf(bricks: Bricks, field: Uint16Array, entry: number): number {
  const start = Math.sqrt(field[entry]!);
  let top = entry;
  for (let step = 2 * Math.ceil(start) + 3; step > 0; step--) {
    const next = uphill(bricks, field, top);
    if (next === top) break;
    top = next;
  }
  return Math.sqrt(field[top]!) > CORNER_GAIN * start + 0.5 ? -1 : top;
}
