import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { InputError } from '../numeric';
import { layerCount, layerExposureS, platePlaces, printTime, resinUse, type PrintProfile } from './index';

const PROFILE: PrintProfile = {
  layerMm: 0.05,
  exposureS: 3,
  baseExposureS: 27,
  baseLayers: 5,
  transitionLayers: 0,
  motionS: 6,
};

describe('print time', () => {
  it('is layers × (exposure + motion) with the base layers longer', () => {
    const { layers, seconds } = printTime(20, PROFILE);
    expect(layers).toBe(400);
    expect(seconds).toBeCloseTo(400 * 9 + 5 * 24, 9);
  });
  it('is the sum over its layers, also where it ends among base or transition layers', () => {
    const layers = fc.integer({ min: 1, max: 60 });
    fc.assert(
      fc.property(layers, layers, fc.nat(20), (height, baseLayers, transitionLayers) => {
        const profile = { ...PROFILE, baseLayers, transitionLayers };
        const one = (n: number): number => profile.motionS + layerExposureS(n, profile);
        const all = Array.from({ length: height }, (_, n) => one(n)).reduce((sum, s) => sum + s, 0);
        expect(printTime(height * PROFILE.layerMm, profile).seconds).toBeCloseTo(all, 6);
      }),
    );
  });
  it('steps the transition layers evenly from base to normal', () => {
    const profile = { ...PROFILE, transitionLayers: 3 };
    expect([4, 5, 6, 7, 8].map((n) => layerExposureS(n, profile))).toEqual([27, 21, 15, 9, 3]);
    expect(printTime(20, profile).seconds).toBeCloseTo(400 * 9 + 5 * 24 + 18 + 12 + 6, 9);
  });
  it('gives a whole number of layers no extra one, and a part of one a whole one', () => {
    expect(layerCount(0.15, 0.05)).toBe(3);
    expect(layerCount(20.01, 0.05)).toBe(401);
    expect(layerCount(12.349999, 0.035)).toBe(353);
  });
  it('counts a part that is shorter than its base layers', () => {
    expect(printTime(0.1, PROFILE).seconds).toBeCloseTo(2 * 33, 9);
  });
  it('refuses heights and layers that are not there', () => {
    expect(() => printTime(0, PROFILE)).toThrow(InputError);
    expect(() => layerCount(10, Number.NaN)).toThrow(InputError);
  });
});

describe('resin and plate', () => {
  it('adds supports, raft and film', () => {
    const use = resinUse(2000, 1.1, 30, 1.5, 3);
    expect(use.totalMl).toBeCloseTo(2 * 1.3 + 4.5, 12);
    expect(use.totalG).toBeCloseTo(use.totalMl * 1.1, 12);
    expect(use.partsG + use.supportsG).toBeCloseTo(2.6 * 1.1, 12);
  });
  it('counts places in a grid, turning the part when that fits more', () => {
    expect(platePlaces([120, 68], [20, 20])).toBe(5 * 2);
    expect(platePlaces([30, 100], [24, 10])).toBe(1 * 7);
    expect(platePlaces([30, 100], [10, 24])).toBe(1 * 7);
    expect(platePlaces([30, 30], [40, 40])).toBe(0);
  });
});
