import { describe, expect, it } from 'vitest';
import { seededRandom } from '../numeric';
import { sphere } from '../testing/solids';
import { weldEqual } from './weld';

/** The corners of triangles one after the other, as an STL states them. */
function soup(corners: readonly number[]) {
  const positions = Float32Array.from(corners);
  return { positions, triangles: Uint32Array.from({ length: positions.length / 3 }, (_, n) => n) };
}
const cornersOf = ({
  positions,
  triangles,
}: {
  positions: ArrayLike<number>;
  triangles: ArrayLike<number>;
}) => Array.from(triangles, (v) => [0, 1, 2].map((k) => positions[3 * v + k]!));

describe('corners in single precision', () => {
  it('are welded as the same numbers in double precision are', () => {
    const random = seededRandom(4);
    // Few places, many corners: half of them meet, and some triangles lose an edge.
    const corners = Array.from({ length: 9 * 800 }, () => Math.round(8 * random.uniform() - 4) / 7 || -0);
    const singles = soup(corners);
    const doubles = { ...singles, positions: Float64Array.from(singles.positions) };
    for (const unitMm of [1, 25.4]) {
      const found = weldEqual(singles, unitMm);
      expect(found).toEqual(weldEqual(doubles, unitMm));
      expect(found.degenerateCount).toBeGreaterThan(0);
    }
  });
  it('of a closed ball become its vertices', () => {
    const ball = sphere(5, 4);
    const { positions, triangles, degenerateCount } = weldEqual(soup(cornersOf(ball).flat()), 1);
    expect(positions).toHaveLength(ball.positions.length);
    expect(degenerateCount).toBe(0);
    expect(cornersOf({ positions, triangles })).toEqual(
      cornersOf(ball).map((corner) => corner.map((value) => Math.fround(value) + 0)),
    );
  });
  it('that never meet are all kept: the table grows', () => {
    const random = seededRandom(9);
    const corners = Array.from({ length: 9 * 3000 }, () => random.uniform());
    const { positions, triangles } = weldEqual(soup(corners), 1);
    expect(positions).toEqual(Float64Array.from(Float32Array.from(corners)));
    expect(triangles).toHaveLength(9000);
  });
  it('of minus nought and nought are one', () => {
    const { positions } = weldEqual(soup([0, 0, 0, 1, 0, 0, 0, 1, 0, -0, -0, 0, 0, 1, -0, -1, 0, 0]), 1);
    expect(positions).toHaveLength(12);
    expect([...positions].some((value) => Object.is(value, -0))).toBe(false);
  });
});
