import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { groupSpots, sparseSpots, type Spot } from './spots';

const CELL = 0.05;
const line = (sizeMm: number, from: number, count: number): Spot[] =>
  Array.from({ length: count }, (_, n) => ({ at: [from + 0.1 * n, 0, 0], sizeMm }));
const all = () => true;

describe('stretches of thin places', () => {
  it('are as narrow as a place of some size, not as one spot', () => {
    const wall = line(0.4, 0, 12);
    const speck: Spot = { at: [0.55, 0.02, 0], sizeMm: 0.03 };
    const [region, ...others] = groupSpots([...wall, speck], CELL, all);
    expect(others).toEqual([]);
    expect(region!.leastMm).toBe(0.4);
    expect(region!.spots).toBe(13);
    // A stretch of its own keeps its size.
    expect(groupSpots([...wall, ...line(0.03, 20, 6)], CELL, all).map((r) => r.leastMm)).toEqual([0.03, 0.4]);
  });
  it('leave a lone spot out, and come narrowest first', () => {
    expect(groupSpots(line(0.05, 0, 1), CELL, all)).toEqual([]);
    const found = groupSpots([...line(0.5, 0, 8), ...line(0.2, 30, 8), ...line(0.9, 60, 8)], CELL, all);
    expect(found.map((r) => r.leastMm)).toEqual([0.2, 0.5, 0.9]);
  });
  it('are the same however the spots are listed', () => {
    const spots = [...line(0.5, 0, 8), ...line(0.2, 30, 8), ...line(0.3, 0.4, 3)];
    fc.assert(
      fc.property(fc.shuffledSubarray(spots, { minLength: spots.length }), (shuffled) => {
        const told = (of: readonly Spot[]) =>
          groupSpots(of, CELL, all).map((r) => [r.leastMm, r.mostMm, r.spots]);
        expect(told(shuffled)).toEqual(told(spots));
      }),
    );
  });
});

describe('few spots of a wide wall', () => {
  it('hold it together, and keep the narrowest of each place', () => {
    const wall = Array.from({ length: 60 * 40 }, (_, n): Spot => ({
      at: [0.05 * (n % 60), 0.05 * Math.floor(n / 60), 0],
      sizeMm: 0.3 + 0.001 * ((n * 7) % 5),
    })).sort((a, b) => a.sizeMm - b.sizeMm);
    const few = sparseSpots(wall, CELL, 1000);
    expect(few.length).toBeLessThan(wall.length / 4);
    expect(few[0]!.sizeMm).toBe(0.3);
    const regions = groupSpots(few, CELL, all);
    expect(regions).toHaveLength(1);
    expect(regions[0]!.lengthMm).toBeGreaterThan(3);
  });
  it('are never more than wanted', () => {
    expect(sparseSpots(line(0.1, 0, 500), CELL, 20)).toHaveLength(20);
    expect(sparseSpots([], CELL, 20)).toEqual([]);
  });
});
