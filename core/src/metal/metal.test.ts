import { describe, expect, it } from 'vitest';
import reference from '../../reference/metal.json';
import { GRAMS_PER_DWT, GRAMS_PER_OZT, InputError } from '../numeric';
import {
  alloyDensity,
  BOOK_ALLOYS,
  buttonVolumeCm3,
  chargeByVolume,
  ELEMENT_DENSITIES,
  NEW_METAL,
  REUSED_METAL,
  volumeOfWeighedPrint,
} from './index';

describe('density', () => {
  it.each(Object.entries(reference.alloys))('of %s', (_, { composition, density }) => {
    expect(alloyDensity(composition)).toBeCloseTo(density, 9);
  });
  it('lies between those of the metals in it', () => {
    for (const { composition, name } of BOOK_ALLOYS) {
      const parts = Object.keys(composition).map(
        (e) => ELEMENT_DENSITIES[e as keyof typeof ELEMENT_DENSITIES],
      );
      const density = alloyDensity(composition);
      expect(density, name).toBeGreaterThanOrEqual(Math.min(...parts) - 1e-9);
      expect(density, name).toBeLessThanOrEqual(Math.max(...parts) + 1e-9);
    }
  });
  it('refuses shares that do not sum to one', () => {
    expect(() => alloyDensity({ Ag: 0.5, Cu: 0.3 })).toThrow(InputError);
  });
});

describe('measured densities of the book', () => {
  it.each([
    ['Silicon bronze', 8.45, 4, 6],
    ['Yellow brass 70/30', 8.53, 1, 3],
  ] as const)('%s is %d, which the mixing rule misses by %d to %d %%', (name, density, least, most) => {
    const alloy = BOOK_ALLOYS.find((a) => a.name === name)!;
    expect(alloy.densityGPerCm3).toBe(density);
    const off = 100 * Math.abs(alloyDensity(alloy.composition) / density - 1);
    expect(off).toBeGreaterThan(least);
    expect(off).toBeLessThan(most);
  });
});

describe('the book’s alloys', () => {
  it.each(BOOK_ALLOYS.map((a) => [a.name, a] as const))('%s is in order', (_, alloy) => {
    expect(alloy.solidusC).toBeLessThanOrEqual(alloy.liquidusC);
    for (const row of ['filigree', 'standard', 'heavy'] as const) {
      expect(alloy.flask[row].lowC).toBeLessThan(alloy.flask[row].highC);
      expect(alloy.metal[row].lowC).toBeGreaterThan(alloy.liquidusC);
      expect(alloy.flask[row].highC).toBeLessThan(alloy.solidusC);
    }
    expect(alloy.flask.filigree.lowC).toBeGreaterThanOrEqual(alloy.flask.heavy.highC);
  });
});

describe('charge', () => {
  it('agrees with the worked example', () => {
    const { charge } = reference;
    const result = chargeByVolume(
      { patternsCm3: charge.patterns_cm3, spruesCm3: charge.sprue_cm3, buttonCm3: charge.button_cm3 },
      charge.density,
      charge.loss * 100,
    );
    expect(result.totalG).toBeCloseTo(charge.charge_g, 9);
    expect(result.patternsG + result.spruesG + result.buttonG).toBeCloseTo(result.totalG, 9);
  });
  it('comes out alike by volume and by the weighed print', () => {
    expect(volumeOfWeighedPrint(1.85 * 1.1, 1.1)).toBeCloseTo(1.85, 12);
  });
  it('keeps the button at a quarter of the tree at least', () => {
    expect(buttonVolumeCm3(0.2, 3, 1)).toBe(1);
    expect(buttonVolumeCm3(1.6, 3, 1)).toBe(1.6);
  });
  it('splits without losing metal, and troy units are exact', () => {
    const [newG, reusedG] = [NEW_METAL, REUSED_METAL].map((of) => of.of({ M: 47.6, n: 30 })) as [
      number,
      number,
    ];
    expect(newG + reusedG).toBeCloseTo(47.6, 12);
    expect([GRAMS_PER_OZT, GRAMS_PER_DWT]).toEqual([31.1034768, 1.55517384]);
  });
  it.each([Number.NaN, -1, Infinity])('refuses a volume of %s', (bad) => {
    expect(() => chargeByVolume({ patternsCm3: bad, spruesCm3: 0, buttonCm3: 0 }, 10, 1)).toThrow(InputError);
  });
});
