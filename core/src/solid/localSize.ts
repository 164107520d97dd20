import { BRICK_BITS, BRICK_CELLS, NO_BRICK, cellOf, entryOf, type Bricks } from './bricks';
import type { Balls } from './balls';

/** A field of sizes holds µm, so that two bytes a cell reach 65 mm. */
export const SIZE_PER_MM = 1000;
const SIZE_MAX = 65535;

/**
 * Local size of each cell: diameter of the largest ball that covers it (Hildebrand & Rüegsegger 1997), in µm;
 * 0 where no ball reaches. Balls come largest first, so the first to reach a cell is its answer.
 * O(Σ cells in balls).
 */
export function paintBalls(bricks: Bricks, balls: Balls): Uint16Array {
  const sizes = new Uint16Array(bricks.place.length * BRICK_CELLS);
  const { cellMm, originMm, nx, ny, nz } = bricks.frame;
  for (let n = 0; n < balls.count; n++) {
    const value = Math.min(SIZE_MAX, Math.max(1, Math.round(2 * balls.radiusMm[n]! * SIZE_PER_MM)));
    const [x, y, z] = [balls.x, balls.y, balls.z].map((c, k) => (c[n]! - originMm[k]!) / cellMm) as [number, number, number]; // prettier-ignore
    const r = balls.radiusMm[n]! / cellMm;
    const kTo = Math.min(nz - 1, Math.floor(z + r));
    for (let k = Math.max(0, Math.ceil(z - r)); k <= kTo; k++) {
      const disc2 = r * r - (k - z) ** 2;
      const disc = Math.sqrt(disc2);
      const jTo = Math.min(ny - 1, Math.floor(y + disc));
      for (let j = Math.max(0, Math.ceil(y - disc)); j <= jTo; j++) {
        const half = Math.sqrt(disc2 - (j - y) ** 2);
        const from = Math.max(0, Math.ceil(x - half));
        paintRow(bricks, sizes, from, Math.min(nx - 1, Math.floor(x + half)), j, k, value);
      }
    }
  }
  return sizes;
}

function paintRow(
  { slot, bx, by }: Bricks,
  sizes: Uint16Array,
  from: number,
  to: number,
  j: number,
  k: number,
  value: number,
): void {
  const row = ((k >> BRICK_BITS) * by + (j >> BRICK_BITS)) * bx;
  const local = (k & 7) * 64 + (j & 7) * 8;
  for (let i = from; i <= to;) {
    const end = Math.min(to, i | 7);
    const brick = slot[row + (i >> BRICK_BITS)]!;
    if (brick !== NO_BRICK) {
      const base = brick * BRICK_CELLS + local;
      for (let e = base + (i & 7); e <= base + (end & 7); e++) if (sizes[e] === 0) sizes[e] = value;
    }
    i = end + 1;
  }
}

const RIM_ROUNDS = 8;

/**
 * Solid cells that no thinned ball reached (rims between balls, sharp edges) take the largest size beside them,
 * from outside in; what is left after RIM_ROUNDS is alone and takes its own distance. `field`: squared distances, 0 outside.
 */
export function fillRims(bricks: Bricks, field: Uint16Array, sizes: Uint16Array): void {
  let bare: number[] = [];
  for (let e = 0; e < field.length; e++) if (field[e] !== 0 && sizes[e] === 0) bare.push(e);
  for (let round = 0; round < RIM_ROUNDS && bare.length > 0; round++) {
    const found = bare.map((entry) => largestBeside(bricks, field, sizes, entry));
    bare.forEach((entry, n) => (sizes[entry] = found[n]!));
    bare = bare.filter((entry) => sizes[entry] === 0);
  }
  for (const entry of bare) {
    sizes[entry] = Math.min(SIZE_MAX, 2 * Math.sqrt(field[entry]!) * bricks.frame.cellMm * SIZE_PER_MM);
  }
}

const cell = new Int32Array(3);

function largestBeside(bricks: Bricks, field: Uint16Array, sizes: Uint16Array, entry: number): number {
  cellOf(bricks, entry, cell);
  const [x, y, z] = cell as unknown as [number, number, number];
  let largest = 0;
  for (let dz = -1; dz <= 1; dz++) {
    for (let dy = -1; dy <= 1; dy++) {
      for (let dx = -1; dx <= 1; dx++) {
        const e = entryOf(bricks, x + dx, y + dy, z + dz);
        if (e >= 0 && field[e] !== 0 && sizes[e]! > largest) largest = sizes[e]!;
      }
    }
  }
  return largest;
}

/** Volume of solid by local size, in bins of `binMm` from 0; the last bin holds all that is larger. mm³. */
export function sizeHistogram(
  bricks: Bricks,
  field: Uint16Array,
  sizes: Uint16Array,
  binMm: number,
  bins: number,
): Float64Array {
  const volumes = new Float64Array(bins);
  const perBin = binMm * SIZE_PER_MM;
  for (let e = 0; e < field.length; e++) {
    if (field[e] !== 0) volumes[Math.min(bins - 1, Math.floor(sizes[e]! / perBin))]!++;
  }
  const cellVolume = bricks.frame.cellMm ** 3;
  return volumes.map((count) => count * cellVolume);
}

/** Size below which `share` (0…1) of the volume lies, interpolated within its bin, mm. */
export function sizePercentile(histogram: ArrayLike<number>, binMm: number, share: number): number {
  let total = 0;
  for (let b = 0; b < histogram.length; b++) total += histogram[b]!;
  let left = share * total;
  for (let b = 0; b < histogram.length; b++) {
    const here = histogram[b]!;
    if (here > 0 && left <= here) return (b + left / here) * binMm;
    left -= here;
  }
  return histogram.length * binMm;
}
