import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { InputError } from '../numeric';
import { measured } from '../testing/analysed';
import { textRuns } from './letters';
import { COUPON_EXTRAS, couponClass, layCoupon, usualCoupon, type CouponSpec } from './index';
import { box, meshOf, ROUND_AREA, type Primitive } from './primitives';

const count = (spec: CouponSpec, kind: string): number =>
  layCoupon(spec)
    .features.filter((f) => f.kind === kind)
    .reduce((sum, f) => sum + f.count, 0);

/** Extent of a primitive. */
function extent(solid: Primitive): { from: number[]; to: number[] } {
  const { positions } = meshOf(solid);
  const axis = (k: number) => [...positions].filter((_, i) => i % 3 === k);
  return { from: [0, 1, 2].map((k) => Math.min(...axis(k))), to: [0, 1, 2].map((k) => Math.max(...axis(k))) };
}

describe('primitives', () => {
  it.each([
    ['box', box([0, 0, 0], [1, 2, 3]), 6],
    ['pin', { kind: 'pin', centre: [1, 1], fromZ: 0, toZ: 2, diameterMm: 0.5 }, ROUND_AREA * 0.25 * 2],
    ['bore', { kind: 'bore', centre: [1, 1], fromY: -1, toY: 2, diameterMm: 0.4 }, ROUND_AREA * 0.16 * 3],
  ] as const)('%s is closed, outward, and has its volume', (_, solid, volume) => {
    const { positions, triangles } = meshOf(solid);
    const { measure } = measured({ positions: [...positions], triangles: [...triangles] });
    expect(measure.closed).toBe(true);
    expect(measure.reversed).toBe(false);
    expect(measure.volumeMm3).toBeCloseTo(volume, 5);
  });
  it('is nearly a circle', () => {
    expect(ROUND_AREA).toBeLessThan(Math.PI / 4);
    expect(ROUND_AREA).toBeGreaterThan(0.98 * (Math.PI / 4));
  });
});

describe('coupon', () => {
  it('carries the struts and slots that the trial will count, at the class’s size', () => {
    const spec = usualCoupon('3.7 S', ['filigree', 'heavy']);
    expect(count(spec, 'strut')).toBe(48);
    expect(count(spec, 'slot')).toBe(48);
    expect(layCoupon(spec).features.map((f) => f.sizeMm)).toEqual([0.25, 0.25, 0.6, 0.6]);
  });
  it('lets nothing stand beyond its raft or inside its neighbour', () => {
    fc.assert(
      fc.property(
        fc.record({
          featureMm: fc.double({ min: 0.1, max: 1, noNaN: true }),
          struts: fc.integer({ min: 1, max: 50 }),
          slots: fc.integer({ min: 1, max: 50 }),
        }),
        fc.subarray([...COUPON_EXTRAS]),
        (row, extras) => {
          const spec = {
            label: 'A1',
            classes: [{ castClass: 'standard' as const, ...row }],
            extras,
            raftMm: 0.8,
          };
          const { add, sizeMm, rafts } = layCoupon(spec);
          const standing = add.slice(rafts).map(extent);
          for (const { from, to } of standing) {
            for (const k of [0, 1, 2]) {
              expect(from[k]!).toBeGreaterThanOrEqual(-1e-4);
              expect(to[k]!).toBeLessThanOrEqual(sizeMm[k]! + 1e-4);
            }
          }
          const struts = standing.slice(0, row.struts);
          for (let i = 1; i < struts.length; i++) {
            const apart = [0, 1].some(
              (k) =>
                struts[i]!.from[k]! > struts[i - 1]!.to[k]! || struts[i]!.to[k]! < struts[i - 1]!.from[k]!,
            );
            expect(apart).toBe(true);
          }
        },
      ),
      { seed: 9, numRuns: 30 },
    );
  });
  it('is larger with more on it, by just what that takes', () => {
    const bare = layCoupon(usualCoupon('', ['standard']));
    const more = layCoupon({ ...usualCoupon('', ['standard']), extras: ['step wedge'] });
    expect(more.volumeMm3).toBeGreaterThan(bare.volumeMm3);
    expect(more.add.length).toBe(bare.add.length + 8 + (more.rafts - bare.rafts));
  });
  it('engraves its label, and nothing for letters it does not know', () => {
    expect(textRuns('1').reduce((sum, r) => sum + r.length, 0)).toBe(8);
    expect(textRuns('~')).toEqual([]);
    expect(textRuns('s')).toEqual(textRuns('S'));
    expect(layCoupon(usualCoupon('3.7 S')).cut.length).toBeGreaterThan(layCoupon(usualCoupon('')).cut.length);
  });
  it('refuses what cannot be made', () => {
    const row = couponClass('standard');
    for (const spec of [
      { ...usualCoupon('A'), classes: [] },
      { ...usualCoupon('A'), classes: [{ ...row, featureMm: 0.01 }] },
      { ...usualCoupon('A'), classes: [{ ...row, struts: 500 }] },
      { ...usualCoupon('A'), raftMm: 0 },
    ])
      expect(() => layCoupon(spec)).toThrow(InputError);
  });
});
