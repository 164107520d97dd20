import { describe, expect, it } from 'vitest';
import { InputError } from '../numeric';
import { box, lathe, prism, sphere, together, torus, type TestMesh } from '../testing/solids';
import { welded } from '../testing/analysed';
import { choosePlane, findPull, findUndercuts, pullAlong, type PullDirection } from './index';

const mapOf = (mesh: TestMesh, pull: PullDirection, cellMm = 0.1) => {
  const { positions, triangles } = welded(mesh);
  return findUndercuts(pullAlong({ positions, triangles }, pull), cellMm);
};
const UP: PullDirection = [0, 0, 1];
const OVER: PullDirection = [1, 0, 0];

describe('undercuts', () => {
  it('are none of a cone, a ball, a block, and a ring that lies flat', () => {
    const shapes = [
      lathe([[0, 0], [5, 0], [0, 8]], 48), // prettier-ignore
      sphere(5, 3),
      box([8, 5, 3]),
      torus(8, 1.5, 48, 24),
    ];
    for (const shape of shapes) expect(mapOf(shape, UP).undercuts).toEqual([]);
  });
  it('of a mushroom on its stem are as deep as the head stands over it, strained by the head’s width', () => {
    // Stem of 2 mm radius, 4 high, under a head of 5 mm radius, between two flat faces; a foot as wide as the head.
    const spool = lathe([[0, 0], [5, 0], [5, 1], [2, 1], [2, 5], [5, 5], [5, 7], [0, 7]], 64); // prettier-ignore
    const [found, ...others] = mapOf(spool, UP).undercuts;
    expect(others).toEqual([]);
    expect(found!.kind).toBe('springs');
    expect(found!.depthMm).toBeCloseTo(3, 0);
    expect(found!.widthMm).toBeCloseTo(10, 0);
    expect(found!.strainPercent).toBeGreaterThan(26);
    expect(found!.strainPercent).toBeLessThan(34);
    expect(found!.volumeMm3).toBeCloseTo(Math.PI * (25 - 4) * 4, -1);
    // From the side two halves part it through its axis.
    expect(mapOf(spool, OVER).undercuts).toEqual([]);
    // Without the foot the mold under the head leaves downward.
    const mushroom = lathe([[0, 0], [2, 0], [2, 4], [5, 4], [5, 6], [0, 6]], 64); // prettier-ignore
    expect(mapOf(mushroom, UP).undercuts).toEqual([]);
  });
  it('of an upright ring is its bore, which leads out on either side', () => {
    const ring = torus(8, 1.5, 64, 24);
    const [bore] = mapOf(ring, OVER).undercuts;
    expect(bore!.kind).toBe('springs');
    // The bore's narrow middle lies 1.5 mm from either face; its widest ends where the ring's round sides begin.
    expect(bore!.depthMm).toBeGreaterThan(1.2);
    expect(bore!.depthMm).toBeLessThan(1.9);
  });
  it('of a dovetail groove lie under both its lips', () => {
    // 12 wide, 6 high; a groove 3 wide at its mouth and 6 at its floor, open above.
    const lip = (x: (v: number) => number): [number, number][] =>
      [[0, 2], [0, 6], [4.5, 6], [3, 3], [3, 2]].map(([v, z]) => [x(v!), z!]); // prettier-ignore
    const [first, ...others] = lip((x) => 12 - x);
    const [left, right] = [
      prism(
        lip((x) => x),
        10,
      ),
      prism([first!, ...others.reverse()], 10),
    ];
    const dovetail = together(box([12, 10, 3]), left, right);
    const map = mapOf(dovetail, UP);
    expect(map.undercuts).toHaveLength(2);
    for (const { depthMm, widthMm, volumeMm3 } of map.undercuts) {
      expect(depthMm).toBeCloseTo(1.5, 0);
      expect(widthMm).toBeCloseTo(4.5, 0);
      // A triangle 1.5 by 3, ten long.
      expect(volumeMm3).toBeGreaterThan(18);
      expect(volumeMm3).toBeLessThan(26);
    }
    expect(mapOf(dovetail, [0, 1, 0]).undercuts).toEqual([]);
  });
  it('of a hollow that leads nowhere is a core’s', () => {
    const outer = welded(sphere(6, 3));
    const inner = welded(sphere(3, 3));
    const shift = outer.positions.length / 3;
    const positions = Float64Array.from([...outer.positions, ...inner.positions]);
    const hollow = Array.from(
      inner.triangles,
      (_, n) => inner.triangles[n - (n % 3) + (2 - (n % 3))]! + shift,
    );
    const triangles = Uint32Array.from([...outer.triangles, ...hollow]);
    const [core] = findUndercuts(pullAlong({ positions, triangles }, UP), 0.2).undercuts;
    expect(core).toMatchObject({ kind: 'core', depthMm: Infinity, strainPercent: Infinity });
    expect(core!.volumeMm3).toBeCloseTo((4 / 3) * Math.PI * 27, -1);
  });
  it('grow with the scale of the cavity, and want a grid', () => {
    const spool = welded(lathe([[0, 0], [5, 0], [5, 1], [2, 1], [2, 5], [5, 5], [5, 7], [0, 7]], 64)); // prettier-ignore
    const [twice] = findUndercuts(pullAlong(spool, UP, 2), 0.2).undercuts;
    expect(twice!.depthMm).toBeCloseTo(6, 0);
    expect(() => findUndercuts(pullAlong(spool, UP), 0)).toThrow(InputError);
  });
});

describe('the plane that parts', () => {
  it('is the middle of a ball and the back of a dome, and none of a tilted plate', () => {
    expect(choosePlane(mapOf(sphere(5, 3), UP))).toMatchObject({
      heightMm: expect.closeTo(0, 0),
      offShare: expect.closeTo(0, 2),
    });
    const dome = mapOf(lathe([[0, 0], [6, 0], [4, 3], [0, 4]], 48), UP); // prettier-ignore
    expect(choosePlane(dome).heightMm).toBeLessThan(0.2);
    const tilted = mapOf(box([12, 8, 1]), [Math.sin(0.5), 0, Math.cos(0.5)]);
    expect(tilted.undercuts).toEqual([]);
    expect(choosePlane(tilted).offShare).toBeGreaterThan(0.3);
  });
});

describe('the pull', () => {
  const along = (mesh: TestMesh, axis: PullDirection): number => {
    const pull = findPull(welded(mesh));
    return Math.abs(pull[0] * axis[0] + pull[1] * axis[1] + pull[2] * axis[2]);
  };
  it('of a ring is its axis, of a spool across it, of a groove along it or as it opens', () => {
    expect(along(torus(8, 1.5, 48, 16), UP)).toBeGreaterThan(0.99);
    const spool = lathe([[0, 0], [5, 0], [5, 1], [2, 1], [2, 5], [5, 5], [5, 7], [0, 7]], 48); // prettier-ignore
    expect(along(spool, UP)).toBeLessThan(0.15);
  });
  it('catches nothing where it can, though another would make a flatter mold', () => {
    const waisted = lathe([[0, 0], [10, 0], [9.6, 2], [9.6, 4], [10, 6], [0, 6]], 48); // prettier-ignore
    expect(mapOf(waisted, findPull(welded(waisted)), 0.12).undercuts).toEqual([]);
  });
  it('follows the flat faces of a part that lies askew in its file', () => {
    const [c, s] = [Math.cos(0.37), Math.sin(0.37)];
    const plate = box([14, 9, 2]);
    const askew = {
      ...plate,
      positions: plate.positions.map((_, n, p) => {
        const [x, , z] = [p[n - (n % 3)]!, 0, p[n - (n % 3) + 2]!];
        return [c * x + s * z, p[n - (n % 3) + 1]!, -s * x + c * z][n % 3]!;
      }),
    };
    expect(along(askew, [s, 0, c])).toBeGreaterThan(0.999);
  });
});

describe('wide traps', () => {
  it('are read in time, however many ways lead through them', () => {
    // A slot 24 wide under a lip that covers all but its mouth: ways of equal length by the thousand.
    const cave = together(box([30, 30, 2]), box([30, 2, 6]), box([2, 30, 6]), box([30, 30, 2], [0, 0, 6]));
    const map = mapOf(cave, UP, 0.25);
    const deepest = Math.max(...map.undercuts.map(({ depthMm }) => depthMm));
    expect(deepest).toBeGreaterThan(26);
    expect(deepest).toBeLessThan(29);
  });
});
