import { BRICK, BRICK_CELLS, cellOf, entryOf, NO_BRICK, type Bricks } from './bricks';

/** √n for every squared distance that a field can hold. */
const ROOTS = Float32Array.from({ length: 65536 }, (_, n) => Math.sqrt(n));

/**
 * A cell lies on the ridge of the distance field unless the field climbs from it by more than this a step:
 * 1 on the flanks of a wall, 0 on its middle, cos 45° = 0.71 on the way into a square corner. 0.8 keeps corners;
 * false cells cost time, never truth, since each ball is made exact on the surface.
 */
export const CLIMB = 0.8;
/** Climb of walls, wires and slots alone: their two sides are over 120° apart, cos 60°. Corners are left out. */
export const CLIMB_OPPOSED = 0.5;
/** How far apart the thinned ridge's balls may be: `close` where each one counts, `wide` where they only fill. */
export const RIDGE_SPACING = { close: 1.6, wide: 2.4 } as const;
/** Second look, this many cells uphill, where the grid's noise has averaged out. */
const STRIDE = 4;

/** Copy of one brick with a rim of one cell on its faces: 10 × 10 × 10, distances in cells. */
const PAD = BRICK + 2;
const PAD_STEP = [1, PAD, PAD * PAD] as const;
const LOCAL_STEP = [1, BRICK, BRICK * BRICK] as const;

/** Fills `pad` with a brick's distances and the faces of its six neighbours (0 where there is none). */
function padBrick(bricks: Bricks, field: Uint16Array, brick: number, pad: Float32Array): void {
  const { bx, by, bz, place, slot } = bricks;
  const p = place[brick]!;
  const at = [p % bx, Math.floor(p / bx) % by, Math.floor(p / (bx * by))] as const;
  const counts = [bx, by, bz] as const;
  const steps = [1, bx, bx * by] as const;
  for (let k = 0, e = brick * BRICK_CELLS; k < BRICK; k++) {
    for (let j = 0; j < BRICK; j++) {
      const row = ((k + 1) * PAD + j + 1) * PAD + 1;
      for (let i = 0; i < BRICK; i++, e++) pad[row + i] = ROOTS[field[e]!]!;
    }
  }
  for (let axis = 0; axis < 3; axis++) {
    for (let side = 0; side < 2; side++) {
      const inside = side === 0 ? at[axis]! > 0 : at[axis]! + 1 < counts[axis]!;
      const s = inside ? slot[p + (side === 0 ? -1 : 1) * steps[axis]!]! : NO_BRICK;
      padFace(field, s, axis, side, pad);
    }
  }
}

function padFace(field: Uint16Array, brick: number, axis: number, side: number, pad: Float32Array): void {
  const [b, c] = [(axis + 1) % 3, (axis + 2) % 3];
  const from = brick * BRICK_CELLS + (side === 0 ? (BRICK - 1) * LOCAL_STEP[axis]! : 0);
  const to = (side === 0 ? 0 : PAD - 1) * PAD_STEP[axis]! + PAD_STEP[b]! + PAD_STEP[c]!;
  for (let j = 0; j < BRICK; j++) {
    for (let i = 0; i < BRICK; i++) {
      const value = brick === NO_BRICK ? 0 : ROOTS[field[from + i * LOCAL_STEP[b]! + j * LOCAL_STEP[c]!]!]!;
      pad[to + i * PAD_STEP[b]! + j * PAD_STEP[c]!] = value;
    }
  }
}

/** Ridge cells of a field: entries, in the order of bricks. Cells at or beyond `limit2` are passed over. */
export function ridgeCells(bricks: Bricks, field: Uint16Array, limit2: number, climb = CLIMB): Uint32Array {
  const pad = new Float32Array(PAD ** 3);
  const found: number[] = [];
  const flat = 4 * climb * climb;
  for (let brick = 0; brick < bricks.place.length; brick++) {
    const base = brick * BRICK_CELLS;
    let any = 0;
    for (let e = base; e < base + BRICK_CELLS; e++) if (field[e]! < limit2) any |= field[e]!;
    if (any === 0) continue;
    padBrick(bricks, field, brick, pad);
    for (let local = 0; local < BRICK_CELLS; local++) {
      const squared = field[base + local]!;
      if (squared === 0 || squared >= limit2) continue;
      const at = (((local >> 6) + 1) * PAD + ((local >> 3) & 7) + 1) * PAD + (local & 7) + 1;
      const gx = pad[at + 1]! - pad[at - 1]!;
      const gy = pad[at + PAD]! - pad[at - PAD]!;
      const gz = pad[at + PAD * PAD]! - pad[at - PAD * PAD]!;
      const slope2 = gx * gx + gy * gy + gz * gz;
      if (slope2 >= flat && !isCrest(bricks, field, base + local, gx, gy, gz, slope2)) continue;
      if (slope2 > 0.25 && climbsOn(bricks, field, base + local, gx, gy, gz, slope2)) continue;
      found.push(base + local);
    }
  }
  return Uint32Array.from(found);
}

const cell = new Int32Array(3);

/** A step up a flank gains a cell; across the middle of a wall that lies between two cells it gains nothing. */
const CREST_GAIN = 0.35;

/** Whether the field stops climbing with the next cell up its slope: the middle lies between the two. */
function isCrest(
  bricks: Bricks, field: Uint16Array, entry: number, gx: number, gy: number, gz: number, slope2: number,
): boolean {
  if (slope2 >= 4 * CLIMB * CLIMB) return false;
  cellOf(bricks, entry, cell);
  const step = 1 / Math.sqrt(slope2);
  const e = entryOf(
    bricks,
    cell[0]! + Math.round(gx * step),
    cell[1]! + Math.round(gy * step),
    cell[2]! + Math.round(gz * step),
  );
  return e >= 0 && ROOTS[field[e]!]! - ROOTS[field[entry]!]! < CREST_GAIN;
} // prettier-ignore

/** Whether the field still climbs STRIDE cells up its slope: then the cell is on a flank after all. */
function climbsOn(
  bricks: Bricks, field: Uint16Array, entry: number, gx: number, gy: number, gz: number, slope2: number,
): boolean {
  cellOf(bricks, entry, cell);
  const step = STRIDE / Math.sqrt(slope2);
  const dx = Math.round(gx * step);
  const dy = Math.round(gy * step);
  const dz = Math.round(gz * step);
  const e = entryOf(bricks, cell[0]! + dx, cell[1]! + dy, cell[2]! + dz);
  if (e < 0) return false;
  return ROOTS[field[e]!]! - ROOTS[field[entry]!]! >= CLIMB * Math.sqrt(dx * dx + dy * dy + dz * dz);
} // prettier-ignore

export interface ThinnedRidge {
  /** The largest ball of each box, largest first. */
  largest: Uint32Array;
  /** The smallest of the boxes whose balls differ: a neck is no wider than a box. */
  necks: Uint32Array;
}

/**
 * The ridge thinned to what covers the solid: largest first, one ball in each box of side spacing·√r cells
 * among balls of like size (r within a factor 2). Balls s apart leave a lens s²/8r deep uncovered: a third of a
 * cell at spacing 1.6, three quarters at 2.4. Result: entries.
 */
export function thinRidge(
  bricks: Bricks,
  field: Uint16Array,
  cells: Uint32Array,
  spacing: number = RIDGE_SPACING.close,
): ThinnedRidge {
  const sorted = sortByValue(field, cells);
  const boxes = new Map<number, number>();
  const kept: number[] = [];
  const smallest: number[] = [];
  for (let n = 0; n < sorted.length; n++) {
    const entry = sorted[n]!;
    const octave = Math.floor(Math.log2(field[entry]!) / 2);
    const box = spacing * Math.sqrt(2 ** octave);
    cellOf(bricks, entry, cell);
    const key =
      ((octave * 4096 + Math.floor(cell[2]! / box)) * 4096 + Math.floor(cell[1]! / box)) * 4096 +
      Math.floor(cell[0]! / box);
    const place = boxes.get(key);
    if (place === undefined) {
      boxes.set(key, kept.length);
      kept.push(entry);
      smallest.push(entry);
    } else smallest[place] = entry;
  }
  const necks = smallest.filter((entry, n) => field[entry]! < field[kept[n]!]!);
  return { largest: Uint32Array.from(kept), necks: Uint32Array.from(necks) };
}

/** Entries by falling value: counting sort on the squared distance. */
export function sortByValue(field: Uint16Array, entries: Uint32Array): Uint32Array {
  const starts = new Uint32Array(65537);
  for (let n = 0; n < entries.length; n++) starts[65536 - field[entries[n]!]!]!++;
  for (let v = 0, sum = 0; v < starts.length; v++) {
    const count = starts[v]!;
    starts[v] = sum;
    sum += count;
  }
  const sorted = new Uint32Array(entries.length);
  for (let n = 0; n < entries.length; n++) sorted[starts[65536 - field[entries[n]!]!]!++] = entries[n]!;
  return sorted;
}
