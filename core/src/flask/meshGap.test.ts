import { describe, expect, it } from 'vitest';
import { seededRandom } from '../numeric';
import { rotationMatrix } from '../orient';
import { TriangleTree } from '../solid';
import { welded } from '../testing/analysed';
import { box, cube, moved, sphere, torus, type TestMesh } from '../testing/solids';
import { hullGap } from './hullGap';
import { meshGap } from './meshGap';
import { between, hangingPose, posed, type Pose } from './pose';
import { triangleGap2 } from './triangleGap';

const treeOf = (mesh: TestMesh): TriangleTree => {
  const { positions, triangles } = welded(mesh);
  return new TriangleTree(positions, triangles);
};
const shift = (x: number, y: number, z: number): Pose => ({
  turn: [1, 0, 0, 0, 1, 0, 0, 0, 1],
  at: [x, y, z],
});

describe('the gap between two surfaces', () => {
  const unit = treeOf(cube(2));
  it.each([
    [5, 0, 0, 3],
    [5, 6, 0, 5],
    [5, 6, 14, 13],
    [2, 0, 0, 0],
    [1, 1, 1, 0],
  ])('of a cube moved by %d, %d, %d is %d', (x, y, z, gap) => {
    expect(meshGap(unit, unit, shift(x, y, z), 100)).toBeCloseTo(gap, 12);
  });
  it('is nought for a body wholly inside another, either way', () => {
    const small = treeOf(moved(cube(0.2), [0.9, 0.9, 0.9]));
    expect(meshGap(unit, small, shift(0, 0, 0), 10)).toBe(0);
    expect(meshGap(small, unit, shift(0, 0, 0), 10)).toBe(0);
  });
  it('of a ball in a ring’s hole is its own, and not that of their boxes', () => {
    const ring = treeOf(torus(9, 1.5, 160, 80));
    const ball = treeOf(sphere(2, 4));
    expect(meshGap(ring, ball, shift(0, 0, 0), 50)).toBeCloseTo(9 - 1.5 - 2, 1);
    expect(meshGap(ring, ball, shift(4, 0, 0), 50)).toBeCloseTo(1.5, 1);
    expect(meshGap(ring, ball, shift(4, 0, 0), 1)).toBe(1);
    expect(meshGap(ring, ball, shift(4, 0, 0), 3, true)).toBeLessThan(3);
  });
  it('is that of all pairs of triangles, however the bodies stand', () => {
    const { uniform } = seededRandom(5);
    const meshes = [torus(3, 0.8, 10, 6), box([2, 1, 4]), sphere(1.5, 1)].map(welded);
    for (let n = 0; n < 30; n++) {
      const [a, b] = [meshes[n % 3]!, meshes[(n + 1) % 3]!];
      const turn = [...rotationMatrix({ xDeg: 360 * uniform(), yDeg: 360 * uniform(), zDeg: 0 })];
      const pose: Pose = { turn, at: [6 - 12 * uniform(), 6 - 12 * uniform(), 6 - 12 * uniform()] };
      const corners = (m: typeof a, t: number, by?: Pose): Float64Array =>
        Float64Array.from(
          [0, 1, 2].flatMap((c) => {
            const v = 3 * m.triangles[3 * t + c]!;
            const p = [m.positions[v]!, m.positions[v + 1]!, m.positions[v + 2]!] as const;
            return by ? [...posed(by, p)] : [...p];
          }),
        );
      let least = Infinity;
      for (let t = 0; t < a.triangles.length / 3; t++)
        for (let u = 0; u < b.triangles.length / 3; u++)
          least = Math.min(least, triangleGap2(corners(a, t), corners(b, u, pose)));
      const [ta, tb] = [
        new TriangleTree(a.positions, a.triangles),
        new TriangleTree(b.positions, b.triangles),
      ];
      const gap = meshGap(ta, tb, pose, 100);
      if (gap > 0) expect(Math.abs(gap - Math.sqrt(least))).toBeLessThan(0.01 + 1e-9);
      expect(hullGap(ta, tb, pose, 100)).toBeLessThanOrEqual(Math.sqrt(least) + 1e-9);
      expect(meshGap(ta, tb, pose, 100, true)).toBeGreaterThanOrEqual(gap - 1e-9);
    }
  });
});

it('surfaces that cross are told as such, however near to each other they run before', () => {
  const { positions, triangles } = welded(torus(3, 0.8, 24, 12));
  const ring = new TriangleTree(positions, triangles);
  const corners = (t: number, by: number): Float64Array =>
    Float64Array.from([0, 1, 2].flatMap((c) => [0, 1, 2].map((k) => positions[3 * triangles[3 * t + c]! + k]! + (k === 0 ? by : 0)))); // prettier-ignore
  const count = triangles.length / 3;
  let crossing = 0;
  for (let n = 0; n < 8; n++) {
    // Almost on top of each other: most faces are nearer than a hundredth of a mm, some cross.
    const by = 0.004 + 0.001 * n;
    let least = Infinity;
    for (let t = 0; t < count; t++)
      for (let u = 0; u < count && least > 0; u++)
        least = Math.min(least, triangleGap2(corners(t, 0), corners(u, by)));
    if (least === 0) crossing++;
    expect(meshGap(ring, ring, shift(by, 0, 0), 100) === 0).toBe(least === 0);
  }
  expect(crossing).toBeGreaterThan(0);
});

describe('the gap of hulls', () => {
  it('is that of convex bodies, and nought where one lies in another’s hollow', () => {
    const [one, ball] = [treeOf(cube(2)), treeOf(sphere(1, 3))];
    expect(hullGap(one, one, shift(5, 6, 14), 100)).toBeCloseTo(13, 1);
    expect(hullGap(one, ball, shift(9, 1, 1), 100)).toBeCloseTo(6, 1);
    expect(hullGap(treeOf(torus(9, 1.5, 40, 20)), ball, shift(0, 0, 0), 100)).toBeLessThan(0.1);
  });
});

describe('triangles', () => {
  const flat = Float64Array.from([0, 0, 0, 4, 0, 0, 0, 4, 0]);
  it.each([
    ['over a face', [1, 1, 2, 2, 1, 3, 1, 2, 5], 2],
    ['beside an edge', [2, -3, 0, 3, -3, 1, 2, -5, 0], 3],
    ['through a face', [1, 1, -1, 1, 1, 1, 1.2, 1, 1], 0],
    ['across two edges', [2, -1, 1, 2, 1, 1, 2, 0, 4], 1],
    ['without width', [1, 1, 1, 1, 1, 4, 1, 1, 4], 1],
  ] as const)('%s', (_, other, gap) => {
    expect(triangleGap2(flat, Float64Array.from(other))).toBeCloseTo(gap * gap, 12);
    expect(triangleGap2(Float64Array.from(other), flat)).toBeCloseTo(gap * gap, 12);
  });
});

describe('a hanging part', () => {
  const gate = { at: [0, 0, 5], normal: [0, 0, 1], lengthMm: 4 } as const;
  it('has its gate’s end where it was told, and leans outward by its tilt', () => {
    const hanging = { angleDeg: 90, awayMm: 3, heightMm: 20, tiltDeg: 30, spinDeg: 77 };
    const pose = hangingPose(gate, hanging);
    const root = posed(pose, [0, 0, 9]);
    [0, 3, 20].forEach((v, k) => expect(root[k]).toBeCloseTo(v, 9));
    // The part lies beyond its gate, along the way out and up.
    const inside = posed(pose, [0, 0, 0]);
    [0, 3 + 9 * Math.cos(Math.PI / 6), 20 + 4.5].forEach((v, k) => expect(inside[k]).toBeCloseTo(v, 9));
  });
  it('is turned, not mirrored or stretched, and seen from another as it stands to it', () => {
    const [a, b] = [10, 200].map((angleDeg) => hangingPose({ ...gate, normal: [0.6, 0, 0.8] }, { angleDeg, awayMm: 3, heightMm: 5, tiltDeg: 45, spinDeg: 20 })) as [Pose, Pose]; // prettier-ignore
    const [x, y, z] = [0, 1, 2].map((r) => a.turn.slice(3 * r, 3 * r + 3)) as [number[], number[], number[]];
    const det =
      x[0]! * (y[1]! * z[2]! - y[2]! * z[1]!) -
      x[1]! * (y[0]! * z[2]! - y[2]! * z[0]!) +
      x[2]! * (y[0]! * z[1]! - y[1]! * z[0]!);
    expect(det).toBeCloseTo(1, 12);
    const p = [1, 2, 3] as const;
    const there = posed(a, posed(between(a, b), p));
    posed(b, p).forEach((v, k) => expect(there[k]).toBeCloseTo(v, 9));
  });
});
