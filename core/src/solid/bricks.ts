import type { CellFrame } from './columnGrid';
import { firstCell, lastCell, type Dexels } from './dexels';

/** Cells along an edge of a brick, as a power of two. */
export const BRICK_BITS = 3;
export const BRICK = 1 << BRICK_BITS;
export const BRICK_CELLS = BRICK ** 3;
/** No brick here. */
export const NO_BRICK = -1;

/**
 * Storage for the cells that matter: bricks of 8 × 8 × 8 cells in a frame, only where they are wanted.
 * A field over it is a typed array with BRICK_CELLS entries a brick:
 *   entry = slot[(bz·by_n + by)·bx_n + bx] · 512 + (z & 7) · 64 + (y & 7) · 8 + (x & 7)
 */
export interface Bricks {
  frame: CellFrame;
  /** Bricks along x, y, z. */
  bx: number;
  by: number;
  bz: number;
  /** Running number of the brick at each place, or NO_BRICK. */
  slot: Int32Array;
  /** Place of each brick: (bz·by_n + by)·bx_n + bx. */
  place: Uint32Array;
}

const bricksAlong = (cells: number): number => Math.ceil(cells / BRICK);

/** Bricks of a frame where `wanted` is not 0 (one byte a brick). */
function allocate(frame: CellFrame, wanted: Uint8Array): Bricks {
  const [bx, by, bz] = [bricksAlong(frame.nx), bricksAlong(frame.ny), bricksAlong(frame.nz)];
  const slot = new Int32Array(wanted.length).fill(NO_BRICK);
  const places: number[] = [];
  for (let p = 0; p < wanted.length; p++) {
    if (wanted[p]) slot[p] = places.push(p) - 1;
  }
  return { frame, bx, by, bz, slot, place: Uint32Array.from(places) };
}

/** Every brick of the frame. */
export function allBricks(frame: CellFrame): Bricks {
  const count = bricksAlong(frame.nx) * bricksAlong(frame.ny) * bricksAlong(frame.nz);
  return allocate(frame, new Uint8Array(count).fill(1));
}

/** The bricks that hold solid, and those with a cell nearer than `bandCells` to such a brick. */
export function bricksNearSolid(dexels: Dexels, frame: CellFrame, bandCells: number): Bricks {
  const [bx, by, bz] = [bricksAlong(frame.nx), bricksAlong(frame.ny), bricksAlong(frame.nz)];
  const solid = new Uint8Array(bx * by * bz);
  forSolidRuns(dexels, frame, (i, j, k0, k1) => {
    const column = (j >> BRICK_BITS) * bx + (i >> BRICK_BITS);
    for (let b = k0 >> BRICK_BITS; b <= k1 >> BRICK_BITS; b++) solid[b * by * bx + column] = 1;
  });
  return allocate(frame, bandCells > 0 ? dilate(solid, bx, by, bz, bandCells) : solid);
}

/** Some of the bricks of a structure and all that touch them, as a structure of their own in the same frame. */
export function bricksRound(bricks: Bricks, wanted: (brick: number) => boolean): Bricks {
  const { bx, by, bz, place, frame } = bricks;
  const marked = new Uint8Array(bx * by * bz);
  for (let brick = 0; brick < place.length; brick++) if (wanted(brick)) marked[place[brick]!] = 1;
  return allocate(frame, dilate(marked, bx, by, bz, 1));
}

function dilate(solid: Uint8Array, bx: number, by: number, bz: number, bandCells: number): Uint8Array {
  const reach = Math.ceil(bandCells / BRICK);
  const gap = (d: number): number => Math.max(0, Math.abs(d) - 1) * BRICK;
  const wanted = solid.slice();
  for (let z = 0, p = 0; z < bz; z++) {
    for (let y = 0; y < by; y++) {
      for (let x = 0; x < bx; x++, p++) {
        if (!solid[p]) continue;
        for (let dz = -reach; dz <= reach; dz++) {
          if (z + dz < 0 || z + dz >= bz) continue;
          for (let dy = -reach; dy <= reach; dy++) {
            if (y + dy < 0 || y + dy >= by) continue;
            for (let dx = -reach; dx <= reach; dx++) {
              if (x + dx < 0 || x + dx >= bx) continue;
              if (gap(dx) ** 2 + gap(dy) ** 2 + gap(dz) ** 2 > bandCells * bandCells) continue;
              wanted[p + (dz * by + dy) * bx + dx] = 1;
            }
          }
        }
      }
    }
  }
  return wanted;
}

/** Each run of solid cells: column (i, j), cells k0 to k1. */
export function forSolidRuns(
  { grid, starts, ends }: Dexels,
  frame: CellFrame,
  each: (i: number, j: number, k0: number, k1: number) => void,
): void {
  const { cellMm, nz } = frame;
  const z0 = frame.originMm[2];
  for (let j = 0, c = 0; j < grid.nv; j++) {
    for (let i = 0; i < grid.nu; i++, c++) {
      for (let r = starts[c]!; r < starts[c + 1]!; r++) {
        const k0 = Math.max(0, firstCell(ends[2 * r]!, z0, cellMm));
        const k1 = Math.min(nz - 1, lastCell(ends[2 * r + 1]!, z0, cellMm));
        if (k1 >= k0) each(i, j, k0, k1);
      }
    }
  }
}

/** Sets `value` in every solid cell of a field over the bricks. */
export function fillSolid(bricks: Bricks, dexels: Dexels, field: Uint16Array, value: number): void {
  const { frame, slot, bx, by } = bricks;
  forSolidRuns(dexels, frame, (i, j, k0, k1) => {
    const column = (j >> BRICK_BITS) * bx + (i >> BRICK_BITS);
    const local = (j & 7) * 8 + (i & 7);
    for (let k = k0; k <= k1; k++) {
      const brick = slot[(k >> BRICK_BITS) * by * bx + column]!;
      if (brick !== NO_BRICK) field[brick * BRICK_CELLS + (k & 7) * 64 + local] = value;
    }
  });
}

/** Entry of cell (x, y, z), or −1 where no brick stands. */
export function entryOf({ slot, bx, by, frame }: Bricks, x: number, y: number, z: number): number {
  if (x < 0 || y < 0 || z < 0 || x >= frame.nx || y >= frame.ny || z >= frame.nz) return -1;
  const brick = slot[((z >> BRICK_BITS) * by + (y >> BRICK_BITS)) * bx + (x >> BRICK_BITS)]!;
  return brick === NO_BRICK ? -1 : brick * BRICK_CELLS + (z & 7) * 64 + (y & 7) * 8 + (x & 7);
}

/** Cell (x, y, z) of an entry, written into `out`. */
export function cellOf({ place, bx, by }: Bricks, entry: number, out: Int32Array): void {
  const p = place[Math.floor(entry / BRICK_CELLS)]!;
  out[0] = (p % bx) * BRICK + (entry & 7);
  out[1] = (Math.floor(p / bx) % by) * BRICK + ((entry >> 3) & 7);
  out[2] = Math.floor(p / (bx * by)) * BRICK + ((entry >> 6) & 7);
}

/** Nearest cell to a point in mm, as the three indices in `out`. */
export function cellAt(
  { cellMm, originMm }: CellFrame,
  x: number,
  y: number,
  z: number,
  out: Int32Array,
): void {
  out[0] = Math.round((x - originMm[0]) / cellMm);
  out[1] = Math.round((y - originMm[1]) / cellMm);
  out[2] = Math.round((z - originMm[2]) / cellMm);
}
