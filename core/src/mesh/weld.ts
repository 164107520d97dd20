import type { RawMesh } from './rawMesh';

/**
 * Triangles on shared vertices, in mm. positions: 3 per vertex; triangles: 3 indices each;
 * triangles with two equal corners have been dropped and counted.
 */
export interface WeldedMesh {
  positions: Float64Array;
  triangles: Uint32Array;
  degenerateCount: number;
}

/** Vertices nearer than this share of the diagonal are one (handbook 01): float32 noise of a mm-sized part. */
export const WELD_SHARE_OF_DIAGONAL = 1e-6;

const EMPTY = 0xffffffff;

function hash3(x: number, y: number, z: number): number {
  return (Math.imul(x, 73856093) ^ Math.imul(y, 19349663) ^ Math.imul(z, 83492791)) >>> 0;
}

function tableSize(count: number): number {
  let size = 16;
  while (size < count * 2) size *= 2;
  return size;
}

interface Weld {
  /** New index of each old vertex. */
  map: Uint32Array;
  positions: Float64Array;
}

/** Joins vertices with identical coordinates. Open addressing on the bits of the three doubles. O(n). */
function weldDoubles(source: Float64Array, unitMm: number): Weld {
  const count = source.length / 3;
  const positions = new Float64Array(source.length);
  const bits = new Int32Array(positions.buffer);
  const map = new Uint32Array(count);
  const mask = tableSize(count) - 1;
  const table = new Uint32Array(mask + 1).fill(EMPTY);
  let used = 0;
  for (let i = 0; i < count; i++) {
    const at = 3 * used;
    // "+ 0" turns −0 into 0, so that the two zeros are one place.
    positions[at] = source[3 * i]! * unitMm + 0;
    positions[at + 1] = source[3 * i + 1]! * unitMm + 0;
    positions[at + 2] = source[3 * i + 2]! * unitMm + 0;
    const b = 2 * at;
    let slot =
      hash3(bits[b]! ^ bits[b + 1]!, bits[b + 2]! ^ bits[b + 3]!, bits[b + 4]! ^ bits[b + 5]!) & mask;
    for (;;) {
      const found = table[slot]!;
      if (found === EMPTY) {
        table[slot] = used;
        map[i] = used++;
        break;
      }
      const f = 3 * found;
      if (
        positions[f] === positions[at] &&
        positions[f + 1] === positions[at + 1] &&
        positions[f + 2] === positions[at + 2]
      ) {
        map[i] = found;
        break;
      }
      slot = (slot + 1) & mask;
    }
  }
  return { map, positions: positions.slice(0, 3 * used) };
}

/** Bits of −0, which is the same place as 0. */
const MINUS_ZERO = 0x80000000;

/** Round numbers end in zero bits, and neighbours differ in few: all bits of each must reach all of the sum. */
function mix(x: number, y: number, z: number): number {
  let h = Math.imul(x ^ (x >>> 15), 0x2c1b3c6d);
  h = Math.imul((h ^ (h >>> 13)) + y, 0x297a2d39);
  h = Math.imul((h ^ (h >>> 15)) + z, 0x1b873593);
  return h ^ (h >>> 14);
}

/** A table of so many places for the vertices that are kept. */
function placedAnew(bits: Uint32Array, kept: Uint32Array, size: number): Uint32Array<ArrayBuffer> {
  const table = new Uint32Array(size).fill(EMPTY);
  kept.forEach((at, n) => {
    let slot = mix(bits[at]!, bits[at + 1]!, bits[at + 2]!) & (size - 1);
    while (table[slot] !== EMPTY) slot = (slot + 1) & (size - 1);
    table[slot] = n;
  });
  return table;
}

/**
 * … of coordinates in single precision, by their own bits; −0 is made 0 in the source. The table begins at what a closed
 * surface needs, a sixth of its corners, and grows for others: most of the time goes into waiting for it. O(n).
 */
function weldSingles(source: Float32Array, unitMm: number): Weld {
  const bits = new Uint32Array(source.buffer, source.byteOffset, source.length);
  const count = source.length / 3;
  const map = new Uint32Array(count);
  /** Where each kept vertex begins in the source. */
  const kept = new Uint32Array(count);
  let table = new Uint32Array(tableSize(count / 6)).fill(EMPTY);
  let mask = table.length - 1;
  let used = 0;
  for (let i = 0; i < bits.length; i++) if (bits[i] === MINUS_ZERO) bits[i] = 0;
  for (let i = 0, at = 0; i < count; i++, at += 3) {
    const x = bits[at]!, y = bits[at + 1]!, z = bits[at + 2]!; // prettier-ignore
    let slot = mix(x, y, z) & mask;
    for (;;) {
      const found = table[slot]!;
      if (found === EMPTY) {
        table[slot] = used;
        kept[used] = at;
        map[i] = used++;
        if (4 * used > 3 * mask) {
          table = placedAnew(bits, kept.subarray(0, used), 2 * table.length);
          mask = table.length - 1;
        }
        break;
      }
      const f = kept[found]!;
      if (bits[f] === x && bits[f + 1] === y && bits[f + 2] === z) {
        map[i] = found;
        break;
      }
      slot = (slot + 1) & mask;
    }
  }
  const positions = new Float64Array(3 * used);
  for (let n = 0; n < used; n++)
    for (let k = 0; k < 3; k++) positions[3 * n + k] = source[kept[n]! + k]! * unitMm;
  return { map, positions };
}

const weldExact = (source: Float32Array | Float64Array, unitMm: number): Weld =>
  source instanceof Float32Array ? weldSingles(source, unitMm) : weldDoubles(source, unitMm);

/**
 * Joins vertices within `tolerance`: cells of that size, each vertex compared with the 27 cells round it
 * and joined to the first kept vertex found. O(n).
 */
function weldNear(source: Float64Array, tolerance: number): Weld {
  const count = source.length / 3;
  const map = new Uint32Array(count);
  const kept = new Float64Array(source.length);
  const mask = tableSize(count) - 1;
  const heads = new Uint32Array(mask + 1).fill(EMPTY);
  const next = new Uint32Array(count);
  let used = 0;
  const find = (x: number, y: number, z: number, cx: number, cy: number, cz: number): number => {
    for (let n = heads[hash3(cx, cy, cz) & mask]!; n !== EMPTY; n = next[n]!) {
      const dx = kept[3 * n]! - x;
      const dy = kept[3 * n + 1]! - y;
      const dz = kept[3 * n + 2]! - z;
      if (dx * dx + dy * dy + dz * dz <= tolerance * tolerance) return n;
    }
    return EMPTY;
  };
  for (let i = 0; i < count; i++) {
    const x = source[3 * i]!;
    const y = source[3 * i + 1]!;
    const z = source[3 * i + 2]!;
    const cx = Math.floor(x / tolerance);
    const cy = Math.floor(y / tolerance);
    const cz = Math.floor(z / tolerance);
    let found = EMPTY;
    for (let k = 0; k < 27 && found === EMPTY; k++) {
      found = find(x, y, z, cx + (k % 3) - 1, cy + (Math.floor(k / 3) % 3) - 1, cz + Math.floor(k / 9) - 1);
    }
    if (found === EMPTY) {
      found = used++;
      kept.set([x, y, z], 3 * found);
      const slot = hash3(cx, cy, cz) & mask;
      next[found] = heads[slot]!;
      heads[slot] = found;
    }
    map[i] = found;
  }
  return { map, positions: kept.slice(0, 3 * used) };
}

function remap(triangles: Uint32Array, map: Uint32Array): { kept: Uint32Array; dropped: number } {
  const kept = new Uint32Array(triangles.length);
  let length = 0;
  for (let t = 0; t < triangles.length; t += 3) {
    const a = map[triangles[t]!]!;
    const b = map[triangles[t + 1]!]!;
    const c = map[triangles[t + 2]!]!;
    if (a === b || b === c || c === a) continue;
    kept[length++] = a;
    kept[length++] = b;
    kept[length++] = c;
  }
  return { kept: kept.slice(0, length), dropped: (triangles.length - length) / 3 };
}

/** Joins equal vertices exactly and converts to mm. */
export function weldEqual(
  mesh: Pick<RawMesh, 'positions' | 'triangles'> & Partial<RawMesh>,
  unitMm: number,
): WeldedMesh {
  const { map, positions } = weldExact(mesh.positions, unitMm);
  const { kept, dropped } = remap(mesh.triangles, map);
  return { positions, triangles: kept, degenerateCount: dropped };
}

/** Joins what is nearer than WELD_SHARE_OF_DIAGONAL × diagonal; used where exact welding leaves open edges. */
export function weldWithin(mesh: WeldedMesh, diagonalMm: number): WeldedMesh {
  const { map, positions } = weldNear(mesh.positions, diagonalMm * WELD_SHARE_OF_DIAGONAL);
  const { kept, dropped } = remap(mesh.triangles, map);
  return { positions, triangles: kept, degenerateCount: mesh.degenerateCount + dropped };
}
