import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { InputError } from '../numeric';
import { NO_ROTATION, rotationMatrix } from '../orient';
import { directPath } from '../testing/sizePaths';
import {
  acrossAxisShares,
  alongLine,
  bestScale,
  FLAT_ON_PLATE,
  type AlongAxes,
  type ScaleTarget,
} from './bestScale';
import { productOf, sizeToPrint } from './sizePath';

const BASE: AlongAxes = [101, 101, 101.2];
function target(change: Partial<ScaleTarget> & { surface?: 'outer' | 'inner' } = {}): ScaleTarget {
  const surface = change.surface ?? 'outer';
  return {
    key: 'a',
    drawnMm: 17.32,
    wantedMm: 17.32,
    toleranceMm: 0.1,
    holds: true,
    along: FLAT_ON_PLATE,
    ...change,
    surface,
    path: change.path ?? directPath(surface),
  };
}
const bore = target({ key: 'bore', surface: 'inner' });

describe('best scale', () => {
  it('meets one size exactly, and leaves the axis that no size asks about to the steps', () => {
    const { one, allHold, axes, offset } = bestScale([bore], BASE);
    expect(one.percents[0]).toBeCloseTo((100 * sizeToPrint(bore.path, 17.32)) / 17.32, 9);
    expect(one.percents).toEqual([one.percents[0], one.percents[0], one.percents[0]]);
    expect(one.targets[0]).toMatchObject({ key: 'bore', within: true });
    expect(one.targets[0]!.missMm).toBeCloseTo(0, 9);
    expect(allHold!.lowest).toBeLessThan(one.percents[0]);
    expect([axes, offset]).toEqual([null, null]);
  });

  it('makes up for the steps alone when no size must hold, and says what the others come to', () => {
    const { one, allHold } = bestScale([{ ...bore, holds: false }], [102, 102, 102]);
    expect(one.percents).toEqual([1.02, 1.02, 1.02].map((s) => 100 * s));
    expect(one.targets[0]!.finishedMm).toBeCloseTo((17.32 * 1.02 - 0.02) * productOf(bore.path) + 0.1, 9);
    expect([allHold, one.worst]).toEqual([null, 0]);
  });

  it('lets the tighter tolerance pull harder when two cannot both hold', () => {
    const wall = target({ key: 'wall', drawnMm: 1.5, wantedMm: 1.5, toleranceMm: 0.02 });
    const loose = bestScale([bore, wall], BASE);
    const tight = bestScale([{ ...bore, toleranceMm: 0.02 }, wall], BASE);
    expect(loose.allHold).toBeNull();
    const miss = (best: typeof loose): number => Math.abs(best.one.targets[0]!.missMm);
    expect(miss(tight)).toBeLessThan(miss(loose));
    expect(loose.one.worst).toBeGreaterThan(1);
  });

  it('stays inside the range where all hold, though the least squares lie outside', () => {
    const many = Array.from({ length: 6 }, (_, i) =>
      target({ key: `w${i}`, drawnMm: 20, wantedMm: 20, toleranceMm: 0.1 }),
    );
    const odd = target({ key: 'odd', drawnMm: 20.18, wantedMm: 20, toleranceMm: 0.1 });
    const { one, allHold } = bestScale([...many, odd], BASE);
    expect(allHold).not.toBeNull();
    expect(one.worst).toBeLessThanOrEqual(1 + 1e-9);
    expect(one.percents[0]).toBeCloseTo(allHold!.highest, 9);
  });

  it('finds the offset that puts walls and bores right together, exactly', () => {
    const wall = target({ key: 'wall', drawnMm: 1.5, wantedMm: 1.5, toleranceMm: 0.02 });
    const fine = { ...bore, toleranceMm: 0.02 };
    const { offset } = bestScale([fine, wall], BASE);
    const scale = offset!.percent / 100;
    expect(17.32 * scale - 2 * offset!.surfaceMm).toBeCloseTo(sizeToPrint(bore.path, 17.32), 3);
    expect(1.5 * scale + 2 * offset!.surfaceMm).toBeCloseTo(sizeToPrint(wall.path, 1.5), 3);
    expect(offset!.worst).toBeLessThan(0.05);
  });

  it('proposes an own percent for each axis where one cannot do it', () => {
    const path = directPath('outer', { adds: [], takes: [] });
    const size = (key: string, along: AlongAxes, drawnMm: number) =>
      target({ key, along, drawnMm, wantedMm: 10, toleranceMm: 0.02, path });
    const { one, axes } = bestScale([size('x', [1, 0, 0], 10), size('y', [0, 1, 0], 10.1), size('z', [0, 0, 1], 9.9)], BASE); // prettier-ignore
    expect(one.worst).toBeGreaterThan(2);
    expect(axes!.worst).toBeLessThan(0.01);
    const print = sizeToPrint(path, 10);
    [10, 10.1, 9.9].forEach((drawn, k) => expect(axes!.percents[k]).toBeCloseTo((100 * print) / drawn, 3));
  });

  it('does not draw a bore oval to save a wall', () => {
    const wall = target({ key: 'wall', drawnMm: 1.5, wantedMm: 1.5, toleranceMm: 0.02 });
    const standing = { ...bore, along: [0.5, 0, 0.5] as AlongAxes };
    const { one, axes, offset } = bestScale([standing, wall], BASE);
    expect(one.worst).toBeGreaterThan(1);
    expect(axes).toBeNull();
    expect(offset!.worst).toBeLessThan(1);
    // With one percent for all, nothing strays.
    for (const { farthestMm, missMm } of one.targets) expect(farthestMm).toBeCloseTo(Math.abs(missMm), 12);
  });

  it('has the least sum of squared misses in tolerances, or all hold', () => {
    const sizes = fc.record({
      drawn: fc.double({ min: 1, max: 30, noNaN: true }),
      off: fc.double({ min: -0.5, max: 0.5, noNaN: true }),
      tol: fc.double({ min: 0.02, max: 0.4, noNaN: true }),
      inner: fc.boolean(),
    });
    fc.assert(
      fc.property(fc.array(sizes, { minLength: 1, maxLength: 5 }), (list) => {
        const targets = list.map(({ drawn, off, tol, inner }, i) =>
          target({
            key: String(i),
            drawnMm: drawn,
            wantedMm: drawn + off,
            toleranceMm: tol,
            surface: inner ? 'inner' : 'outer',
          }),
        );
        const { one, allHold } = bestScale(targets, BASE);
        if (allHold) expect(one.worst).toBeLessThanOrEqual(1 + 1e-6);
        const cost = (percent: number): number =>
          targets.reduce((total, t) => {
            const print = sizeToPrint(t.path, t.wantedMm);
            return total + ((productOf(t.path) * (t.drawnMm * percent / 100 - print)) / t.toleranceMm) ** 2; // prettier-ignore
          }, 0);
        const inside = (percent: number) =>
          !allHold || (percent > allHold.lowest && percent < allHold.highest);
        for (const near of [one.percents[0] - 0.01, one.percents[0] + 0.01])
          if (inside(near)) expect(cost(near)).toBeGreaterThanOrEqual(cost(one.percents[0]) - 1e-9);
      }),
      { numRuns: 60, seed: 4 },
    );
  });

  it('takes the print’s direction: a size stood up lies along z, a bore across its axis', () => {
    const flat = rotationMatrix(NO_ROTATION);
    const upright = rotationMatrix({ xDeg: 90, yDeg: 0, zDeg: 0 });
    expect(alongLine([0, 2, 0], flat)).toEqual([0, 1, 0]);
    alongLine([0, 2, 0], upright).forEach((share, k) => expect(share).toBeCloseTo([0, 0, 1][k]!, 12));
    expect(acrossAxisShares([0, 0, 1], flat)).toEqual([0.5, 0.5, 0]);
    const tilted = acrossAxisShares([0, 0, 1], rotationMatrix({ xDeg: 45, yDeg: 0, zDeg: 0 }));
    expect(tilted[2]).toBeCloseTo(0.25, 12);
    expect(tilted.reduce((a, b) => a + b)).toBeCloseTo(1, 12);
    expect(() => alongLine([0, 0, 0], flat)).toThrow(InputError);
  });

  it('does not take sizes or tolerances that are none', () => {
    expect(() => bestScale([target({ drawnMm: 0 })], BASE)).toThrow(InputError);
    expect(() => bestScale([target({ toleranceMm: 0 })], BASE)).toThrow(InputError);
    expect(() => bestScale([target({ surface: 'inner', wantedMm: 0.05 })], BASE)).toThrow(InputError);
  });
});
