import { describe, expect, it } from 'vitest';
import { InputError } from '../numeric';
import { box } from '../testing/solids';
import { NO_ROTATION, rotatePoints, rotationMatrix, standAsPrinted, stretchAsPrinted } from './index';

const POINTS = box([10, 6, 4]).positions;
const extent = (points: ArrayLike<number>, axis: number): number => {
  const values = Array.from(points).filter((_, i) => i % 3 === axis);
  return Math.max(...values) - Math.min(...values);
};

describe('stretching as printed', () => {
  it('is a plain scale when all axes are alike', () => {
    const scaled = stretchAsPrinted(POINTS, { xDeg: 30, yDeg: 10, zDeg: 5 }, [102, 102, 102]);
    scaled.forEach((v, i) => expect(v).toBeCloseTo(POINTS[i]! * 1.02, 12));
  });

  it('stretches the file’s own axes when it is printed as it lies', () => {
    const scaled = stretchAsPrinted(POINTS, NO_ROTATION, [101, 102, 103]);
    expect([0, 1, 2].map((k) => extent(scaled, k))).toEqual(
      [10.1, 6.12, 4.12].map((v) => expect.closeTo(v, 9)),
    );
  });

  it('stretches along the plate’s axes when it is printed stood up', () => {
    const rotation = { xDeg: 90, yDeg: 0, zDeg: 0 };
    const scaled = stretchAsPrinted(POINTS, rotation, [100, 100, 110]);
    // y of the file stands up.
    expect([0, 1, 2].map((k) => extent(scaled, k))).toEqual([10, 6.6, 4].map((v) => expect.closeTo(v, 9)));
    const asPrinted = rotatePoints(scaled, rotationMatrix(rotation));
    expect(extent(asPrinted, 2)).toBeCloseTo(6.6, 9);
  });

  it('stands the part on the plate, turned and scaled along the plate’s axes', () => {
    const rotation = { xDeg: 90, yDeg: 0, zDeg: 0 };
    const stood = standAsPrinted(POINTS, rotation, [100, 100, 110]);
    const heights = [...stood].filter((_, i) => i % 3 === 2);
    expect([Math.min(...heights), Math.max(...heights)]).toEqual([
      expect.closeTo(0, 9),
      expect.closeTo(6.6, 9),
    ]);
    expect([extent(stood, 0), extent(stood, 1)]).toEqual([expect.closeTo(10, 9), expect.closeTo(4, 9)]);
  });

  it('does not take a percent that is none', () => {
    expect(() => stretchAsPrinted(POINTS, NO_ROTATION, [100, 0, 100])).toThrow(InputError);
  });
});
