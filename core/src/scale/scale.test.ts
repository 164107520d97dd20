import { describe, expect, it } from 'vitest';
import reference from '../../reference/scale.json';
import { InputError } from '../numeric';
import {
  investmentExpansionPercent,
  ringDiameterMm,
  ringSizesNear,
  scaleOfSteps,
  sizeToPrint,
  type RingSystem,
} from './index';

const STEPS = [-0.3, 1.0, -1.9];

describe('size to print', () => {
  it('agrees with the worked bore', () => {
    const result = sizeToPrint({
      finishedMm: 17.35,
      surface: 'inner',
      stepPercents: STEPS,
      skinMm: 0.05,
      printAddsMm: 0.02,
    });
    expect(result.product).toBeCloseTo(reference.chain.product, 10);
    expect(result.printMm).toBeCloseTo(reference.chain.print_size_mm, 9);
  });

  it('agrees with the worked outer size', () => {
    const result = sizeToPrint({
      finishedMm: 20,
      surface: 'outer',
      stepPercents: STEPS,
      skinMm: 0.05,
      printAddsMm: 0.02,
    });
    expect(result.printMm).toBeCloseTo(20.3275, 4);
    expect(result.scalePercent).toBeCloseTo(101.6375, 3);
  });

  it('undoes itself: the printed size, run through the steps, finishes at the wanted one', () => {
    for (const surface of ['outer', 'inner'] as const) {
      const sign = surface === 'outer' ? 1 : -1;
      const { printMm, product } = sizeToPrint({
        finishedMm: 9,
        surface,
        stepPercents: STEPS,
        skinMm: 0.1,
        printAddsMm: 0.03,
      });
      expect((printMm + sign * 0.03) * product - sign * 0.2).toBeCloseTo(9, 10);
    }
  });

  it('makes up for the steps alone when no size is held', () => {
    expect(scaleOfSteps(STEPS)).toBeCloseTo(100 / reference.chain.product, 9);
    expect(scaleOfSteps([])).toBe(100);
  });

  it('refuses sizes that finishing would use up', () => {
    expect(() =>
      sizeToPrint({ finishedMm: 0.05, surface: 'outer', stepPercents: [], skinMm: 0.05, printAddsMm: 0 }),
    ).toThrow(InputError);
    expect(() =>
      sizeToPrint({ finishedMm: Number.NaN, surface: 'outer', stepPercents: [], skinMm: 0, printAddsMm: 0 }),
    ).toThrow(InputError);
  });

  it('lets the investment expand more the hotter the flask, without jumps', () => {
    expect([100, 250, 430, 600].map(investmentExpansionPercent)).toEqual([0.1, 0.5, 1, 1]);
    for (let t = 50; t < 600; t++) {
      expect(Math.abs(investmentExpansionPercent(t + 1) - investmentExpansionPercent(t))).toBeLessThan(0.01);
    }
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
});
