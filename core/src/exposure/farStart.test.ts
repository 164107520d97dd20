import { describe, expect, it } from 'vitest';
import { InputError } from '../numeric';
import {
  edgePosterior,
  edgeQuantilesS,
  expectedPass,
  passChance,
  type EdgeCount,
  type EdgeSide,
} from './edgePosterior';

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
