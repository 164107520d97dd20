import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { InputError } from '../numeric';
import {
  alloyTo,
  BOOK_ALLOYS,
  finenessOf,
  judgeLots,
  judgeStock,
  mixLots,
  SOURCES_MOST,
  stockG,
  type Composition,
} from './index';

const bookOf = (name: string): Composition => BOOK_ALLOYS.find((a) => a.name === name)!.composition;
const STERLING = bookOf('Sterling silver');

describe('the stock of a lot', () => {
  it('adds up to the hundredth of a gram over any sequence of metal bought, poured and returned', () => {
    const grams = fc.integer({ min: 1, max: 500_000 });
    fc.assert(
      fc.property(fc.array(fc.tuple(grams, fc.boolean()), { maxLength: 400 }), (steps) => {
        // Whole hundredths, so that what it should be is exact.
        const [a, b] = [[] as { massG: number }[], [] as { massG: number }[]];
        let [inA, inB, lost] = [0, 0, 0];
        for (const [hundredths, returned] of steps) {
          if (returned) {
            // Poured from A, all but a hundredth part comes back into B.
            const back = Math.floor(hundredths * 0.99);
            a.push({ massG: -hundredths / 100 });
            b.push({ massG: back / 100 });
            inA -= hundredths;
            inB += back;
            lost += hundredths - back;
          } else {
            a.push({ massG: hundredths / 100 });
            inA += hundredths;
          }
        }
        expect(Math.round(100 * stockG(a))).toBe(inA);
        expect(Math.round(100 * stockG(b))).toBe(inB);
        const bought = steps.filter(([, back]) => !back).reduce((sum, [g]) => sum + g, 0);
        expect(Math.round(100 * (stockG(a) + stockG(b))) + lost).toBe(bought);
      }),
      { seed: 4, numRuns: 200 },
    );
  });
});

describe('lots in one charge', () => {
  it('keep every metal, and are as new as their new part and as old as their oldest', () => {
    const mixed = mixLots([
      { massG: 30, composition: STERLING, melts: 0 },
      { massG: 10, composition: { Ag: 0.9, Cu: 0.1 }, melts: 3 },
      { massG: 0, composition: { Cu: 1 }, melts: 9 },
    ]);
    expect(mixed.composition.Ag! * 40).toBeCloseTo(30 * 0.925 + 9, 9);
    expect(mixed).toMatchObject({ massG: 40, newPercent: 75, melts: 3 });
    expect(() => mixLots([])).toThrow(InputError);
  });
  it('are judged by mass, fineness and age', () => {
    const rules = (share: { massG: number; composition: Composition; melts: number }): string[] =>
      judgeLots(mixLots([share]), { chargeG: 40, composition: STERLING, alloyName: 'Sterling' }).map(({ rule, weight }) => `${rule} ${weight}`); // prettier-ignore
    expect(rules({ massG: 40, composition: STERLING, melts: 1 })).toEqual(['lots fineness ok']);
    expect(rules({ massG: 39, composition: STERLING, melts: 1 })).toEqual([
      'lots mass fix',
      'lots fineness ok',
    ]);
    expect(rules({ massG: 42, composition: STERLING, melts: 6 })).toEqual([
      'lots mass watch',
      'lots fineness ok',
      'lots melts watch',
    ]);
    expect(rules({ massG: 40, composition: { Ag: 0.92, Cu: 0.08 }, melts: 1 })).toEqual([
      'lots fineness stop',
    ]);
    expect(rules({ massG: 40, composition: { Ag: 0.96, Cu: 0.04 }, melts: 1 })).toEqual([
      'lots fineness watch',
    ]);
  });
  it('are not weighed out beyond what they hold', () => {
    expect(judgeStock('grain', 12.004, 12)).toEqual([]);
    expect(judgeStock('grain', 12.01, 12)).toMatchObject([{ weight: 'fix', lead: 'More than lies there.' }]);
    expect(judgeStock('grain', 1, -3)).toHaveLength(1);
  });
  it('of base metal have no fineness', () => {
    expect(finenessOf(bookOf('Silicon bronze'))).toBeUndefined();
    expect(finenessOf(bookOf('9 ct yellow gold'))!.of).toBe('Au');
    expect(finenessOf(STERLING)).toEqual({ of: 'Ag', permille: 925 });
  });
});

describe('alloying', () => {
  const most = 1e4;
  it('raises a karat with fine gold, and lowers it with master alloy, as the closed forms say', () => {
    const [low, high] = [
      { Au: 0.585, Ag: 0.2, Cu: 0.215 },
      { Au: 0.75, Ag: 0.2 * (0.25 / 0.415), Cu: 0.215 * (0.25 / 0.415) },
    ];
    // 100 g of 14 ct want x of fine gold: x = m (0.75 − 0.585) / (1 − 0.75).
    const fine = (100 * (0.75 - 0.585)) / (1 - 0.75);
    const up = alloyTo(high, 100 + fine, [
      { composition: low, mostG: 100 },
      { composition: { Au: 1 }, mostG: most },
    ]);
    expect(up).toMatchObject({ status: 'exact', off: [] });
    if (up.status === 'short') return;
    expect(up.grams[0]).toBeCloseTo(100, 6);
    expect(up.grams[1]).toBeCloseTo(fine, 6);
    const master = { Ag: 0.2 / 0.415, Cu: 0.215 / 0.415 };
    const down = alloyTo(low, 128.205128, [
      { composition: high, mostG: most },
      { composition: master, mostG: most },
    ]);
    if (down.status === 'short') return;
    expect(down.grams[1]! / down.grams[0]!).toBeCloseTo((0.75 - 0.585) / 0.585, 5);
  });
  it('is no worse than any mix that was tried at random, and keeps mass and bounds', () => {
    const share = fc.double({ min: 0, max: 1, noNaN: true });
    const composition = fc.tuple(share, share, share).map(([a, b, c]): Composition => {
      const sum = a + b + c + 1e-6;
      return { Au: (a + 1e-6) / sum, Ag: b / sum, Cu: c / sum };
    });
    const source = fc.record({ composition, mostG: fc.double({ min: 5, max: 60, noNaN: true }) });
    const order = fc.tuple(
      composition,
      fc.array(source, { minLength: 1, maxLength: 4 }),
      fc.array(share, { minLength: 4, maxLength: 4 }),
      fc.double({ min: 0.1, max: 1, noNaN: true }),
    );
    fc.assert(
      fc.property(order, ([target, sources, tries, part]) => {
        const all = sources.reduce((sum, s) => sum + s.mostG, 0);
        const massG = part * all;
        const found = alloyTo(target, massG, sources);
        expect(found.status).not.toBe('short');
        if (found.status === 'short') return;
        expect(found.grams.reduce((sum, g) => sum + g, 0)).toBeCloseTo(massG, 4);
        found.grams.forEach((g, n) => {
          expect(g).toBeGreaterThanOrEqual(0);
          expect(g).toBeLessThanOrEqual(sources[n]!.mostG + 1e-6);
        });
        const missOf = (grams: readonly number[]): number =>
          (['Au', 'Ag', 'Cu'] as const).reduce((sum, e) => {
            const got = sources.reduce((s, one, n) => s + (one.composition[e] ?? 0) * grams[n]!, 0);
            return sum + ((e === 'Cu' ? 1 : 20) * (got - massG * (target[e] ?? 0))) ** 2;
          }, 0);
        // Any other mix of that mass: each source by a random part of what is left.
        const other = sources.map(() => 0);
        let left = massG;
        for (let round = 0; round < 40 && left > 1e-9; round++)
          sources.forEach((s, n) => {
            const more = Math.min(s.mostG - other[n]!, left * (round > 30 ? 1 : tries[n % 4]!));
            other[n]! += more;
            left -= more;
          });
        if (left < 1e-6) expect(missOf(found.grams)).toBeLessThanOrEqual(missOf(other) + 1e-3);
      }),
      { seed: 9, numRuns: 150 },
    );
  });
  it('says what is short, and how far the nearest is off', () => {
    expect(alloyTo(STERLING, 50, [{ composition: STERLING, mostG: 30 }])).toEqual({
      status: 'short',
      shortG: 20,
    });
    const near = alloyTo(STERLING, 10, [{ composition: { Ag: 0.8, Cu: 0.2 }, mostG: 50 }]);
    expect(near).toMatchObject({ status: 'nearest', grams: [expect.closeTo(10, 6)] });
    if (near.status === 'nearest') expect(near.off.map(({ element }) => element)).toEqual(['Ag', 'Cu']);
  });
  it('refuses no mass, and more sources than it weighs', () => {
    expect(() => alloyTo(STERLING, 0, [{ composition: STERLING, mostG: 3 }])).toThrow(InputError);
    const many = Array.from({ length: SOURCES_MOST + 1 }, () => ({ composition: STERLING, mostG: 3 }));
    expect(() => alloyTo(STERLING, 5, many)).toThrow(InputError);
  });
});
