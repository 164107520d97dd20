import { describe, expect, it } from 'vitest';
import { directPath } from '../testing/sizePaths';
import { BOOK_SIZES, learnSizes } from './learnSizes';
import { sizeAfter, sizeToPrint } from './sizePath';
import { foreseePiece, type PieceReading } from './pieceSpread';
import { whichStep } from './whichStep';

const PATH = directPath('outer');
const CURED = { ...PATH, changes: PATH.changes.slice(0, 1), takes: [] };
const PRINT = sizeToPrint(PATH, 17.32);
const finished = (measuredMm: number): PieceReading => ({ path: PATH, measuredMm, group: 'finished' });
const total = (numbers: readonly number[]): number => numbers.reduce((a, b) => a + b, 0);

describe('which step', () => {
  it('shares out exactly what is off, and its chances are chances', () => {
    const found = whichStep([finished(17.02)], PRINT, 17.32);
    expect(found.offMm).toBeCloseTo(-0.3, 9);
    expect(found.expectedMm).toBeCloseTo(17.32, 9);
    expect(total(found.shares.map((s) => s.mm))).toBeCloseTo(-0.3, 9);
    expect(total(found.shares.map((s) => s.chance))).toBeCloseTo(1, 9);
    for (const { chance } of found.mistakes) expect(chance).toBeGreaterThanOrEqual(0);
  });

  it('suspects first what the book knows least', () => {
    const found = whichStep([finished(17.12)], PRINT, 17.32);
    const of = (key: string | null) => found.shares.find((s) => s.key === key)!;
    expect(['metal', 'investment', 'adds']).toContain(found.shares[0]!.key);
    expect(of('metal').chance).toBeGreaterThan(of('resin').chance);
    expect(of('metal').mm).toBeCloseTo(of('investment').mm, 2);
  });

  it('clears the printer when the cured print was right, and blames it when the print was small already', () => {
    const right = sizeAfter(CURED, PRINT);
    const cured = (measuredMm: number): PieceReading => ({ path: CURED, measuredMm, group: 'cured' });
    const printChance = (found: ReturnType<typeof whichStep>): number =>
      total(found.shares.filter((s) => s.key === 'adds' || s.key === 'resin').map((s) => s.chance));
    const late = whichStep([cured(right), finished(17.12)], PRINT, 17.32);
    const early = whichStep([cured(right - 0.2), finished(17.12)], PRINT, 17.32);
    expect(printChance(late)).toBeLessThan(0.15);
    expect(printChance(early)).toBeGreaterThan(0.9);
  });

  it('sees a print that was never scaled, and one that was scaled twice', () => {
    const unscaled = whichStep([finished(sizeAfter(PATH, 17.32))], sizeToPrint(PATH, 17.32) * 1.02, 17.32);
    expect(unscaled.mistakes.find((m) => m.key === 'not scaled')!.chance).toBeGreaterThan(0.5);
    const far = PRINT * 1.03;
    const twice = whichStep([finished(sizeAfter(PATH, far ** 2 / 17.32))], far, 17.32);
    expect(twice.mistakes.find((m) => m.key === 'scaled twice')!.chance).toBeGreaterThan(0.5);
    const usual = whichStep([finished(17.32)], PRINT * 1.02, 17.32 / 1.02);
    expect(Math.max(...usual.mistakes.map((m) => m.chance))).toBeLessThan(0.1);
  });

  it('says when it is none of these', () => {
    expect(whichStep([finished(17.3)], PRINT, 17.32).beyond).toBeLessThan(0.05);
    expect(whichStep([finished(16.3)], PRINT, 17.32).beyond).toBeGreaterThan(0.9);
  });

  it('looks elsewhere once the shop knows a step well', () => {
    const many = Array.from({ length: 60 }, (_, i) => {
      const printMm = 2 + (i % 20);
      return { path: CURED, printMm, measuredMm: sizeAfter(CURED, printMm), group: 'cured' };
    });
    const before = whichStep([finished(17.12)], PRINT, 17.32);
    const after = whichStep([finished(17.12)], PRINT, 17.32, learnSizes(many));
    const adds = (found: typeof before): number => found.shares.find((s) => s.key === 'adds')!.chance;
    expect(adds(after)).toBeLessThan(adds(before));
  });
});

describe('what a piece will come to', () => {
  const end = { path: PATH, group: 'finished' };

  it('is what any piece comes to while nothing of it was read', () => {
    const any = foreseePiece([], end, PRINT, BOOK_SIZES);
    expect(any.value).toBeCloseTo(17.32, 9);
    expect(any.se).toBeGreaterThan(BOOK_SIZES.sizeAfter(PATH, PRINT).se);
  });

  it('follows a reading on the way, a little less than in full, and is surer', () => {
    const expected = sizeAfter(CURED, PRINT);
    const after = (off: number) =>
      foreseePiece([{ path: CURED, measuredMm: expected + off, group: 'cured' }], end, PRINT, BOOK_SIZES);
    expect(after(0).value).toBeCloseTo(17.32, 9);
    expect(after(0).se).toBeLessThan(foreseePiece([], end, PRINT, BOOK_SIZES).se);
    const moved = after(-0.2).value - 17.32;
    expect(moved).toBeLessThan(-0.1);
    expect(moved).toBeGreaterThan(-0.2);
    expect(after(0.2).value - 17.32).toBeCloseTo(-moved, 9);
  });
});
