type Direction = [number, number, number];

/** Eigenvectors of a symmetric 3 × 3 matrix by Jacobi's rotations, in no order. */
export function principalAxes(matrix: readonly (readonly number[])[]): Direction[] {
  const a = matrix.map((row) => [...row]);
  const vectors = [[1, 0, 0], [0, 1, 0], [0, 0, 1]]; // prettier-ignore
  for (let sweep = 0; sweep < 12; sweep++)
    for (const [i, j] of [
      [0, 1],
      [0, 2],
      [1, 2],
    ] as const) {
      // prettier-ignore
      if (Math.abs(a[i]![j]!) < 1e-12 * Math.abs(a[i]![i]! + a[j]![j]!)) continue;
      const turn = 0.5 * Math.atan2(2 * a[i]![j]!, a[i]![i]! - a[j]![j]!);
      const [c, s] = [Math.cos(turn), Math.sin(turn)];
      for (const row of a) [row[i], row[j]] = [c * row[i]! + s * row[j]!, c * row[j]! - s * row[i]!];
      for (let k = 0; k < 3; k++)
        [a[i]![k], a[j]![k]] = [c * a[i]![k]! + s * a[j]![k]!, c * a[j]![k]! - s * a[i]![k]!];
      for (let k = 0; k < 3; k++)
        [vectors[i]![k], vectors[j]![k]] = [
          c * vectors[i]![k]! + s * vectors[j]![k]!,
          c * vectors[j]![k]! - s * vectors[i]![k]!,
        ];
    }
  return vectors as Direction[];
}
