import { describe, expect, it } from 'vitest';
import { evenDirection } from './index';

describe('directions over the sphere', () => {
  it('are of length one, lean to no side, and none lies near another', () => {
    const all = Array.from({ length: 200 }, (_, n) => evenDirection(n, 200));
    for (const d of all) expect(Math.hypot(...d)).toBeCloseTo(1, 12);
    for (let k = 0; k < 3; k++)
      expect(Math.abs(all.reduce((sum, d) => sum + d[k]!, 0)) / 200).toBeLessThan(0.01);
    const nearest = all.map((a, n) =>
      Math.max(...all.filter((_, m) => m !== n).map((b) => a[0] * b[0] + a[1] * b[1] + a[2] * b[2])),
    );
    // 200 even caps are some 8° across.
    for (const cos of nearest) expect(Math.acos(cos)).toBeGreaterThan((5 * Math.PI) / 180);
  });
});
