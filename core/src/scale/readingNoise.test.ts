import { describe, expect, it } from 'vitest';
import { seededRandom } from '../numeric';
import { directPath } from '../testing/sizePaths';
import { BOOK_NOISE, bookPrior, calibrate } from './calibrate';
import { learnSizes, type SizeEvidence } from './learnSizes';
import { foreseePiece } from './pieceSpread';
import { noiseFrom } from './readingNoise';
import { sizeAfter } from './sizePath';

describe('the scatter of readings', () => {
  it('is the book’s without any, moves to what is seen, and is never under it', () => {
    expect(noiseFrom(0, 0, BOOK_NOISE)).toEqual({ variance: 0.03 ** 2, dof: 4 });
    const steady = noiseFrom(10 * 0.01 ** 2, 10, BOOK_NOISE);
    expect(Math.sqrt(steady.variance)).toBeCloseTo(Math.sqrt((4 * 0.0009 + 0.001) / 14), 12);
    const rough = noiseFrom(4 * 0.08 ** 2, 4, BOOK_NOISE);
    expect(Math.sqrt(rough.variance)).toBeCloseTo(0.08, 12);
    expect(rough.dof).toBe(4);
  });

  it.each([0.03, 0.06, 0.08])('of %s mm, read twice each, leaves the truth in its interval', (sd) => {
    const path = directPath('outer');
    const { normal } = seededRandom(7);
    let held = 0;
    const SHOPS = 400;
    for (let shop = 0; shop < SHOPS; shop++) {
      const evidence = [4, 8, 12, 18].map((printMm): SizeEvidence => {
        const truth = sizeAfter(path, printMm);
        const readings = [truth + sd * normal(), truth + sd * normal()];
        const measuredMm = (readings[0]! + readings[1]!) / 2;
        const sse = readings.reduce((total, r) => total + (r - measuredMm) ** 2, 0);
        return { path, printMm, measuredMm, group: 'finished', repeats: { sse, dof: 1 } };
      });
      const { interval } = learnSizes(evidence).sizeAfter(path, 15, 'finished');
      // A piece as it is read, once.
      const read = sizeAfter(path, 15) + sd * normal();
      if (interval[0] <= read && read <= interval[1]) held++;
    }
    expect(held / SHOPS).toBeGreaterThan(0.92);
  });

  it('flags a clean set about once in twenty, few or many', () => {
    const { normal } = seededRandom(3);
    for (const n of [6, 12, 30]) {
      let flagged = 0;
      const SETS = 600;
      for (let set = 0; set < SETS; set++) {
        const pairs = Array.from({ length: n }, (_, i) => {
          const nominalMm = 3 + (20 * i) / n;
          return { nominalMm, measuredMm: 0.99 * nominalMm + 0.03 * normal() };
        });
        if (calibrate(pairs, bookPrior(-1, 1)).outliers.length > 0) flagged++;
      }
      expect(flagged / SETS).toBeLessThan(0.08);
      expect(flagged).toBeGreaterThan(0);
    }
  });
});

describe('a reading of the print itself', () => {
  const path = directPath('inner');
  const printed = { changes: [], adds: path.adds, takes: [] };
  const finishes = (readMm: number): number =>
    foreseePiece([{ path: printed, measuredMm: readMm, group: 'printed' }], { path, group: 'finished' }, 20.7, learnSizes([])).value; // prettier-ignore

  it('is believed: the piece finishes as much smaller as the print is', () => {
    const right = finishes(20.7);
    expect(right).toBeCloseTo(sizeAfter(path, 20.7), 1);
    for (const off of [-0.3, -0.85, -2.7]) expect((finishes(20.7 + off) - right) / off).toBeCloseTo(0.988, 1);
  });
});
