import { describe, expect, it } from 'vitest';
import { InputError } from '../numeric';
import type { TuningTrial } from './trials';
import { edgesOf, tuneExposure } from './tune';
import { edgePosterior, expectedPass, passChance, type EdgeCount, type EdgeSide } from './edgePosterior';
import { edgeQuantilesS } from './edgeQuantiles';

const counts = (side: EdgeSide, halfS: number, at: readonly number[]): EdgeCount[] =>
  at.map((exposureS) => ({
    exposureS,
    good: Math.round(24 * passChance(side, Math.log(exposureS), Math.log(halfS), 0.12)),
    of: 24,
  }));

describe('a starting figure that is far off', () => {
  it.each([
    [30, 3, [2.5, 3.2, 4]],
    [0.5, 10, [8, 10, 12]],
    [3, 3, [2.5, 3.2, 4]],
  ])('of %s s finds an edge near %s s where it is', (startS, halfS, at) => {
    const edge = edgePosterior('lower', startS, counts('lower', halfS, at));
    const [low, middle, high] = edgeQuantilesS(edge, [0.05, 0.5, 0.95]) as [number, number, number];
    // The edge proper is where nine tenths pass.
    const truth = halfS * Math.exp(0.12 * Math.log(9));
    expect(low).toBeLessThan(truth);
    expect(high).toBeGreaterThan(truth);
    expect(middle / truth).toBeCloseTo(1, 0);
    expect(Math.abs(expectedPass(edge, halfS) - 0.49)).toBeLessThan(0.08);
  });
  it('stays as wide as it is believed before any coupon', () => {
    const [low, high] = edgeQuantilesS(edgePosterior('upper', 30, []), [0.05, 0.95]) as [number, number];
    expect(high / low).toBeGreaterThan(3);
  });
  it('refuses more that came out than were made', () => {
    for (const good of [25, -1, Number.NaN])
      expect(() => edgePosterior('lower', 3, [{ exposureS: 3, good, of: 24 }])).toThrow(InputError);
  });
});

describe('a resin that prints at an eighth of what was told, or at eight times', () => {
  const settable = { leastS: 0.3, mostS: 60, stepS: 0.1 };
  const coupon = { struts: 24, slots: 24 };
  const seen = (side: EdgeSide, halfS: number, exposureS: number) => counts(side, halfS, [exposureS])[0]!;
  it.each([
    [24, 2.6, 5.4],
    [0.5, 4.4, 9.2],
    [3, 2.6, 5.4],
  ])('told %s s, edges at %s and %s s: it is found, and not given up', (startS, lowerS, upperS) => {
    const trials: TuningTrial[] = [];
    for (let n = 0; n < 8; n++) {
      const { next, verdict, recommended } = tuneExposure({ startS, trials, settable, coupon });
      expect(verdict.kind).not.toBe('not this resin');
      if (verdict.kind !== 'next coupon') {
        expect(recommended.exposureS).toBeGreaterThan(lowerS);
        expect(recommended.exposureS).toBeLessThan(upperS);
        return;
      }
      const { exposureS } = next;
      trials.push({
        exposureS,
        struts: seen('lower', lowerS, exposureS),
        slots: seen('upper', upperS, exposureS),
      });
    }
    throw new Error('eight coupons did not settle it');
  });
  it('leaves the told figure alone while the counts do not speak against it', () => {
    const near: TuningTrial = { exposureS: 3, struts: seen('lower', 2.4, 3), slots: seen('upper', 5, 3) };
    expect(edgesOf(3, [near]).lower).toEqual(edgePosterior('lower', 3, [{ ...near.struts, exposureS: 3 }]));
  });
});
