import { describe, expect, it } from 'vitest';
import { InputError, seededRandom } from '../numeric';
import { BOOK_YIELDS, howManyToPrint, withBook } from './index';

const SURE = { good: 5000, of: 5000 };

describe('how many to print', () => {
  it('is what is wanted when nothing ever fails', () => {
    expect(howManyToPrint(3, SURE, SURE)).toMatchObject({ print: 3, enough: true });
  });

  it('is the binomial when the yields are well known', () => {
    // p = 0.8 · 0.9 = 0.72: P(≥2 of 3) = 0.81, of 4 = 0.93.
    const prints = { good: 80_000, of: 100_000 };
    const casts = { good: 90_000, of: 100_000 };
    const found = howManyToPrint(2, prints, casts);
    expect(found.print).toBe(4);
    const exact = 1 - 0.28 ** 4 - 4 * 0.72 * 0.28 ** 3;
    expect(found.chance).toBeCloseTo(exact, 2);
  });

  it('is more the less is known, and the surer it must be', () => {
    const known = howManyToPrint(4, { good: 90, of: 100 }, { good: 90, of: 100 }).print;
    const few = howManyToPrint(4, { good: 9, of: 10 }, { good: 9, of: 10 }).print;
    const none = howManyToPrint(4, { good: 0, of: 0 }, { good: 0, of: 0 });
    expect(few).toBeGreaterThan(known);
    expect(none.print).toBeGreaterThan(few);
    expect(howManyToPrint(4, { good: 9, of: 10 }, { good: 9, of: 10 }, 0.97).print).toBeGreaterThan(few);
  });

  it('agrees with trying it out', () => {
    const { uniform } = seededRandom(11);
    const [prints, casts] = [{ good: 17, of: 20 }, { good: 14, of: 20 }]; // prettier-ignore
    const { print, chance } = howManyToPrint(3, prints, casts);
    // Beta(a, b) of whole a and b: the a-th smallest of a + b − 1 uniform numbers.
    const beta = (a: number, b: number): number =>
      Array.from({ length: a + b - 1 }, uniform).sort((x, y) => x - y)[a - 1]!;
    let enough = 0;
    const tries = 6000;
    for (let t = 0; t < tries; t++) {
      const p = beta(18, 4) * beta(15, 7);
      let good = 0;
      for (let i = 0; i < print; i++) if (uniform() < p) good++;
      if (good >= 3) enough++;
    }
    expect(enough / tries).toBeCloseTo(chance, 1);
    expect(chance).toBeGreaterThanOrEqual(0.9);
  });

  it('says when the most that is asked about is not enough', () => {
    expect(howManyToPrint(3, { good: 1, of: 20 }, { good: 1, of: 20 }, 0.9, 10)).toMatchObject({
      print: 10,
      enough: false,
    });
    expect(() => howManyToPrint(0, SURE, SURE)).toThrow(InputError);
    expect(() => howManyToPrint(2, { good: 3, of: 2 }, SURE)).toThrow(InputError);
  });
});

describe('the book’s yields', () => {
  it('stand in for what a new resin has not shown, and give way to what it shows', () => {
    const none = { good: 0, of: 0 };
    const { filigree } = BOOK_YIELDS;
    const untried = howManyToPrint(1, withBook(none, filigree.prints), withBook(none, filigree.casts));
    // Without the book a record of nothing would ask for dozens.
    expect(howManyToPrint(1, none, none).print).toBeGreaterThan(20);
    expect(untried.print).toBeLessThanOrEqual(4);
    expect(withBook({ good: 400, of: 500 }, 0.5).good / withBook({ good: 400, of: 500 }, 0.5).of).toBeCloseTo(
      0.8,
      1,
    );
  });
  it('never ask for more than one plate takes', () => {
    const poor = { good: 1, of: 20 };
    expect(howManyToPrint(3, poor, poor, undefined, 9)).toMatchObject({ print: 9, enough: false });
  });
});
