import { frameSides, type DenseField } from './denseField';

/** A wide place outside that only a narrower way joins to the open. Cells are indices of the dense field. */
export interface ChamberCells {
  widest: number;
  entrance: number;
}

const OPEN = 1;
const CHAMBER = 2;
const CHAMBERS_MAX = 30;
/** An entrance must be narrower than this share of the chamber behind it. */
const ENTRANCE_SHARE = 0.8;

/**
 * Cells at least `wideCells` from the surface are joined by faces; those not joined to the frame's sides lie in
 * chambers. From the widest cell of each the widest way is followed until it meets the open: its narrowest cell
 * is the entrance. Sealed voids have none. O(cells).
 */
export function findChamberCells(outside: DenseField, wideCells: number): ChamberCells[] {
  const search = new ChamberSearch(outside, wideCells * wideCells);
  search.floodOpen();
  return search.chambers();
}

class ChamberSearch {
  private readonly values: Uint16Array;
  private readonly steps: readonly number[];
  private readonly state: Uint8Array;
  private readonly stack: Uint32Array;
  private readonly sides: Uint8Array;

  constructor(
    outside: DenseField,
    private readonly wide2: number,
  ) {
    const { nx, ny } = outside.frame;
    this.values = outside.values;
    this.steps = [-1, 1, -nx, nx, -nx * ny, nx * ny];
    this.state = new Uint8Array(this.values.length);
    this.stack = new Uint32Array(this.values.length);
    this.sides = frameSides(outside.frame);
  }

  floodOpen(): void {
    const { values, state, stack, sides } = this;
    let depth = 0;
    for (let at = 0; at < values.length; at++) {
      if (sides[at] === 0 || values[at] === 0) continue;
      state[at] = OPEN;
      stack[depth++] = at;
    }
    this.spread(depth, OPEN);
  }

  /** Spreads a mark over wide cells from the `depth` cells on the stack; result: the widest met. */
  private spread(depth: number, mark: number): number {
    const { values, state, stack, steps, wide2 } = this;
    let widest = stack[0]!;
    let top = depth;
    while (top > 0) {
      const at = stack[--top]!;
      if (values[at]! > values[widest]!) widest = at;
      for (let s = 0; s < 6; s++) {
        // A step off the frame meets a side cell of the next row, which is OPEN already.
        const next = at + steps[s]!;
        if (values[next] === undefined || state[next] !== 0 || values[next]! < wide2) continue;
        state[next] = mark;
        stack[top++] = next;
      }
    }
    return widest;
  }

  chambers(): ChamberCells[] {
    const { values, state, stack } = this;
    const found: ChamberCells[] = [];
    for (let at = 0; at < values.length && found.length < CHAMBERS_MAX; at++) {
      if (state[at] !== 0 || values[at]! < this.wide2) continue;
      state[at] = CHAMBER;
      stack[0] = at;
      const widest = this.spread(1, CHAMBER);
      const entrance = this.widestWayOut(widest);
      if (entrance >= 0 && values[entrance]! <= ENTRANCE_SHARE ** 2 * values[widest]!)
        found.push({ widest, entrance });
    }
    return found;
  }

  /** Narrowest cell of the widest way from a cell to the open, −1 when there is none: widest cells are tried first. */
  private widestWayOut(from: number): number {
    const { values, state, steps } = this;
    const buckets: number[][] = [];
    const seen = new Set<number>([from]);
    let level = values[from]!;
    buckets[level] = [from];
    let narrowest = from;
    while (level > 0) {
      const at = buckets[level]?.pop();
      if (at === undefined) {
        level--;
        continue;
      }
      if (state[at] === OPEN) return narrowest;
      if (values[at]! < values[narrowest]!) narrowest = at;
      for (const step of steps) {
        const next = at + step;
        const value = values[next] ?? 0;
        if (value === 0 || seen.has(next)) continue;
        seen.add(next);
        (buckets[value] ??= []).push(next);
        if (value > level) level = value;
      }
    }
    return -1;
  }
}
