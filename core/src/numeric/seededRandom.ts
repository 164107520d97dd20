/** Numbers between 0 and 1, and standard normal ones, the same each time (Park & Miller 1988; Box & Muller 1958). */
export function seededRandom(seed: number): { uniform: () => number; normal: () => number } {
  let state = seed;
  const uniform = (): number => (state = (state * 48271) % 2147483647) / 2147483647;
  return {
    uniform,
    normal: () => Math.sqrt(-2 * Math.log(uniform())) * Math.cos(2 * Math.PI * uniform()),
  };
}
