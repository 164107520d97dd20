import { HOUR_MS, seededRandom } from '@zero-pour/core';
import { describe, expect, it } from 'vitest';
import { trendOf } from './trend';

const days = (n: number): number => Date.UTC(2026, 0, 1) + 24 * n * HOUR_MS;

describe('a trend over pours', () => {
  it('is not told by few pours, nor by many of one day', () => {
    expect(trendOf([], true)).toEqual({ status: 'too few', n: 0 });
    expect(trendOf([1, 2, 3, 4, 5].map((n) => ({ x: days(n), y: n })), true).status).toBe('too few'); // prettier-ignore
    expect(trendOf([1, 2, 3, 4, 5, 6, 7].map((y) => ({ x: days(3), y })), true).status).toBe('too few'); // prettier-ignore
  });
  it('is told by 30 days, or by one of the other number', () => {
    const rising = [0, 10, 20, 30, 40, 50].map((n) => ({ x: days(n), y: 50 + n / 3 }));
    expect(trendOf(rising, true)).toMatchObject({ status: 'rises', n: 6 });
    expect((trendOf(rising, true) as { perStep: number }).perStep).toBeCloseTo(10, 9);
    const falling = [1, 2, 3, 4, 5, 6].map((x) => ({ x, y: 10 - 2 * x }));
    expect(trendOf(falling, false)).toMatchObject({ status: 'falls', perStep: 2 });
    expect(trendOf(falling.map(({ x }) => ({ x, y: 4 })), false).status).toBe('not told'); // prettier-ignore
  });
  it('is seldom seen where there is none, and seen where there is one', () => {
    const random = seededRandom(31);
    const noise = (): number => random.uniform() + random.uniform() + random.uniform() - 1.5;
    const seen = (slope: number): number => {
      let told = 0;
      for (let run = 0; run < 200; run++) {
        const points = Array.from({ length: 24 }, (_, x) => ({ x, y: slope * x + noise() }));
        if (trendOf(points, false).status !== 'not told') told++;
      }
      return told / 200;
    };
    expect(seen(0)).toBeLessThan(0.1);
    expect(seen(0.06)).toBeGreaterThan(0.9);
  });
});
