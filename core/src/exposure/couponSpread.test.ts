import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { InputError, seededRandom } from '../numeric';
import { learnSpread, USUAL_SPREAD, weighedCount } from './couponSpread';
import { passChance } from './edgePosterior';
import type { TuningTrial } from './trials';
import { tuneExposure } from './tune';

const N = 24;

/** Tunings of four coupons whose features go together as `rho` says: the beta's share by its order statistics. */
function tunings(count: number, rho: number, seed = 5): TuningTrial[][] {
  const { uniform: random, normal } = seededRandom(seed);
  /** Gamma of a shape by Marsaglia & Tsang (2000). */
  const gamma = (shape: number): number => {
    if (shape < 1) return gamma(shape + 1) * random() ** (1 / shape);
    const d = shape - 1 / 3;
    for (;;) {
      const x = normal();
      const v = (1 + x / Math.sqrt(9 * d)) ** 3;
      if (v > 0 && Math.log(1 - random()) < x ** 2 / 2 + d - d * v + d * Math.log(v)) return d * v;
    }
  };
  const draw = (p: number): number => {
    const size = rho > 0 ? (1 - rho) / rho : 0;
    const [a, b] = rho > 0 ? [gamma(p * size), gamma((1 - p) * size)] : [p, 1 - p];
    const share = a + b > 0 ? a / (a + b) : p;
    return Array.from({ length: N }, () => Number(random() < share)).reduce((x, y) => x + y, 0);
  };
  return Array.from({ length: count }, () =>
    [2.6, 3, 3.5, 4.2].map((exposureS) => ({
      exposureS,
      struts: { good: draw(passChance('lower', Math.log(exposureS), Math.log(2.8), 0.12)), of: N },
      slots: { good: draw(passChance('upper', Math.log(exposureS), Math.log(4), 0.12)), of: N },
    })),
  );
}

describe('the spread between coupons', () => {
  it('is what is usual before there is any, and one coupon says nothing', () => {
    expect(USUAL_SPREAD.coupons).toBe(0);
    expect(USUAL_SPREAD.rho).toBeGreaterThan(0.015);
    expect(USUAL_SPREAD.rho).toBeLessThan(0.05);
    expect(learnSpread([tunings(1, 0)[0]!.slice(0, 1)])).toEqual(USUAL_SPREAD);
    const words = tunings(1, 0)[0]!.map((t) => ({ ...t, struts: { good: 5.1, of: 6 }, slots: { good: 0, of: 0 } })); // prettier-ignore
    expect(learnSpread([words]).coupons).toBe(0);
  });
  it('is learnt from a shop’s own tunings, whether there is any or none', () => {
    expect(learnSpread(tunings(12, 0)).rho).toBeLessThan(0.012);
    expect(learnSpread(tunings(12, 0)).coupons).toBe(48);
    const much = learnSpread(tunings(12, 0.2)).rho;
    expect(much).toBeGreaterThan(0.12);
    expect(much).toBeLessThan(0.28);
    const some = learnSpread(tunings(12, 0.1)).rho;
    expect(some).toBeGreaterThan(0.05);
    expect(some).toBeLessThan(0.16);
  });
  it('moves little by a few coupons', () => {
    expect(Math.abs(learnSpread(tunings(1, 0)).rho - USUAL_SPREAD.rho)).toBeLessThan(0.02);
  });
});

describe('a weighed count', () => {
  it('keeps its share, and is never more than it was', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 40 }),
        fc.double({ min: 0, max: 0.9, noNaN: true }),
        (of, rho) => {
          const { good, of: weighed } = weighedCount({ good: of / 2, of }, rho);
          expect(good / weighed).toBeCloseTo(0.5, 12);
          expect(weighed).toBeLessThanOrEqual(of + 1e-12);
          expect(weighed).toBeGreaterThanOrEqual(1 - 1e-12);
        },
      ),
    );
    expect(weighedCount({ good: 24, of: 24 }, 0.1).of).toBeCloseTo(24 / 3.3, 12);
  });
  it('refuses what is no correlation', () => {
    for (const rho of [-0.1, 1, NaN]) expect(() => weighedCount({ good: 1, of: 2 }, rho)).toThrow(InputError);
  });
  it('makes the same coupons promise less', () => {
    const trials = tunings(1, 0, 9)[0]!.slice(1, 3);
    const settable = { leastS: 0.3, mostS: 40, stepS: 0.1 };
    const at = (rho: number) =>
      tuneExposure({ startS: 3, trials, settable, coupon: { struts: N, slots: N }, rho });
    expect(at(0.2).edges.lower.mu.length).toBeGreaterThan(0);
    const width = (rho: number): number => {
      const { q05S, q95S } = at(rho).recommended.lowerEdge;
      return q95S / q05S;
    };
    expect(width(0.2)).toBeGreaterThan(width(0.05));
    expect(width(0.05)).toBeGreaterThan(width(0));
  });
});
