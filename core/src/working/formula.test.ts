import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { InputError } from '../numeric';
import { formula, Formula, joinFormula, sumFormula } from './index';

/** Of fixed text, without symbols. */
const worth = (text: string): number => new Formula([text], []).of({});

describe('a formula', () => {
  it.each([
    ['2 + 3 × 4', 14],
    ['(2 + 3) × 4', 20],
    ['10 − 4 − 3', 3],
    ['100 / 5 / 2', 10],
    ['2 × 3² + 1', 19],
    ['(1 + 1)³', 8],
    ['(1 + 1)(2 + 1)', 6],
    ['100 / ((1 + 1)(2 + 3))', 10],
    ['∛(27) + 1', 4],
    ['5 × round((517 + 590) / 10)', 555],
    ['round up(8.1 / 2)', 5],
    ['π/4 × 2²', Math.PI],
    ['the larger of 1.5 and 4 × 0.25', 1.5],
    ['the larger of 1.5 and 4 × 0.5', 2],
  ])('%s comes to %f', (text, value) => {
    expect(worth(text)).toBeCloseTo(value, 12);
  });

  it.each(['2 +', '(2 + 3', '2 3', '2 + x', '∛ 27', '2 ) 3', '', 'the larger of 2', '× 2', '2²³'])(
    'that is none, like “%s”, stops the program that wrote it',
    (text) => {
      expect(() => worth(text)).toThrow(/Formula/);
    },
  );

  it('is worked out of exactly what is shown', () => {
    const charge = formula`${'ρ'} × (${'P'} + ${'S'}) × (1 + ${'l'}/100)`;
    const inputs = { ρ: 10.4, P: 1.85, S: 0.9, l: 1 };
    expect(charge.of(inputs)).toBeCloseTo(10.4 * 2.75 * 1.01, 12);
    expect(charge.parts((symbol) => String(inputs[symbol])).join('')).toBe(
      '10.4 × (1.85 + 0.9) × (1 + 1/100)',
    );
    expect(worth(charge.parts((symbol) => String(inputs[symbol])).join(''))).toBe(charge.of(inputs));
  });

  it('says which input is no number, and when it comes to none', () => {
    const share = formula`${'a'} / ${'b'}`;
    expect(() => share.of({ a: 1, b: NaN })).toThrow(
      new InputError('b', 'a number from -Infinity to Infinity', NaN),
    );
    expect(() => share.of({ a: 1 } as { a: number; b: number })).toThrow(InputError);
    expect(() => share.of({ a: 1, b: 0 })).toThrow(/what it comes to/);
  });

  it('takes a symbol as often as it stands in it', () => {
    expect(formula`${'k'} × (1 − ${'k'})`.of({ k: 0.25 })).toBeCloseTo(0.1875, 12);
  });

  it('of any number of terms is their sum, and is read once', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: -1e6, max: 1e6, noNaN: true }), { minLength: 1, maxLength: 9 }),
        (terms) => {
          const symbols = terms.map((_, i) => `t${i}`);
          const sum = sumFormula(symbols);
          expect(sum.of(Object.fromEntries(terms.map((term, i) => [`t${i}`, term])))).toBeCloseTo(
            terms.reduce((total, term) => total + term, 0),
            6,
          );
          expect(sumFormula(symbols)).toBe(sum);
        },
      ),
    );
  });

  it('joins texts and symbols in a row', () => {
    const chain = joinFormula([
      '100 / (',
      ...['a', 'b'].flatMap((symbol) => ['(1 + ', { symbol }, '/100)']),
      ')',
    ]);
    expect(chain.of({ a: 25, b: 100 })).toBeCloseTo(40, 12);
  });
});
