import type { MetalLot } from '@zero-pour/contracts';
import { describe, expect, it } from 'vitest';
import {
  alloyed,
  fillFrom,
  lotStockG,
  meltsAfter,
  newLot,
  sharesOf,
  withMove,
  withoutMove,
} from './lotMoves';

const STERLING = { id: 'a', name: 'Sterling silver', composition: { Ag: 0.925, Cu: 0.075 } };
const NOW = new Date('2026-11-26T09:00:00Z');
const lotOf = (name: string, massG: number, melts = 0): MetalLot =>
  withMove(newLot(STERLING, { id: name, name, melts }), { what: 'bought', massG }, NOW);

describe('a lot of metal', () => {
  it('weighs what went in less what went out', () => {
    const lot = withMove(lotOf('grain', 500), { what: 'poured', massG: -42.404, pour: 3 }, NOW);
    expect(lotStockG(lot)).toBeCloseTo(457.6, 9);
    expect(lot.moves.at(-1)).toMatchObject({ massG: -42.4, pour: 3 });
  });
  it('has each move of a pour once, however often it is booked', () => {
    const once = withMove(lotOf('grain', 100), { key: 'p/f1', what: 'poured', massG: -40 }, NOW);
    const again = withMove(once, { key: 'p/f1', what: 'poured', massG: -41 }, NOW);
    expect(lotStockG(again)).toBe(59);
    expect(lotStockG(withoutMove(again, 'p/f1'))).toBe(100);
  });
});

describe('a charge out of lots', () => {
  const lots = [lotOf('grain', 300), lotOf('buttons', 20, 2), lotOf('older', 10, 4)];
  const asked = (chargeG: number, percent: number) => Object.fromEntries(fillFrom(lots, chargeG, percent).map(({ key, massG }) => [key, massG])); // prettier-ignore
  it('takes the share of new metal that the shop does, the oldest of the reused first', () => {
    expect(asked(40, 50)).toEqual({ older: 10, buttons: 10, grain: 20 });
    expect(asked(10, 40)).toEqual({ older: 6, grain: 4 });
  });
  it('takes new metal for reused that is not there, and the other way round', () => {
    expect(asked(100, 50)).toEqual({ older: 10, buttons: 20, grain: 70 });
    const short = fillFrom([lotOf('grain', 5), lotOf('buttons', 60, 1)], 40, 50);
    expect(short).toEqual([
      { key: 'buttons', massG: 35 },
      { key: 'grain', massG: 5 },
    ]);
  });
  it('adds up to the charge, or to all that there is', () => {
    for (const chargeG of [33.337, 63.7, 0.05, 129.99]) {
      const sum = fillFrom(lots, chargeG, 47).reduce((all, { massG }) => all + massG, 0);
      expect(sum).toBeCloseTo(Math.round(100 * chargeG) / 100, 9);
    }
    expect(fillFrom(lots, 1000, 50).reduce((all, { massG }) => all + massG, 0)).toBeCloseTo(330, 9);
    expect(fillFrom([], 10, 50)).toEqual([]);
  });
  it('counts lots that are still there', () => {
    const shares = sharesOf(lots, [
      { key: 'buttons', massG: 5 },
      { key: 'gone', massG: 9 },
      { key: 'grain', massG: 0 },
    ]);
    expect(shares.map(({ lot, massG }) => [lot.name, massG])).toEqual([['buttons', 5]]);
    expect(meltsAfter(shares)).toBe(3);
    expect(meltsAfter([])).toBe(1);
  });
});

describe('an alloy made of lots', () => {
  it('moves metal, and loses none', () => {
    const lots = [lotOf('fine', 100), lotOf('copper', 50, 1)];
    const made = { status: 'exact', grams: [37, 3], composition: STERLING.composition, off: [] } as const;
    const after = alloyed(lots, { ...made, grams: [37, 3], off: [] }, STERLING, NOW);
    expect(after.map((lot) => lotStockG(lot))).toEqual([63, 47, 40]);
    expect(after.at(-1)).toMatchObject({
      origin: 'alloyed here',
      melts: 2,
      composition: STERLING.composition,
    });
    expect(after.reduce((sum, lot) => sum + lotStockG(lot), 0)).toBe(150);
    expect(after.at(-1)).toMatchObject({ alloyId: 'a', name: 'Sterling silver, alloyed here' });
  });
  it('does not get the name of an alloy that it is not', () => {
    const off = [{ element: 'Ag' as const, permille: -40 }];
    const composition = { Ag: 0.885, Cu: 0.115 };
    const after = alloyed(
      [lotOf('low', 50)],
      { status: 'nearest', grams: [20], composition, off },
      STERLING,
      NOW,
    );
    expect(after.at(-1)).toMatchObject({
      alloyId: null,
      name: 'Alloyed here, not Sterling silver',
      composition,
    });
  });
});
