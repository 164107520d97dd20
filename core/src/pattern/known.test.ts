import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { formatPhrase, InputError, METRIC } from '../numeric';
import { measured } from '../testing/analysed';
import { cube, sphere } from '../testing/solids';
import { changeSentences, comparePatterns, hasChanged } from './comparePatterns';
import { nearestParts, outcomeOf } from './nearestParts';
import { classifyPart, shareThinner } from './partClass';
import { BIN_MM } from './readThickness';
import { readShape, writeShape } from './shapeFile';

/** Volume by thickness: [thickness, volume] pairs. */
function histogram(...parts: [number, number][]): number[] {
  const bins = new Array<number>(240).fill(0);
  for (const [mm, volume] of parts) bins[Math.floor(mm / BIN_MM)]! += volume;
  return bins;
}

describe('class by thickness', () => {
  it.each([
    ['filigree', histogram([0.6, 6], [1.4, 4])],
    ['standard', histogram([1.2, 9], [2.4, 1])],
    ['heavy', histogram([2, 5], [4.5, 5])],
    ['mixed', histogram([0.6, 2], [2, 2], [4.5, 6])],
  ])('is %s', (partClass, bins) => {
    expect(classifyPart(bins).partClass).toBe(partClass);
  });
  it('says the numbers that decided', () => {
    expect(formatPhrase(classifyPart(histogram([0.6, 6], [1.4, 4])).reason, METRIC)).toMatch(
      /under 0\.59 mm.*0\.90 mm/,
    );
  });
  it('shares part within a bin', () => {
    expect(shareThinner(histogram([1, 1]), 1.025)).toBeCloseTo(0.5, 9);
    expect(shareThinner([], 1)).toBe(0);
  });
});

describe('nearest known parts', () => {
  const part = (thinnestMm: number, castings = 3, broke = 0) => ({
    thinnestMm,
    castings,
    broke,
    clean: castings - broke,
  });
  it('bracket the thinnest place, and were cast', () => {
    const known = [part(0.3), part(0.5), part(0.7), part(0.9), part(0.62, 0)];
    expect(nearestParts(0.6, known)).toEqual({ finer: part(0.5), stouter: part(0.7) });
    expect(nearestParts(0.2, known).finer).toBeNull();
    expect(nearestParts(2, known).stouter).toBeNull();
  });
  it('say what became of them', () => {
    expect(outcomeOf(part(0.5, 5, 2))).toBe('which broke or did not fill, 2 of 5');
    expect(outcomeOf(part(0.5, 5))).toBe('which cast clean, 5 of 5');
    expect(outcomeOf({ ...part(0.5, 5), clean: 3 })).toBe('3 of 5 clean');
  });
  it('never lie on the wrong side', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.1, max: 5, noNaN: true }),
        fc.array(fc.double({ min: 0.1, max: 5, noNaN: true })),
        (mm, list) => {
          const { finer, stouter } = nearestParts(
            mm,
            list.map((t) => part(t)),
          );
          if (finer) expect(finer.thinnestMm).toBeLessThan(mm);
          if (stouter) expect(stouter.thinnestMm).toBeGreaterThanOrEqual(mm);
          expect([finer, stouter].filter(Boolean).length > 0).toBe(list.length > 0);
        },
      ),
    );
  });
});

describe('two versions', () => {
  const [before, after] = [measured(cube(8)), measured(cube(10))];
  it('are compared number by number, and only changes are said', () => {
    const rows = comparePatterns(before, after);
    const volume = rows.find(({ name }) => name === 'Solid volume')!;
    expect(volume.before!.value).toBeCloseTo(0.512, 9);
    expect(volume.after!.value).toBeCloseTo(1, 9);
    expect(hasChanged(volume)).toBe(true);
    const said = changeSentences(rows).map((s) => formatPhrase(s, METRIC));
    expect(said).toContain('Longest side 8.00 mm → 10.00 mm.');
    expect(said.some((s) => s.startsWith('Triangles'))).toBe(false);
  });
  it('that are the same file have nothing to say', () => {
    expect(changeSentences(comparePatterns(before, before))).toEqual([]);
  });
  it('wait for what has not been analysed', () => {
    const thinnest = comparePatterns(before, after).find(({ name }) => name === 'Thinnest')!;
    expect(thinnest).toMatchObject({ before: null, after: null });
    expect(hasChanged(thinnest)).toBe(false);
  });
});

describe('a painted shape as bytes', () => {
  const ball = sphere(3, 2);
  const vertices = ball.positions.length / 3;
  const paint = {
    thicknessUm: Uint16Array.from({ length: vertices }, (_, n) => 1000 + n),
    gapUm: Uint16Array.from({ length: vertices }, (_, n) => n),
    feedPercent: Uint8Array.from({ length: vertices }, (_, n) => n % 101),
  };
  const bytes = writeShape({ positions: ball.positions, triangles: Uint32Array.from(ball.triangles) }, paint);

  it('comes back as it was, from a buffer of its own or inside another', () => {
    const inside = new Uint8Array(bytes.length + 5);
    inside.set(bytes, 3);
    for (const given of [bytes, inside.subarray(3, 3 + bytes.length)]) {
      const shape = readShape(given);
      expect([...shape.positions]).toEqual(ball.positions.map(Math.fround));
      expect([...shape.triangles]).toEqual(ball.triangles);
      expect(shape.paint).toEqual(paint);
    }
  });
  it.each([
    ['cut off', bytes.slice(0, 100)],
    ['of something else', new Uint8Array(64)],
    ['empty', new Uint8Array(0)],
  ])('is refused when it is %s', (_what, damaged) => {
    expect(() => readShape(damaged)).toThrow(InputError);
  });
});
