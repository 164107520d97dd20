import { describe, expect, it } from 'vitest';
import { measureBounds } from '../mesh';
import { box, lathe, prism, torus, type TestMesh } from '../testing/solids';
import { welded } from '../testing/analysed';
import { cutLine, judgeFrame, pullAlong, readAlong, type PullDirection } from './index';

const lineOf = (mesh: TestMesh, pull: PullDirection, scale = 1) => {
  const part = welded(mesh);
  return cutLine(readAlong(part, pull, scale), pullAlong(part, pull, scale).turn, scale);
};
const heights = (loop: readonly (readonly number[])[], axis = 2): number[] => loop.map((at) => at[axis]!);
const spread = (values: number[]): number => Math.max(...values) - Math.min(...values);

describe('the line that a mold is cut along', () => {
  it('runs round a block at one height', () => {
    const { loops, lengthMm, risesMm, sizeMm } = lineOf(box([20, 12, 4]), [0, 0, 1]);
    expect(loops).toHaveLength(1);
    expect(lengthMm).toBeGreaterThan(64 * 0.96);
    expect(lengthMm).toBeLessThan(64 * 1.02);
    expect(risesMm).toBeCloseTo(0, 6);
    expect(sizeMm.map((v) => Math.round(2 * v) / 2)).toEqual([20, 12, 4]);
  });
  it('of a ring that lies flat runs round it and through its hole, at its middle', () => {
    const { loops } = lineOf(torus(8, 1.5, 96, 32), [0, 0, 1]);
    expect(loops).toHaveLength(2);
    const radii = loops.map((loop) => loop.map(([x, y]) => Math.hypot(x, y)));
    expect(Math.min(...radii[0]!)).toBeGreaterThan(9.3);
    expect(Math.max(...radii[1]!)).toBeLessThan(6.7);
    for (const loop of loops) expect(Math.max(...heights(loop).map(Math.abs))).toBeLessThan(0.3);
  });
  it('is told in the axes and the size of the drawing, whatever the pull and the scale', () => {
    const cone = lathe([[0, 0], [6, 0], [2, 9], [0, 9]], 64); // prettier-ignore
    const { loops, lengthMm } = lineOf(cone, [1, 0, 0], 1.1);
    const { min, max } = measureBounds(welded(cone).positions);
    for (const at of loops[0]!)
      at.forEach((v, k) => {
        expect(v).toBeGreaterThan(min[k]! - 0.2);
        expect(v).toBeLessThan(max[k]! + 0.2);
      });
    // Through its axis: 12 + 4 + twice the slant, 10 % larger.
    expect(lengthMm / 1.1).toBeCloseTo(16 + 2 * Math.hypot(4, 9), -0.4);
    expect(spread(heights(loops[0]!, 0))).toBeLessThan(0.3);
  });
  it('climbs where the outline does', () => {
    // A bar that rises 6 mm over its 20 mm.
    const bar = prism([[0, 0], [20, 6], [20, 8], [0, 2]], 6); // prettier-ignore
    const { risesMm, loops } = lineOf(bar, [0, 0, 1]);
    expect(risesMm).toBeGreaterThan(3.5);
    expect(risesMm).toBeLessThan(6.5);
    for (const [x, , z] of loops[0]!) {
      expect(z).toBeGreaterThan(0.3 * x - 0.5);
      expect(z).toBeLessThan(0.3 * x + 2.5);
    }
  });
});

describe('a frame', () => {
  const frame = { lengthMm: 48, widthMm: 73, heightMm: 25.6 };
  const said = (size: [number, number, number]) => judgeFrame(size, frame)[0]!.weight;
  it('holds a master with rubber round it, tears, bends, or does not hold it, either way round', () => {
    expect(said([20, 40, 12])).toBe('ok');
    expect(said([40, 20, 12])).toBe('ok');
    expect(said([40, 20, 16])).toBe('watch');
    expect(said([40, 20, 20])).toBe('fix');
    expect(said([60, 50, 5])).toBe('fix');
    expect(judgeFrame([60, 50, 5], frame)[0]!.lead).toBe('Larger than its frame.');
  });
});
