import { describe, expect, it } from 'vitest';
import reference from '../../reference/scale.json';
import { InputError } from '../numeric';
import { ROUTES } from '../brief';
import {
  flaskBand,
  investmentExpansionPercent,
  printsNegative,
  readRingSize,
  RING_SYSTEMS,
  ringDiameterMm,
  ringSizesNear,
  stagesOf,
  stepsUntil,
  WIDE_BAND_MM,
  wideBandAllowanceMm,
  type RingSystem,
} from './index';

describe('book', () => {
  it('lets the investment expand more the hotter the flask, without jumps', () => {
    expect([100, 250, 430, 600].map(investmentExpansionPercent)).toEqual([0.1, 0.5, 1, 1]);
    for (let t = 50; t < 600; t++) {
      expect(Math.abs(investmentExpansionPercent(t + 1) - investmentExpansionPercent(t))).toBeLessThan(0.01);
    }
  });

  it('knows the flasks that behave alike', () => {
    expect([20, 150, 250, 400, 600].map(flaskBand)).toEqual(['cool', 'cool', 'warm', 'hot', 'hot']);
  });

  it('counts the steps of each route up to where a size is measured', () => {
    expect(stepsUntil('burn out the print', 'finished')).toEqual(['resin', 'investment', 'metal']);
    expect(stepsUntil('burn out the print', 'cured')).toEqual(['resin']);
    expect(stepsUntil('wax from a rubber mold', 'wax')).toEqual(['resin', 'mold', 'wax']);
    expect(stepsUntil('wax from a printed mold', 'cast')).toEqual(['resin', 'wax', 'investment', 'metal']);
    expect(stepsUntil('wax from a silicone mold', 'printed')).toEqual([]);
    expect(stagesOf('burn out the print')).not.toContain('wax');
    expect(stagesOf('wax from a printed mold')).toContain('wax');
    expect(ROUTES.filter(printsNegative)).toEqual(['wax from a printed mold']);
  });
});

describe('ring sizes', () => {
  it.each(reference.ring)('$system $size is $diameter_mm mm', ({ system, size, diameter_mm }) => {
    expect(ringDiameterMm(system as RingSystem, String(size))).toBeCloseTo(diameter_mm, 9);
  });

  it('reads halves and sizes beyond Z', () => {
    expect(ringDiameterMm('UK', 'N½') * Math.PI).toBeCloseTo(53.75 + 0.625, 9);
    expect(ringDiameterMm('UK', 'Z+1') * Math.PI).toBeCloseTo(37.5 + 26 * 1.25, 9);
    expect(ringDiameterMm('US', '7½')).toBeCloseTo(11.63 + 0.8128 * 7.5, 9);
    expect(ringDiameterMm('US', '6,25')).toBeCloseTo(11.63 + 0.8128 * 6.25, 9);
  });

  it.each([
    ['UK', '7'],
    ['US', 'N'],
    ['UK', 'B+2'],
    ['ISO', ''],
    ['JP', '-20'],
    ['US', '99'],
  ] as const)('does not take %s “%s”', (system, size) => {
    expect(() => ringDiameterMm(system, size)).toThrow(InputError);
  });

  it('names the nearest size in every system, no further off than half a step', () => {
    for (let d = 13; d < 23; d += 0.137) {
      const names = ringSizesNear(d);
      expect(names.map((n) => n.system)).toEqual(['US', 'UK', 'ISO', 'CH', 'JP']);
      for (const { system, size, offMm } of names) {
        expect(Math.abs(offMm)).toBeLessThan(0.105);
        expect(ringDiameterMm(system, size.replace('−', '-'))).toBeCloseTo(d + offMm, 9);
      }
    }
  });

  it('round trips: the name of a size that the system has means that size again', () => {
    const sizes = { US: ['3', '6½', '7', '12¾'], UK: ['A', 'N', 'N½', 'Z+2'], ISO: ['44', '54', '67.5'], CH: ['4', '14', '25'], JP: ['1', '13', '30'] }; // prettier-ignore
    for (const system of RING_SYSTEMS) {
      for (const size of sizes[system]) {
        const named = ringSizesNear(ringDiameterMm(system, size)).find((n) => n.system === system)!;
        expect(named.size).toBe(size);
        expect(named.offMm).toBeCloseTo(0, 9);
      }
    }
  });

  it('opens wide bands, more the wider, and never beyond a quarter millimetre', () => {
    expect([2, WIDE_BAND_MM].map(wideBandAllowanceMm)).toEqual([0, 0]);
    expect(wideBandAllowanceMm(6.01)).toBeCloseTo(0.1, 3);
    expect(wideBandAllowanceMm(9)).toBeCloseTo(0.175, 9);
    expect([12, 30].map(wideBandAllowanceMm)).toEqual([0.25, 0.25]);
    expect(() => wideBandAllowanceMm(0)).toThrow(InputError);
  });

  it('reads what a ring stick says where a length is asked for', () => {
    expect(readRingSize('US 7')).toBeCloseTo(17.3196, 9);
    expect(readRingSize(' uk n½ ')).toBeCloseTo((53.75 + 0.625) / Math.PI, 9);
    for (const other of ['17.3', 'US', 'US x', 'EU 54', '7 US']) expect(readRingSize(other)).toBeUndefined();
  });
});
