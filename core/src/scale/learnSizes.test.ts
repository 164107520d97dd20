import { describe, expect, it } from 'vitest';
import reference from '../../reference/scale.json';
import { InputError, seededRandom } from '../numeric';
import { directPath, step } from '../testing/sizePaths';
import { calibrate } from './calibrate';
import { BOOK_SIZES, learnSizes, type SizeEvidence } from './learnSizes';
import { NO_SHIFTS, productOf, sizeAfter, sizeToPrint, slopesOf, type SizePath } from './sizePath';

describe('path of a size', () => {
  it('agrees with the worked bore', () => {
    const path = directPath('inner');
    expect(productOf(path)).toBeCloseTo(reference.chain.product, 10);
    expect(sizeToPrint(path, 17.35)).toBeCloseTo(reference.chain.print_size_mm, 9);
  });

  it('agrees with the worked outer size', () => {
    expect(sizeToPrint(directPath('outer'), 20)).toBeCloseTo(20.3275, 4);
  });

  it('undoes itself: the printed size, run through the steps, finishes at the wanted one', () => {
    for (const surface of ['outer', 'inner'] as const) {
      const path = directPath(surface);
      const shifts = (key: string): number => (key === 'metal' ? 0.2 : key === 'adds' ? 0.01 : 0);
      expect(sizeAfter(path, sizeToPrint(path, 9, shifts), shifts)).toBeCloseTo(9, 10);
    }
  });

  it('turns the sign of fixed amounts between metal and hole, and not of shares', () => {
    const [outer, inner] = [directPath('outer'), directPath('inner')];
    const plain = { ...outer, adds: [], takes: [] };
    const middle = sizeAfter(plain, 10);
    expect(sizeAfter(outer, 10) + sizeAfter(inner, 10)).toBeCloseTo(2 * middle, 10);
    expect(sizeAfter(outer, 10)).toBeLessThan(middle);
  });

  it('knows how the size moves with each step, by differences', () => {
    const path = directPath('outer', {
      changes: [{ ...step('resin', -0.3), share: 0.4 }, step('metal', -1.9)],
    });
    for (const { key, slope } of slopesOf(path, 12)) {
      const at = (d: number): number => sizeAfter(path, 12, (k) => (k === key ? d : 0));
      expect((at(1e-4) - at(-1e-4)) / 2e-4).toBeCloseTo(slope, 6);
    }
  });

  it('refuses sizes that finishing would use up, and steps that cannot be', () => {
    expect(() => sizeToPrint(directPath('inner'), 0.05)).toThrow(InputError);
    expect(() => sizeToPrint(directPath('outer'), Number.NaN)).toThrow(InputError);
    expect(() => productOf({ changes: [step('x', -60)], adds: [], takes: [] })).toThrow(InputError);
  });
});

/** One step and an offset: what the handbook's rule knows. */
const ONE: SizePath = {
  changes: [step('s', -0.3, 0.2)],
  adds: [],
  takes: [{ key: 'b', mm: 0, sdMm: 0.05, times: -1 }],
};
const evidence = (path: SizePath, pairs: [number, number][], group = 'cured'): SizeEvidence[] =>
  pairs.map(([printMm, measuredMm]) => ({ path, printMm, measuredMm, group }));

describe('what the shop measured', () => {
  it('is the handbook’s one rule when there is one step at one stage', () => {
    const { nominal, measured } = reference.calibration;
    for (const n of [1, 2, 3, 6]) {
      const pairs = nominal.slice(-n).map((m, i): [number, number] => [m, measured.slice(-n)[i]!]);
      const rule = calibrate(
        pairs.map(([nominalMm, measuredMm]) => ({ nominalMm, measuredMm })),
        { slope: 0.997, slopeSd: 0.002, offsetSdMm: 0.05, noiseSdMm: 0.03, noiseDof: 4 },
      );
      const learnt = learnSizes(evidence(ONE, pairs));
      expect(1 + (-0.3 + learnt.shifts('s')) / 100).toBeCloseTo(rule.slope.value, 8);
      expect(learnt.shifts('b')).toBeCloseTo(rule.offsetMm.value, 8);
      expect(learnt.sdOf('s', 1) / 100).toBeCloseTo(rule.slope.se, 8);
      expect(learnt.noiseOf('cured')).toBeCloseTo(rule.noiseSdMm, 8);
      const [own, other] = [learnt.sizeAfter(ONE, 10), rule.sizeMm(10)];
      expect(own.interval[0]).toBeCloseTo(other.interval[0], 5);
      expect(own.interval[1]).toBeCloseTo(other.interval[1], 5);
    }
  });

  it('is the book while nothing was measured', () => {
    const path = directPath('outer');
    const book = BOOK_SIZES.sizeAfter(path, 20);
    expect(book.value).toBeCloseTo(sizeAfter(path, 20), 12);
    const variance = slopesOf(path, 20).reduce((total, { slope, sd }) => total + (slope * sd) ** 2, 0);
    expect(book.se).toBeCloseTo(Math.sqrt(variance), 12);
    expect((book.interval[1] - book.value) / book.se).toBeCloseTo(1.96, 2);
    expect([BOOK_SIZES.shifts('metal'), BOOK_SIZES.countOf('metal')]).toEqual([0, 0]);
    expect(BOOK_SIZES.sizeAfter(path, 20, 'cast').se).toBeCloseTo(Math.hypot(book.se, 0.03), 9);
  });

  it('recovers steps from noiseless sizes measured at every stage', () => {
    const truth = (key: string): number =>
      ({ resin: 0.15, investment: -0.2, metal: 0, adds: 0.03 })[key] ?? 0;
    const path = directPath('outer', { takes: [] });
    const stages = { printed: [], cured: path.changes.slice(0, 1), hot: path.changes.slice(0, 2) };
    const seen = Object.entries(stages).flatMap(([group, changes]) => {
      const part = { ...path, changes };
      const sizes = Array.from({ length: 60 }, (_, i) => 1 + 0.5 * i);
      return evidence(part, sizes.map((n) => [n, sizeAfter(part, n, truth)]), group); // prettier-ignore
    });
    const learnt = learnSizes(seen);
    expect(learnt.shifts('resin')).toBeCloseTo(0.15, 2);
    expect(learnt.shifts('investment')).toBeCloseTo(-0.2, 2);
    expect(learnt.shifts('adds')).toBeCloseTo(0.03, 3);
    expect(learnt.shifts('metal')).toBe(0);
    expect(learnt.noiseOf('cured')).toBeLessThan(0.01);
  });

  it('splits what only the cast shows among its steps, most to the one the book knows least', () => {
    const path = directPath('outer', { adds: [], takes: [] });
    const seen = evidence(path, [10, 15, 20, 25].map((n): [number, number] => [n, sizeAfter(path, n) * 1.004]), 'cast'); // prettier-ignore
    const learnt = learnSizes(seen);
    const [resin, metal] = [learnt.shifts('resin'), learnt.shifts('metal')];
    // By their variances, 0.2² to 0.1², each on a factor of its own.
    expect(metal / resin).toBeCloseTo((4 * 0.997) / 0.981, 1);
    expect(productOf(path, learnt.shifts) / productOf(path)).toBeCloseTo(1.004, 3);
    expect(learnt.countOf('metal')).toBe(4);
    // Together they are known far better than apart.
    const apart = Math.hypot(learnt.sdOf('metal', 0.2), learnt.sdOf('investment', 0.2));
    expect(learnt.sizeAfter(path, 100).se).toBeLessThan(apart);
  });

  it('speaks of a metal wherever it comes again, and leaves other metals to the book', () => {
    const path = directPath('outer', { adds: [], takes: [] });
    const seen = evidence(path, [10, 20].map((n): [number, number] => [n, sizeAfter(path, n) * 0.996]), 'cast'); // prettier-ignore
    const learnt = learnSizes(seen);
    const otherResin = { ...path, changes: [step('other resin', -0.2), ...path.changes.slice(1)] };
    const otherMetal = { ...path, changes: [...path.changes.slice(0, 2), step('other metal', -1.6)] };
    expect(sizeAfter(otherResin, 20, learnt.shifts)).toBeLessThan(sizeAfter(otherResin, 20));
    expect(learnt.shifts('other metal')).toBe(0);
    expect(learnt.sdOf('other metal', 0.2)).toBe(0.2);
    expect(sizeAfter(otherMetal, 20, learnt.shifts)).toBeGreaterThan(sizeAfter(path, 20, learnt.shifts));
  });

  it('holds the true size of the next piece 93 to 97 times in 100, truths drawn from the book’s spread', () => {
    const { normal } = seededRandom(7);
    const path = directPath('outer');
    const next = sizeToPrint(path, 17);
    let held = 0;
    const shops = 1200;
    for (let shop = 0; shop < shops; shop++) {
      const truth = new Map(slopesOf(path, 10).map(({ key, sd }) => [key, sd * normal()]));
      const shifts = (key: string): number => truth.get(key) ?? 0;
      const pairs = Array.from({ length: shop % 8 }, (_, i): [number, number] => {
        const n = 4 + 5 * (i % 4);
        return [n, sizeAfter(path, n, shifts) + 0.03 * normal()];
      });
      const [low, high] = learnSizes(evidence(path, pairs, 'finished')).sizeAfter(path, next).interval;
      const size = sizeAfter(path, next, shifts);
      if (size >= low && size <= high) held++;
    }
    expect(held / shops).toBeGreaterThan(0.93);
    expect(held / shops).toBeLessThan(0.97);
  });

  it('does not take sizes that are none', () => {
    expect(() => learnSizes(evidence(ONE, [[10, 0]]))).toThrow(InputError);
    expect(() => learnSizes(evidence(ONE, [[-1, 10]]))).toThrow(InputError);
    expect(NO_SHIFTS('anything')).toBe(0);
  });
});
