import { describe, expect, it } from 'vitest';
import { measured, welded } from '../testing/analysed';
import { cube, sphere, together, torus, tube, type TestMesh } from '../testing/solids';
import { capHoles } from './capHoles';
import { checkTopology, isClosed } from './topology';

/** Without some of its faces, by number. */
const without = ({ positions, triangles }: TestMesh, faces: readonly number[]): TestMesh => ({
  positions,
  triangles: triangles.filter((_, i) => !faces.includes(Math.floor(i / 3))),
});

describe('openings shut by a fan', () => {
  it('close the surface, whatever was missing', () => {
    for (const [part, openings] of [
      [without(cube(10), [0]), 1],
      [without(cube(10), [0, 1]), 1],
      [without(sphere(5, 3), [3, 200, 400]), 3],
      [without(torus(7, 2, 40, 20), [10, 11, 12, 13, 500]), 2],
    ] as const) {
      const capped = capHoles(welded(part))!;
      expect(isClosed(checkTopology(capped.mesh))).toBe(true);
      expect(capped.openings).toBe(openings);
    }
  });
  it('are none in a closed part, and none where a face is turned over', () => {
    expect(capHoles(welded(cube(10)))).toBeNull();
    const turned = cube(10);
    [turned.triangles[1], turned.triangles[2]] = [turned.triangles[2]!, turned.triangles[1]!];
    expect(capHoles(welded(turned))).toBeNull();
  });
});

describe('the volume of an open part', () => {
  const facets = (part: TestMesh): number => part.triangles.length / 3;
  const TRUTHS: [string, TestMesh][] = [
    ['a cube', cube(10)],
    ['a ball', sphere(6, 4)],
    ['a ring', torus(9, 1.5, 60, 24)],
    ['a band', tube(10.4, 8.6, 5, 90)],
  ];
  it.each(TRUTHS)('of %s lies within its ± of what it was whole', (_, part) => {
    const whole = measured(part).measure.volumeMm3;
    for (const missing of [[0], [0, 1], [0, Math.floor(facets(part) / 2)], [1, 5, 9]]) {
      const { measure } = measured(without(part, missing));
      expect(measure.closed).toBe(false);
      expect(Math.abs(measure.volumeMm3 - whole)).toBeLessThanOrEqual(
        measure.volumePlusMinusMm3 + 1e-6 * whole,
      );
    }
  });
  it('is exact where the missing faces were flat', () => {
    expect(measured(without(cube(10), [0])).measure.volumeMm3).toBeCloseTo(1000, 6);
  });
  it('counts bodies that overlap once, open or not', () => {
    const two = together(sphere(5, 3), {
      ...sphere(5, 3),
      positions: sphere(5, 3).positions.map((v, i) => (i % 3 === 0 ? v + 4 : v)),
    });
    const whole = measured(two).measure.volumeMm3;
    expect(measured(without(two, [4])).measure.volumeMm3 / whole).toBeCloseTo(1, 2);
  });
  it('of a flat sheet, or of bodies that cancel, is refused', () => {
    const sheet: TestMesh = {
      positions: [0, 0, 0, 10, 0, 0, 10, 10, 0, 0, 10, 0],
      triangles: [0, 1, 2, 0, 2, 3],
    };
    expect(() => measured(sheet)).toThrow(/MESH_FLAT/);
    const { positions, triangles } = cube(10);
    expect(() =>
      measured({
        positions: [...positions, ...positions.map((v) => v + 20)],
        triangles: [...triangles, ...[...triangles].reverse().map((t) => t + 8)],
      }),
    ).toThrow(/MESH_FLAT/);
  });
});
