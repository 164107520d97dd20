import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import reference from '../../reference/statistics.json';
import {
  betaBelow,
  betterChance,
  estimateShare,
  fitLine,
  InputError,
  lineSe,
  lnGamma,
  seededRandom,
} from './index';

describe('share from counts', () => {
  it('agrees with the independent interval', () => {
    const { good, n } = reference.a;
    const share = estimateShare(good, n, 0.9);
    expect(share.low).toBeCloseTo(reference.beta_interval_90_a[0]!, 9);
    expect(share.high).toBeCloseTo(reference.beta_interval_90_a[1]!, 9);
    expect(share.mean).toBeCloseTo((good + 1) / (n + 2), 12);
  });
  it('covers as often as it says, over all shares', () => {
    // Exact: of every count its chance under each share on a fine grid; on average over the shares that is the level itself.
    const shares = Array.from({ length: 400 }, (_, i) => (i + 0.5) / 400);
    for (const n of [1, 5, 20]) {
      const choose = [1];
      for (let k = 1; k <= n; k++) choose.push((choose[k - 1]! * (n - k + 1)) / k);
      let covered = 0;
      for (let k = 0; k <= n; k++) {
        const { low, high } = estimateShare(k, n, 0.9);
        for (const p of shares)
          if (p >= low && p <= high) covered += (choose[k]! * p ** k * (1 - p) ** (n - k)) / shares.length;
      }
      expect(covered).toBeGreaterThan(0.885);
      expect(covered).toBeLessThan(0.915);
    }
  });
  it('knows nothing from nothing', () => {
    const share = estimateShare(0, 0, 0.9);
    expect(share.low).toBeCloseTo(0.05, 9);
    expect(share.high).toBeCloseTo(0.95, 9);
  });
  it('is a mirror image for what failed', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 60 }), fc.integer({ min: 0, max: 60 }), (good, bad) => {
        const [a, b] = [estimateShare(good, good + bad), estimateShare(bad, good + bad)];
        expect(a.low).toBeCloseTo(1 - b.high, 9);
        expect(a.low).toBeLessThan(a.mean);
        expect(a.high).toBeGreaterThan(a.mean);
      }),
      { seed: 3, numRuns: 40 },
    );
  });
  it('refuses more good than all', () => {
    expect(() => estimateShare(5, 4)).toThrow(InputError);
  });
  it('has the closed forms of the beta distribution', () => {
    expect(betaBelow(0.3, 1, 1)).toBeCloseTo(0.3, 12);
    expect(betaBelow(0.3, 3, 1)).toBeCloseTo(0.027, 12);
    expect(betaBelow(0.3, 1, 4)).toBeCloseTo(1 - 0.7 ** 4, 12);
    expect(betaBelow(0, 2, 2)).toBe(0);
    expect(betaBelow(1, 2, 2)).toBe(1);
  });
  it('has the factorials in its gamma function', () => {
    for (const [n, factorial] of [
      [1, 1],
      [5, 24],
      [11, 3628800],
    ] as const)
      expect(lnGamma(n)).toBeCloseTo(Math.log(factorial), 10);
    expect(lnGamma(0.5)).toBeCloseTo(Math.log(Math.sqrt(Math.PI)), 10);
  });
});

describe('line', () => {
  it('is met exactly by points on it', () => {
    const line = fitLine([1, 2, 5].map((x) => ({ x, y: 3 - 2 * x })));
    expect(line.slope).toBeCloseTo(-2, 12);
    expect(line.intercept).toBeCloseTo(3, 12);
    expect(line.r2).toBeCloseTo(1, 12);
    expect(line.slopeSe).toBeLessThan(1e-6);
  });
  it('has the textbook errors', () => {
    // x 0..3, residuals ±1: s² = 4/2, Sxx = 5.
    const line = fitLine([1, -1, -1, 1].map((residual, x) => ({ x, y: residual })));
    expect(line.slope).toBeCloseTo(0, 12);
    expect(line.residualSd).toBeCloseTo(Math.SQRT2, 12);
    expect(line.slopeSe).toBeCloseTo(Math.sqrt(2 / 5), 12);
    expect(lineSe(line, 1.5)).toBeCloseTo(Math.sqrt(2 / 4), 12);
  });
  it('refuses two points, or one place', () => {
    expect(() =>
      fitLine([
        { x: 1, y: 1 },
        { x: 2, y: 2 },
      ]),
    ).toThrow(InputError);
    expect(() => fitLine([1, 2, 3].map((y) => ({ x: 4, y })))).toThrow(InputError);
  });
});

describe('whether one share is better than another', () => {
  it('agrees with the number worked out independently', () => {
    expect(betterChance(reference.a, reference.b)).toBeCloseTo(reference.p_b_better, 12);
  });

  it('is even where nothing was counted or both are alike, and the two ways round make one', () => {
    expect(betterChance({ good: 0, n: 0 }, { good: 0, n: 0 })).toBeCloseTo(0.5, 12);
    expect(betterChance({ good: 7, n: 12 }, { good: 7, n: 12 })).toBeCloseTo(0.5, 12);
    const { uniform } = seededRandom(5);
    for (let i = 0; i < 60; i++) {
      const counted = () => {
        const n = Math.floor(60 * uniform());
        return { good: Math.floor((n + 1) * uniform()), n };
      };
      const [a, b] = [counted(), counted()];
      expect(betterChance(a, b) + betterChance(b, a)).toBeCloseTo(1, 9);
      // Where it is sure as far as numbers go, one more changes nothing.
      expect(betterChance(a, { good: b.good + 1, n: b.n + 1 })).toBeGreaterThanOrEqual(betterChance(a, b));
    }
  });

  it('refuses half pieces, and more good ones than there are', () => {
    expect(() => betterChance({ good: 1.5, n: 2 }, { good: 1, n: 2 })).toThrow(InputError);
    expect(() => betterChance({ good: 3, n: 2 }, { good: 1, n: 2 })).toThrow(InputError);
  });

  it('intervals hold the true share as often as they say, drawn from the belief that they begin with', () => {
    const { uniform } = seededRandom(9);
    let held = 0;
    const tries = 3000;
    for (let i = 0; i < tries; i++) {
      const share = uniform();
      const n = 1 + Math.floor(25 * uniform());
      const good = Array.from({ length: n }, () => uniform() < share).filter(Boolean).length;
      const { low, high } = estimateShare(good, n);
      if (share >= low && share <= high) held++;
    }
    expect(held / tries).toBeGreaterThan(0.88);
    expect(held / tries).toBeLessThan(0.92);
  });
});
