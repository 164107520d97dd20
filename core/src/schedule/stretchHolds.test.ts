import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { HOUR_MS, isWithin, stretchHolds, type Span, type StretchPart } from './index';

/** Zero at nine in the morning; the bench is open eight to eighteen on it and the five days before. Hours of zero's day from midnight. */
const ZERO = 9 * HOUR_MS;
const BENCH: Span[] = [-5, -4, -3, -2, -1, 0].map((day) => ({
  from: (24 * day + 8) * HOUR_MS,
  to: (24 * day + 18) * HOUR_MS,
}));
/** What comes of it: hands and kiln in all where somebody is there. */
function kept(parts: readonly StretchPart[], kilnBeforeH: number, more: readonly number[]): boolean {
  const after = (n: number): number => more.slice(n).reduce((sum, h) => sum + h, 0);
  const at = (beforeH: number, n: number): boolean => isWithin(BENCH, ZERO - (beforeH + after(n)) * HOUR_MS);
  return at(kilnBeforeH, 0) && parts.every(({ handsBeforeH }, n) => handsBeforeH.every((h) => at(h, n)));
}
const part = (mostMoreH: number, ...handsBeforeH: number[]): StretchPart => ({ handsBeforeH, mostMoreH });

describe('holds that are stretched until somebody is there', () => {
  it('are not where nothing is wrong', () => {
    // Kiln in at 17:00 the day before, 16 h before zero.
    expect(stretchHolds(ZERO, 16, [part(12, 15.5), part(0), part(12)], BENCH)).toEqual([0, 0, 0]);
  });
  it('bring a turn at night back into the evening, by as little as does it', () => {
    // Kiln in 17:00, the turn at 19:00: an hour later than anybody is there.
    const more = stretchHolds(ZERO, 16, [part(12, 14), part(12)], BENCH)!;
    expect(more.reduce((sum, h) => sum + h, 0)).toBeCloseTo(1, 9);
    expect(kept([part(12, 14), part(12)], 16, more)).toBe(true);
  });
  it('take a whole day more where a turn and the kiln would be apart too far', () => {
    expect(stretchHolds(ZERO, 24, [part(12, 14), part(12)], BENCH)).toEqual([0, 1]);
    // The turn eleven hours after kiln in: they are never on one day, and never on two in a row.
    expect(stretchHolds(ZERO, 25, [part(12, 14), part(2)], BENCH)).toBeUndefined();
  });
  it('are none where the pour itself falls at night, or nothing may be stretched', () => {
    expect(stretchHolds(ZERO - 4 * HOUR_MS, 16, [part(12)], BENCH)).toBeUndefined();
    expect(stretchHolds(ZERO, 16, [part(0, 14)], BENCH)).toBeUndefined();
  });
  it('are the least that trying everything finds, and within their bounds (property)', () => {
    const parts = fc.array(fc.record({ mostMoreH: fc.integer({ min: 0, max: 6 }).map((n) => n / 2), hand: fc.option(fc.integer({ min: 2, max: 60 }).map((n) => n / 4), { nil: undefined }) }), { minLength: 1, maxLength: 3 }); // prettier-ignore
    fc.assert(
      fc.property(parts, fc.integer({ min: 40, max: 90 }), (given, quarters) => {
        const of = given.map(({ mostMoreH, hand }) => part(mostMoreH, ...(hand === undefined ? [] : [hand])));
        const kilnBeforeH = quarters / 4;
        const found = stretchHolds(ZERO, kilnBeforeH, of, BENCH);
        const sum = (more: readonly number[]): number => more.reduce((a, b) => a + b, 0);
        let least = Infinity;
        const tryAll = (n: number, more: number[]): void => {
          if (n === of.length) {
            if (kept(of, kilnBeforeH, more)) least = Math.min(least, sum(more));
            return;
          }
          // Quarters of an hour: all hands here lie on them, and bench hours begin on them.
          for (let h = 0; h <= of[n]!.mostMoreH + 1e-9; h += 0.25) tryAll(n + 1, [...more, h]);
        };
        tryAll(0, []);
        expect(found === undefined).toBe(least === Infinity);
        if (!found) return;
        expect(kept(of, kilnBeforeH, found)).toBe(true);
        expect(sum(found)).toBeCloseTo(least, 9);
        found.forEach((h, n) => expect(h).toBeLessThanOrEqual(of[n]!.mostMoreH + 1e-9));
      }),
      { seed: 5, numRuns: 120 },
    );
  });
});
