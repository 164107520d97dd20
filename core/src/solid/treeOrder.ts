/** Triangles side by side in a leaf, and boxes side by side in a node. */
export const WIDTH = 8;

/** Middles of triangles times three, a list an axis; what is not a number counts as nothing. */
function middlesOf(positions: Float64Array, triangles: Uint32Array, which: Uint32Array): Float32Array[] {
  const middles = [0, 1, 2].map(() => new Float32Array(which.length));
  for (let n = 0; n < which.length; n++) {
    const t = 3 * which[n]!;
    const a = 3 * triangles[t]!, b = 3 * triangles[t + 1]!, c = 3 * triangles[t + 2]!; // prettier-ignore
    for (let k = 0; k < 3; k++)
      middles[k]![n] = positions[a + k]! + positions[b + k]! + positions[c + k]! || 0;
  }
  return middles;
}

/** Which axis the middles of a run are spread along the furthest. */
function longestAxis(middles: readonly Float32Array[], run: Uint32Array, from: number, end: number): number {
  let [best, most] = [0, -1];
  for (let k = 0; k < 3; k++) {
    const along = middles[k]!;
    let [low, high] = [Infinity, -Infinity];
    for (let n = from; n < end; n++) {
      const value = along[run[n]!]!;
      if (value < low) low = value;
      if (value > high) high = value;
    }
    if (high - low > most) [best, most] = [k, high - low];
  }
  return best;
}

/** Puts a run in such an order that none before `middle` lies further along than any from there on (quickselect, Hoare 1961). */
function partAt(run: Uint32Array, along: Float32Array, from: number, end: number, middle: number): void {
  let [low, high] = [from, end - 1];
  while (low < high) {
    const pivot = along[run[(low + high) >>> 1]!]!;
    let [i, j] = [low, high];
    while (i <= j) {
      while (along[run[i]!]! < pivot) i++;
      while (along[run[j]!]! > pivot) j--;
      if (i > j) break;
      const swapped = run[i]!;
      run[i++] = run[j]!;
      run[j--] = swapped;
    }
    if (middle <= j) high = j;
    else if (middle >= i) low = i;
    else return;
  }
}

/**
 * Triangles in such an order that each eight in a row lie close together, and each eight of those, and so on: halved across the longest
 * spread of their middles, at multiples of what a node of the level below holds. `which` limits them; all by default. O(n log n).
 */
export function treeOrder(positions: Float64Array, triangles: Uint32Array, which?: Uint32Array): Uint32Array {
  const held = which ?? Uint32Array.from({ length: triangles.length / 3 }, (_, n) => n);
  const middles = middlesOf(positions, triangles, held);
  const run = Uint32Array.from({ length: held.length }, (_, n) => n);
  const waiting: [number, number][] = [[0, run.length]];
  for (let next = waiting.pop(); next; next = waiting.pop()) {
    const [from, end] = next;
    if (end - from <= WIDTH) continue;
    let whole = WIDTH;
    while (whole * WIDTH < end - from) whole *= WIDTH;
    const middle = from + whole * Math.ceil((end - from) / whole / 2);
    partAt(run, middles[longestAxis(middles, run, from, end)]!, from, end, middle);
    waiting.push([from, middle], [middle, end]);
  }
  return run.map((n) => held[n]!);
}
