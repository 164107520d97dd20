import { measureBounds } from '../mesh';

/** Spreads ten bits so that two zeros stand between each. */
function spread(n: number): number {
  let v = n & 0x3ff;
  v = (v | (v << 16)) & 0x030000ff;
  v = (v | (v << 8)) & 0x0300f00f;
  v = (v | (v << 4)) & 0x030c30c3;
  return (v | (v << 2)) & 0x09249249;
}

const DIGIT_BITS = 11;
const DIGITS = 1 << DIGIT_BITS;

/** Sorts keys (30 bits) and what belongs to them, least significant digit first; three stable passes. */
function radixSort(keys: Uint32Array<ArrayBuffer>, values: Uint32Array<ArrayBuffer>): Uint32Array {
  let [fromKeys, fromValues] = [keys, values];
  let [toKeys, toValues] = [new Uint32Array(keys.length), new Uint32Array(keys.length)];
  for (let shift = 0; shift < 30; shift += DIGIT_BITS) {
    const starts = new Uint32Array(DIGITS + 1);
    for (let i = 0; i < fromKeys.length; i++) starts[((fromKeys[i]! >>> shift) & (DIGITS - 1)) + 1]!++;
    for (let d = 0; d < DIGITS; d++) starts[d + 1]! += starts[d]!;
    for (let i = 0; i < fromKeys.length; i++) {
      const at = starts[(fromKeys[i]! >>> shift) & (DIGITS - 1)]!++;
      toKeys[at] = fromKeys[i]!;
      toValues[at] = fromValues[i]!;
    }
    [fromKeys, fromValues, toKeys, toValues] = [toKeys, toValues, fromKeys, fromValues];
  }
  return fromValues;
}

/**
 * Triangles in the order of their centroids along the Morton curve on a 1024³ grid: neighbours in the result
 * are mostly neighbours in space. `which` limits them; all by default. O(n).
 */
export function mortonOrder(
  positions: Float64Array,
  triangles: Uint32Array,
  which?: Uint32Array,
): Uint32Array {
  const count = which?.length ?? triangles.length / 3;
  const { min, max } = measureBounds(positions);
  const scale = [0, 1, 2].map((k) => 1023 / Math.max(3 * (max[k]! - min[k]!), Number.MIN_VALUE));
  const [sx, sy, sz] = scale as [number, number, number];
  const [ox, oy, oz] = [3 * min[0], 3 * min[1], 3 * min[2]];
  const keys = new Uint32Array(count);
  const order = new Uint32Array(count);
  for (let n = 0; n < count; n++) {
    const t = which ? which[n]! : n;
    const a = 3 * triangles[3 * t]!, b = 3 * triangles[3 * t + 1]!, c = 3 * triangles[3 * t + 2]!; // prettier-ignore
    const x = (positions[a]! + positions[b]! + positions[c]! - ox) * sx;
    const y = (positions[a + 1]! + positions[b + 1]! + positions[c + 1]! - oy) * sy;
    const z = (positions[a + 2]! + positions[b + 2]! + positions[c + 2]! - oz) * sz;
    keys[n] = spread(x) | (spread(y) << 1) | (spread(z) << 2);
    order[n] = t;
  }
  return radixSort(keys, order);
}
