import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { InputError } from './inputError';
import { cholesky, invertSymmetric, solveCholesky } from './symmetric';

describe('symmetric matrices', () => {
  it('solves and inverts, whatever the matrix', () => {
    const entries = fc.array(fc.double({ min: -3, max: 3, noNaN: true }), { minLength: 16, maxLength: 16 });
    fc.assert(
      fc.property(entries, (a) => {
        // A·Aᵀ + 1 is positive definite.
        const m = Float64Array.from({ length: 16 }, (_, at) => {
          const [i, j] = [Math.floor(at / 4), at % 4];
          let sum = i === j ? 1 : 0;
          for (let k = 0; k < 4; k++) sum += a[4 * i + k]! * a[4 * j + k]!;
          return sum;
        });
        const x = [1, -2, 0.5, 3];
        const b = x.map((_, i) => x.reduce((sum, v, j) => sum + m[4 * i + j]! * v, 0));
        solveCholesky(cholesky(m, 4), b).forEach((v, i) => expect(v).toBeCloseTo(x[i]!, 6));
        const inverse = invertSymmetric(m, 4);
        for (let i = 0; i < 4; i++)
          for (let j = 0; j < 4; j++) {
            let sum = 0;
            for (let k = 0; k < 4; k++) sum += m[4 * i + k]! * inverse[4 * k + j]!;
            expect(sum).toBeCloseTo(i === j ? 1 : 0, 6);
          }
      }),
      { numRuns: 50, seed: 2 },
    );
  });

  it('refuses what is not positive definite', () => {
    expect(() => cholesky([1, 2, 2, 1], 2)).toThrow(InputError);
  });
});
