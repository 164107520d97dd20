import { BRICK, BRICK_CELLS, NO_BRICK, type Bricks } from './bricks';

/** Squared distance that stands for "not known to be nearer"; also the largest that a field can hold. */
export const FAR = 65535;

/** What lies where no brick stands: cells at distance 0, or cells that say nothing. */
export type Beyond = 'zero' | 'unknown';

/**
 * Exact squared Euclidean distance, in cells, from each cell to the nearest cell of value 0 (Felzenszwalb &
 * Huttenlocher 2012, separable lower envelopes). Before: 0 in the cells measured to, FAR in all others; changed
 * in place. Distances beyond 255 cells, or beyond √limit2, stay FAR: a narrow band costs less than the whole.
 * O(cells of bricks).
 */
export function measureDistances(bricks: Bricks, field: Uint16Array, beyond: Beyond, limit2 = FAR - 1): void {
  const { bx, by, bz } = bricks;
  const pass = new LinePass(bricks, field, beyond, limit2);
  for (let z = 0; z < bz; z++) {
    for (let y = 0; y < by; y++) pass.row((z * by + y) * bx, 1, bx, 1, 8, 64);
  }
  for (let z = 0; z < bz; z++) {
    for (let x = 0; x < bx; x++) pass.row(z * by * bx + x, bx, by, 8, 1, 64);
  }
  for (let y = 0; y < by; y++) {
    for (let x = 0; x < bx; x++) pass.row(y * bx + x, by * bx, bz, 64, 1, 8);
  }
}

/** Distances along lines of bricks in one direction. */
class LinePass {
  private readonly slot: Int32Array;
  private readonly bases: Int32Array;
  private readonly line: Float64Array;
  private readonly solved: Float64Array;
  private readonly apexes: Int32Array;
  private readonly borders: Float64Array;

  constructor(
    bricks: Bricks,
    private readonly field: Uint16Array,
    private readonly beyond: Beyond,
    private readonly limit2: number,
  ) {
    this.slot = beyond === 'zero' ? withoutZeroBricks(bricks, field) : bricks.slot;
    const longest = Math.max(bricks.bx, bricks.by, bricks.bz) * BRICK + 2;
    this.bases = new Int32Array(longest);
    this.line = new Float64Array(longest);
    this.solved = new Float64Array(longest);
    this.apexes = new Int32Array(longest);
    this.borders = new Float64Array(longest + 1);
  }

  /** The 64 lines through a row of bricks; each unbroken stretch of bricks by itself. */
  row(first: number, stepPlace: number, count: number, along: number, a: number, b: number): void {
    const { slot } = this;
    for (let n = 0; n < count; n++) {
      if (slot[first + n * stepPlace] === NO_BRICK) continue;
      const from = n;
      for (; n < count && slot[first + n * stepPlace] !== NO_BRICK; n++) {
        this.bases[n - from] = slot[first + n * stepPlace]! * BRICK_CELLS;
      }
      for (let j = 0; j < BRICK; j++) {
        for (let i = 0; i < BRICK; i++) this.one(n - from, i * a + j * b, along);
      }
    }
  }

  /** One line: gathered, split at its zeros, each stretch between them solved, written back. */
  private one(brickCount: number, offset: number, along: number): void {
    const { field, bases, line, solved } = this;
    const length = brickCount * BRICK + 2;
    const end = this.beyond === 'zero' ? 0 : FAR;
    line[0] = end;
    line[length - 1] = end;
    let any = 0;
    let all = end;
    for (let n = 0, at = 1; n < brickCount; n++) {
      for (let k = 0, e = bases[n]! + offset; k < BRICK; k++, e += along, at++) {
        const value = field[e]!;
        any |= value;
        all &= value;
        line[at] = value;
      }
    }
    if (any === 0 || all === FAR) return;
    for (let at = 0; at < length; at++) {
      if (line[at] === 0) {
        solved[at] = 0;
        continue;
      }
      const from = at > 0 ? at - 1 : 0;
      while (at < length && line[at] !== 0) at++;
      const to = at < length ? at : length - 1;
      if (along === 1) solveFirst(line, solved, from, to, this.limit2);
      else solveStretch(line, solved, this.apexes, this.borders, from, to, this.limit2);
    }
    for (let n = 0, at = 1; n < brickCount; n++) {
      for (let k = 0, e = bases[n]! + offset; k < BRICK; k++, e += along) field[e] = solved[at++]!;
    }
  }
}

/** Where everything beyond is 0, a brick of zeros is as good as none. */
function withoutZeroBricks({ slot, place }: Bricks, field: Uint16Array): Int32Array {
  const kept = slot.slice();
  for (let brick = 0; brick < place.length; brick++) {
    let any = 0;
    for (let e = brick * BRICK_CELLS; e < (brick + 1) * BRICK_CELLS; e++) any |= field[e]!;
    if (any === 0) kept[place[brick]!] = NO_BRICK;
  }
  return kept;
}

/** First direction: cells are 0 or FAR, so only the two ends of a stretch count. */
function solveFirst(
  line: Float64Array,
  solved: Float64Array,
  from: number,
  to: number,
  limit2: number,
): void {
  const left = line[from] === 0 ? from : -FAR;
  const right = line[to] === 0 ? to : 2 * FAR;
  for (let p = from; p <= to; p++) {
    const d = p - left < right - p ? p - left : right - p;
    solved[p] = d * d <= limit2 ? d * d : FAR;
  }
}

/** 1/(2k): a division costs more than the rest of a step. */
const HALF_INVERSE = Float64Array.from({ length: 65536 }, (_, k) => 1 / (2 * k));

/** Lower envelope of the parabolas line[q] + (p − q)² over cells from … to, read off into `solved`. */
function solveStretch(
  line: Float64Array,
  solved: Float64Array,
  apexes: Int32Array,
  borders: Float64Array,
  from: number,
  to: number,
  limit2: number,
): void {
  let top = -1;
  for (let q = from; q <= to; q++) {
    const height = line[q]!;
    if (height >= FAR) continue;
    const base = height + q * q;
    let cross = -Infinity;
    while (top >= 0) {
      const apex = apexes[top]!;
      cross = (base - line[apex]! - apex * apex) * HALF_INVERSE[q - apex]!;
      if (cross > borders[top]!) break;
      top--;
    }
    apexes[++top] = q;
    borders[top] = top === 0 ? -Infinity : cross;
  }
  if (top < 0) {
    for (let p = from; p <= to; p++) solved[p] = FAR;
    return;
  }
  let n = 0;
  for (let p = from; p <= to; p++) {
    while (n < top && borders[n + 1]! < p) n++;
    const apex = apexes[n]!;
    const value = line[apex]! + (p - apex) * (p - apex);
    solved[p] = value <= limit2 ? value : FAR;
  }
}
