/** Turns about the gate that are tried, degrees. */
export const SPINS_DEG = [0, 45, 90, 135, 180, 225, 270, 315] as const;

/**
 * The least value from `from` to `to` that is clear, to `step`, where all beyond one that is clear are so too; undefined where `to`
 * is not. What comes back was tried: it is clear, whether or not that holds in between.
 */
export function leastClear(
  from: number,
  to: number,
  step: number,
  clear: (value: number) => boolean,
): number | undefined {
  if (from > to || !clear(to)) return undefined;
  if (clear(from)) return from;
  let [low, high] = [from, to];
  while (high - low > step) {
    const middle = (low + high) / 2;
    if (clear(middle)) high = middle;
    else low = middle;
  }
  return high;
}
