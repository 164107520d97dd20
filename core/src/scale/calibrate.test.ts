import { describe, expect, it } from 'vitest';
import reference from '../../reference/scale.json';
import { InputError, seededRandom, tBelow, tQuantile } from '../numeric';
import { bookPrior, calibrate, type SizePair } from './calibrate';

const { calibration } = reference;
const PAIRS: SizePair[] = calibration.nominal.map((nominalMm, i) => ({
  nominalMm,
  measuredMm: calibration.measured[i]!,
}));
const BOOK = bookPrior(-0.3, 0.8);

describe('calibration', () => {
  it('is plain least squares without the book, as computed independently', () => {
    const plain = calibrate(PAIRS, null);
    expect(plain.slope.value).toBeCloseTo(calibration.slope, 9);
    expect(plain.offsetMm.value).toBeCloseTo(calibration.intercept, 9);
    plain.slope.interval.forEach((end, i) => expect(end).toBeCloseTo(calibration.slope_ci95[i]!, 8));
    plain.offsetMm.interval.forEach((end, i) => expect(end).toBeCloseTo(calibration.intercept_ci95[i]!, 8));
    expect([plain.dof, plain.n]).toEqual([4, 6]);
  });
  it('is the book while nothing was measured', () => {
    const book = calibrate([], BOOK);
    expect(book.slope.value).toBeCloseTo(0.997, 12);
    expect(book.slope.se).toBeCloseTo(0.002, 12);
    expect([book.offsetMm.value, book.n, book.offsetSeparable]).toEqual([0, 0, false]);
  });
  it('is the shop when much was measured', () => {
    const many = Array.from({ length: 400 }, (_, i) => {
      const nominalMm = 1 + (i % 20);
      return {
        nominalMm,
        measuredMm: 0.985 * nominalMm + 0.04 + (Math.floor(i / 20) % 2 === 0 ? 0.01 : -0.01),
      };
    });
    const shop = calibrate(many, BOOK);
    expect(shop.slope.value).toBeCloseTo(0.985, 3);
    expect(shop.offsetMm.value).toBeCloseTo(0.04, 3);
    expect(shop.noiseSdMm).toBeCloseTo(0.01, 3);
  });
  it('moves from the book to the shop as pairs come in', () => {
    const errors = [0, 1, 2, 4, 6].map((n) =>
      Math.abs(calibrate(PAIRS.slice(6 - n), BOOK).slope.value - calibration.slope),
    );
    expect(errors[2]).toBeLessThan(errors[0]!);
    expect(errors[4]).toBeLessThan(errors[2]! / 1.5);
  });
  it('recovers noiseless sizes exactly', () => {
    const exact = [2, 5, 9, 14].map((nominalMm) => ({ nominalMm, measuredMm: 0.981 * nominalMm - 0.03 }));
    const { slope, offsetMm, residualsMm } = calibrate(exact, null);
    expect(slope.value).toBeCloseTo(0.981, 10);
    expect(offsetMm.value).toBeCloseTo(-0.03, 9);
    for (const residual of residualsMm) expect(Math.abs(residual)).toBeLessThan(1e-9);
  });
  it('says when slope and offset cannot be told apart', () => {
    const near = [10, 11, 12].map((nominalMm) => ({ nominalMm, measuredMm: nominalMm }));
    expect(calibrate(near, BOOK).offsetSeparable).toBe(false);
    expect(calibrate([...near, { nominalMm: 5, measuredMm: 5 }], BOOK).offsetSeparable).toBe(true);
  });
  it('points out a reading that does not belong, from six on', () => {
    const good = [2, 4, 6, 8, 10, 12, 14].map((nominalMm, i) => ({
      nominalMm,
      measuredMm: 0.99 * nominalMm + (i % 2 ? 0.01 : -0.01),
    }));
    expect(calibrate(good, BOOK).outliers).toEqual([]);
    const slipped = good.map((pair, i) => (i === 3 ? { ...pair, measuredMm: pair.measuredMm + 0.4 } : pair));
    expect(calibrate(slipped, BOOK).outliers).toEqual([3]);
    expect(calibrate(slipped.slice(0, 5), BOOK).outliers).toEqual([]);
  });
  it('covers the truth 95 times in 100, whatever the number of pairs', () => {
    const random = seededRandom(7);
    const trials = 3000;
    const inside = { slope: 0, offset: 0, size: 0 };
    for (let k = 0; k < trials; k++) {
      const slope = BOOK.slope + BOOK.slopeSd * random.normal();
      const offset = BOOK.offsetSdMm * random.normal();
      const n = k % 9;
      const pairs = Array.from({ length: n }, () => {
        const nominalMm = 1 + 19 * random.uniform();
        return { nominalMm, measuredMm: slope * nominalMm + offset + BOOK.noiseSdMm * random.normal() };
      });
      const found = calibrate(pairs, BOOK);
      const holds = ([low, high]: [number, number], truth: number): number =>
        Number(truth >= low && truth <= high);
      inside.slope += holds(found.slope.interval, slope);
      inside.offset += holds(found.offsetMm.interval, offset);
      inside.size += holds(found.sizeMm(12).interval, slope * 12 + offset);
    }
    for (const held of Object.values(inside)) {
      expect(held / trials).toBeGreaterThan(0.93);
      expect(held / trials).toBeLessThan(0.975);
    }
  });
  it('refuses sizes that are not there, and too few without the book', () => {
    expect(() => calibrate([{ nominalMm: 0, measuredMm: 1 }], BOOK)).toThrow(InputError);
    expect(() => calibrate(PAIRS.slice(0, 2), null)).toThrow(InputError);
    expect(() => calibrate([PAIRS[0]!, PAIRS[0]!, PAIRS[0]!], null)).toThrow(InputError);
  });
});

describe('Student’s t', () => {
  it('has the values of the tables', () => {
    for (const [dof, expected] of [
      [1, 12.7062],
      [4, 2.7764],
      [10, 2.2281],
      [30, 2.0423],
    ] as const)
      expect(tQuantile(0.975, dof)).toBeCloseTo(expected, 4);
    expect(tQuantile(0.5, 7)).toBeCloseTo(0, 6);
    expect(tBelow(-1.3, 6) + tBelow(1.3, 6)).toBeCloseTo(1, 12);
  });
});
