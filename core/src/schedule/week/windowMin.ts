/** The least of a stretch of values, and where it stands; −1 where nothing of it is finite. */
export interface WindowMin {
  values: Float64Array;
  at: Int32Array;
}

/**
 * For each query its least value in [lo, hi], both of which never fall from one query to the next; empty where hi < lo. O(values + queries).
 */
export function windowMin(values: Float64Array, lo: Int32Array, hi: Int32Array): WindowMin {
  const n = lo.length;
  const out = { values: new Float64Array(n).fill(Infinity), at: new Int32Array(n).fill(-1) };
  // Indices whose values rise from head to tail: the head is the least of what is in the window.
  const queue = new Int32Array(values.length);
  let [head, tail, next] = [0, 0, 0];
  for (let q = 0; q < n; q++) {
    const last = Math.min(hi[q]!, values.length - 1);
    for (; next <= last; next++) {
      const value = values[next]!;
      if (value === Infinity) continue;
      while (tail > head && values[queue[tail - 1]!]! >= value) tail--;
      queue[tail++] = next;
    }
    while (head < tail && queue[head]! < lo[q]!) head++;
    // What came in for a later end than this one's is behind it in the queue, never at its head alone: ends do not fall.
    if (head < tail && queue[head]! <= last) {
      out.values[q] = values[queue[head]!]!;
      out.at[q] = queue[head]!;
    }
  }
  return out;
}
