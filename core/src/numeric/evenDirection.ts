/** The n-th of so many directions spread evenly over the sphere, by the golden angle. Unit vector. */
export function evenDirection(n: number, count: number): [number, number, number] {
  const z = 1 - (2 * n + 1) / count;
  const [r, turn] = [Math.sqrt(1 - z * z), n * Math.PI * (3 - Math.sqrt(5))];
  return [r * Math.cos(turn), r * Math.sin(turn), z];
}
