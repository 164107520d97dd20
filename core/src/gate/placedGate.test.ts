import { describe, expect, it } from 'vitest';
import { welded } from '../testing/analysed';
import { box, moved, sphere, together, torus } from '../testing/solids';
import { rayHit, TriangleTree } from '../solid';
import {
  ballRound,
  carryPart,
  centreOfMass,
  gateDiameterMm,
  gateDirection,
  gateFlareMm,
  gateLengthMm,
  gatesTogether,
  jointMomentGMm,
  judgeCarrying,
  judgeGatePlaces,
  readGatePlaces,
  sawReaches,
  type PlacedGate,
} from './index';

const wire = (over: Partial<PlacedGate> = {}): PlacedGate => ({
  placeMm: [0, 0, 0],
  normal: [0, 0, 1],
  section: { widthMm: 2, heightMm: 2 },
  ...over,
});

describe('a placed gate', () => {
  it('is as thick as its wire, and as a kept support with its dips', () => {
    expect(gateDiameterMm(wire())).toBe(2);
    expect(gateDiameterMm(wire({ making: 'kept support', dips: 3 }))).toBeCloseTo(2.9);
    expect(gateDiameterMm(wire({ making: 'kept support', dips: 3 }), 0.5)).toBeCloseTo(3.5);
    expect(gateDiameterMm(wire({ making: 'wax wire', dips: 3 }))).toBe(2);
    expect(gateDiameterMm(wire({ section: { widthMm: 2, heightMm: 6 } }))).toBe(3);
  });
  it('is one and a half diameters long with a fillet of a quarter, until somebody says', () => {
    expect([gateLengthMm(wire()), gateFlareMm(wire())]).toEqual([3, 0.5]);
    expect([gateLengthMm(wire({ lengthMm: 7 })), gateFlareMm(wire({ flareMm: 0 }))]).toEqual([7, 0]);
  });
  it('leans by its angle to any side, still of length one', () => {
    expect(gateDirection(wire())).toEqual([0, 0, 1]);
    for (const towardDeg of [0, 90, 200]) {
      const d = gateDirection(wire({ leanDeg: 30, towardDeg }));
      expect(Math.hypot(...d)).toBeCloseTo(1, 12);
      expect(d[2]).toBeCloseTo(Math.cos(Math.PI / 6), 12);
    }
  });
  it('several together have the same area and volume as one by one', () => {
    const placed = [wire(), wire({ section: { widthMm: 3, heightMm: 3 }, lengthMm: 6 })];
    const { count, diameterMm, lengthMm } = gatesTogether(placed);
    expect(count * diameterMm ** 2).toBeCloseTo(4 + 9, 9);
    expect(count * diameterMm ** 2 * lengthMm).toBeCloseTo(4 * 3 + 9 * 6, 9);
    expect(gatesTogether([])).toEqual({ count: 0, diameterMm: 0, lengthMm: 0 });
  });
});

describe('joints that carry', () => {
  it('bear what the book says: 16 g·mm at 2 mm, 54 at 3', () => {
    expect(jointMomentGMm(2)).toBeCloseTo(16, 0);
    expect(jointMomentGMm(3)).toBeCloseTo(54, 0);
  });
  it('are asked weight times lever; the wanted joint bears it exactly', () => {
    const one = carryPart([{ at: [0, 0, 0], diameterMm: 2 }], { massG: 5, centreMm: [0, 0, 10] });
    expect(one).toMatchObject({ leverMm: 10, askedGMm: 50 });
    expect(jointMomentGMm(one.wantedMm)).toBeCloseTo(50, 6);
    expect(judgeCarrying(one).map(({ weight }) => weight)).toEqual(['fix']);
    const at = (x: number) => ({ at: [x, 0, 0] as const, diameterMm: 3 });
    const two = carryPart([at(-4), at(4)], { massG: 5, centreMm: [0, 0, 10] });
    expect(two.bornGMm).toBeCloseTo(2 * jointMomentGMm(3), 9);
    expect(judgeCarrying(two).map(({ weight }) => weight)).toEqual(['ok']);
  });
  it('without a joint bear nothing', () => {
    const none = carryPart([], { massG: 1, centreMm: [0, 0, 1] });
    expect(none.bornGMm).toBe(0);
    expect(judgeCarrying(none)[0]!.weight).toBe('fix');
  });
});

describe('where a gate stands', () => {
  const places = (
    part: ReturnType<typeof box>,
    at: [number, number, number],
    normal: [number, number, number],
  ) => {
    const mesh = welded(part);
    const show = new Uint8Array(mesh.triangles.length / 3).fill(1);
    return readGatePlaces(
      mesh,
      new TriangleTree(mesh.positions, mesh.triangles),
      [{ at, normal, diameterMm: 2 }],
      show,
    )[0]!;
  };
  it('is sawn off an outer face and the outside of a band, not off the bottom of a well', () => {
    expect(places(box([6, 6, 6]), [3, 3, 6], [0, 0, 1]).sawn).toBe(true);
    expect(places(torus(9, 1.2, 64, 24), [10.2, 0, 0], [1, 0, 0]).sawn).toBe(true);
    // A floor with four walls round it.
    const wall = (size: [number, number, number], at: [number, number, number]) => box(size, at);
    const well = together(
      wall([20, 20, 2], [0, 0, -2.1]),
      wall([2, 20, 8], [0, 0, 0]),
      wall([2, 20, 8], [18, 0, 0]),
      wall([15.8, 2, 8], [2.1, 0, 0]),
      wall([15.8, 2, 8], [2.1, 18, 0]),
    );
    expect(places(well, [10, 10, -0.1], [0, 0, 1]).sawn).toBe(false);
    const rules = judgeGatePlaces([places(well, [10, 10, -0.1], [0, 0, 1])]).map(({ rule }) => rule);
    expect(rules).toEqual(['gate on show 1', 'gate unsawn 1']);
  });
  it('in mid-air is told, and nothing else of it', () => {
    const place = places(box([6, 6, 6]), [3, 3, 9], [0, 0, 1]);
    expect(place.awayMm).toBeCloseTo(3, 9);
    expect(judgeGatePlaces([place]).map(({ rule, weight }) => [rule, weight])).toEqual([
      ['gate mid-air 1', 'fix'],
    ]);
  });
  it('reaches by a ball that holds the part', () => {
    const mesh = welded(moved(sphere(4, 2), [1, 2, 3]));
    const ball = ballRound(mesh);
    expect(ball.radius).toBeGreaterThanOrEqual(4 - 1e-6);
    const tree = new TriangleTree(mesh.positions, mesh.triangles);
    expect(sawReaches(tree, ball, { at: [1, 2, 7], normal: [0, 0, 1], diameterMm: 1 })).toBe(true);
  });
});

describe('rays and middles', () => {
  it('a ray meets the first wall beyond, from inside and outside, and none beside', () => {
    const mesh = welded(sphere(5, 4));
    const tree = new TriangleTree(mesh.positions, mesh.triangles);
    expect(rayHit(tree, [0, 0, 0], [1, 0, 0])).toBeCloseTo(5, 1);
    expect(rayHit(tree, [-20, 0.1, 0.1], [1, 0, 0])).toBeCloseTo(15, 1);
    expect(rayHit(tree, [-20, 0.1, 0.1], [1, 0, 0], 16)).toBeCloseTo(25, 1);
    expect(rayHit(tree, [-20, 6, 0], [1, 0, 0])).toBe(Infinity);
    expect(rayHit(tree, [20, 0, 0], [1, 0, 0])).toBe(Infinity);
  });
  it('the centre of mass is that of the bodies by their volumes', () => {
    const two = welded(together(box([2, 2, 2]), moved(box([4, 4, 4]), [10, 0, 0])));
    const [x, y, z] = centreOfMass(two);
    expect(x).toBeCloseTo((8 * 1 + 64 * 12) / 72, 9);
    expect(y).toBeCloseTo((8 * 1 + 64 * 2) / 72, 9);
    expect(z).toBeCloseTo((8 * 1 + 64 * 2) / 72, 9);
  });
});
