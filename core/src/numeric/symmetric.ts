import { InputError } from './inputError';

/** Lower Cholesky factor L of a symmetric positive definite matrix (row-major, n × n): A = L·Lᵀ. */
export function cholesky(matrix: ArrayLike<number>, n: number): Float64Array {
  const lower = new Float64Array(n * n);
  for (let i = 0; i < n; i++) {
    for (let j = 0; j <= i; j++) {
      let sum = matrix[i * n + j]!;
      for (let k = 0; k < j; k++) sum -= lower[i * n + k]! * lower[j * n + k]!;
      if (i !== j) lower[i * n + j] = sum / lower[j * n + j]!;
      else if (sum > 0) lower[i * n + i] = Math.sqrt(sum);
      else throw new InputError('matrix', 'a positive definite one', sum);
    }
  }
  return lower;
}

/** Solves A·x = b for a symmetric positive definite A given by its factor. */
export function solveCholesky(lower: Float64Array, b: ArrayLike<number>): Float64Array {
  const n = b.length;
  const x = Float64Array.from(b);
  for (let i = 0; i < n; i++) {
    for (let k = 0; k < i; k++) x[i]! -= lower[i * n + k]! * x[k]!;
    x[i]! /= lower[i * n + i]!;
  }
  for (let i = n - 1; i >= 0; i--) {
    for (let k = i + 1; k < n; k++) x[i]! -= lower[k * n + i]! * x[k]!;
    x[i]! /= lower[i * n + i]!;
  }
  return x;
}

/** Inverse of a symmetric positive definite matrix. O(n³). */
export function invertSymmetric(matrix: ArrayLike<number>, n: number): Float64Array {
  const lower = cholesky(matrix, n);
  const inverse = new Float64Array(n * n);
  for (let column = 0; column < n; column++) {
    const unit = new Float64Array(n);
    unit[column] = 1;
    const solved = solveCholesky(lower, unit);
    for (let row = 0; row < n; row++) inverse[row * n + column] = solved[row]!;
  }
  return inverse;
}
