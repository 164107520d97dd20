import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { windowMin } from './windowMin';

describe('windowMin', () => {
  it('is the least of each window, by trying all', () => {
    fc.assert(
      fc.property(
        fc.array(fc.oneof(fc.integer({ min: 0, max: 50 }), fc.constant(Infinity)), {
          minLength: 1,
          maxLength: 30,
        }),
        fc.array(fc.tuple(fc.integer({ min: 0, max: 30 }), fc.integer({ min: -1, max: 30 })), {
          maxLength: 20,
        }),
        (values, raw) => {
          const lo = Int32Array.from(raw.map(([a]) => a)).sort();
          const hi = Int32Array.from(raw.map(([, b]) => b)).sort();
          const found = windowMin(Float64Array.from(values), lo, hi);
          lo.forEach((from, q) => {
            const window = values.slice(from, hi[q]! + 1);
            expect(found.values[q]).toBe(Math.min(Infinity, ...window));
            if (found.at[q]! >= 0) expect(values[found.at[q]!]).toBe(found.values[q]);
          });
        },
      ),
    );
  });
});
