import { describe, expect, it } from 'vitest';
import { BOOK_ALLOYS, priceOfAlloy } from './index';

describe('what a gram of an alloy is worth', () => {
  it('is its metals by their shares', () => {
    expect(priceOfAlloy({ Ag: 0.925, Cu: 0.075 }, { Ag: 1.2, Cu: 0.01 })).toEqual({
      perG: 0.925 * 1.2 + 0.075 * 0.01,
      unpriced: [],
    });
  });
  it('names metals without a price, and counts them as nothing', () => {
    expect(priceOfAlloy({ Au: 0.75, Ag: 0.125, Cu: 0.125 }, { Au: 100 })).toEqual({
      perG: 75,
      unpriced: ['Ag', 'Cu'],
    });
  });
  it('is not told where nothing is priced, or the composition is not known', () => {
    expect(priceOfAlloy({ Ag: 1 }, { Au: 100 })).toBeUndefined();
    expect(priceOfAlloy({}, { Au: 100 })).toBeUndefined();
  });
  it('lies between the cheapest and the dearest of its metals, for every alloy of the book', () => {
    const prices = {
      Au: 100,
      Ag: 1.2,
      Cu: 0.01,
      Zn: 0.003,
      Si: 0.002,
      Sn: 0.03,
      Al: 0.0025,
      Sb: 0.01,
      Ni: 0.016,
    };
    for (const { composition, name } of BOOK_ALLOYS) {
      const own = Object.keys(composition).map((e) => prices[e as keyof typeof prices]);
      const { perG, unpriced } = priceOfAlloy(composition, prices)!;
      expect(unpriced, name).toEqual([]);
      expect(perG, name).toBeLessThanOrEqual(Math.max(...own) * 1.006);
      expect(perG, name).toBeGreaterThanOrEqual(Math.min(...own) * 0.994);
    }
  });
});
