import { describe, expect, it } from 'vitest';
import { castingModulusMm, gateDiameterForModulusMm, GATES_CM3, judgeGates, proposedGates } from '../gate';
import { InputError } from '../numeric';
import { cube, sphere } from '../testing/solids';
import { measureStance, NO_ROTATION, pickSupportPoints, rotatePoints, rotationMatrix } from './index';

const points = (positions: number[]): number[] => pickSupportPoints(Float64Array.from(positions));

describe('support points', () => {
  it('hold a cube’s corners, so its stance is exact however it is turned', () => {
    const corners = points(cube(10).positions);
    expect(corners).toHaveLength(24);
    const tilted = measureStance(corners, { xDeg: 45, yDeg: 0, zDeg: 0 });
    expect(tilted.heightMm).toBeCloseTo(10 * Math.SQRT2, 9);
    expect(tilted.footprintMm[0]).toBeCloseTo(10, 9);
  });
  it('are the same, whatever the order of the vertices', () => {
    const { positions } = sphere(8, 4);
    const shuffled: number[] = [];
    // A step coprime to the count visits every vertex once, far from its neighbours.
    for (let i = 0, n = positions.length / 3; i < n; i++)
      shuffled.push(...positions.slice(3 * ((i * 617) % n), 3 * ((i * 617) % n) + 3));
    const reach = (list: number[]) => measureStance(list, { xDeg: 31, yDeg: -12, zDeg: 5 }).heightMm;
    expect(reach(points(shuffled))).toBeCloseTo(reach(points(positions)), 9);
  });
  it('are short by at most half a percent of the radius on a sphere, in any turn', () => {
    const ball = points(sphere(8, 5).positions);
    for (const [xDeg, yDeg] of [
      [0, 0],
      [13, 57],
      [71, 29],
      [-40, 8],
    ] as const) {
      const { heightMm, cylinderDiameterMm } = measureStance(ball, { xDeg, yDeg, zDeg: 17 });
      expect(heightMm).toBeLessThanOrEqual(16 + 1e-9);
      expect(heightMm).toBeGreaterThan(16 - 2 * 8 * 0.005);
      expect(cylinderDiameterMm).toBeGreaterThan(16 - 2 * 8 * 0.005);
    }
  });
});

describe('rotation', () => {
  it('keeps lengths and undoes with its transpose', () => {
    const m = rotationMatrix({ xDeg: 20, yDeg: -35, zDeg: 110 });
    const turned = rotatePoints([1, 2, 3], m);
    expect(Math.hypot(...turned)).toBeCloseTo(Math.hypot(1, 2, 3), 12);
    const back = rotatePoints(
      turned,
      [0, 3, 6, 1, 4, 7, 2, 5, 8].map((i) => m[i]!),
    );
    [1, 2, 3].forEach((v, k) => expect(back[k]).toBeCloseTo(v, 12));
  });
  it('turns about x, then y, then z', () => {
    const turned = rotatePoints([0, 0, 1], rotationMatrix({ xDeg: 90, yDeg: 0, zDeg: 90 }));
    [1, 0, 0].forEach((v, k) => expect(turned[k]).toBeCloseTo(v, 12));
    expect([...rotatePoints([1, 2, 3], rotationMatrix(NO_ROTATION))]).toEqual([1, 2, 3]);
  });
});

describe('gates by the modulus rule', () => {
  it('ask for 0.73 × the diameter of a ball and 2.2 × the thickness of a plate', () => {
    const d = 6;
    const ball = castingModulusMm((Math.PI / 6) * d ** 3, Math.PI * d ** 2);
    expect(gateDiameterForModulusMm(ball) / d).toBeCloseTo(0.7333, 3);
    const plate = castingModulusMm(2 * 1e6, 2 * 1e6);
    expect(gateDiameterForModulusMm(plate) / 2).toBeCloseTo(2.2, 9);
  });
  it('are never under 1.5 mm, and over 5 mm two are offered', () => {
    expect(gateDiameterForModulusMm(0.01)).toBe(1.5);
    const rules = judgeGates({ count: 1, diameterMm: 7, lengthMm: 4 }, 1.5).map(
      (j) => `${j.rule} ${j.weight}`,
    );
    expect(rules).toEqual(['gate feeds ok', 'gate two watch']);
  });
  it('are named when missing or thin', () => {
    expect(judgeGates({ count: 0, diameterMm: 2, lengthMm: 4 }, 0.5)[0]).toMatchObject({ weight: 'stop' });
    expect(judgeGates({ count: 1, diameterMm: 1.5, lengthMm: 4 }, 0.5)[0]).toMatchObject({
      rule: 'gate thin',
      weight: 'fix',
    });
    expect(GATES_CM3.of({ n: 2, D: 2, L: 5 })).toBeCloseTo(Math.PI / 100, 12);
  });
  it('are made to the next 0.2 mm, and short', () => {
    expect(proposedGates(1.5)).toEqual({ count: 1, diameterMm: 1.6, lengthMm: 2.5 });
    expect(proposedGates(2.4)).toEqual({ count: 1, diameterMm: 2.4, lengthMm: 3.5 });
    expect(proposedGates(2.4001)).toEqual({ count: 1, diameterMm: 2.6, lengthMm: 4 });
    expect(() => proposedGates(0)).toThrow(InputError);
  });
});
