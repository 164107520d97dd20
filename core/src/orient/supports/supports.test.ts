import { describe, expect, it } from 'vitest';
import { box, moved, sphere, together, tube } from '../../testing/solids';
import { turned, welded } from '../../testing/analysed';
import { measurePrintDirection } from '../printDirection';
import { NO_ROTATION, rotatePoints, rotationMatrix } from '../rotation';
import { hangingPieces } from './hanging';
import { mirrorPlane } from './mirror';
import { StackProbe } from './stackProbe';
import { adviseSupports, SUPPORT_SPACING_MM, SUPPORT_POINT_WEIGHTS } from './adviseSupports';

const LAYER = 0.1;
const advise = (mesh: Parameters<typeof welded>[0], rotation = NO_ROTATION) =>
  adviseSupports(welded(mesh), rotation, LAYER);
/** A table: a top on one leg. */
const table = together(moved(box([3, 3, 6]), [8.5, 8.5, 0]), moved(box([20, 20, 2]), [0, 0, 5.9]));
const distance = (a: readonly number[], b: readonly number[]): number => Math.hypot(a[0]! - b[0]!, a[1]! - b[1]!, a[2]! - b[2]!); // prettier-ignore

describe('overhanging faces in pieces', () => {
  it('have the area of the faces, lowest first, and none on the plate', () => {
    const part = welded(table);
    const pieces = hangingPieces(part, 45, 0);
    const area = pieces.reduce((sum, piece) => sum + piece.areaMm2, 0);
    expect(area).toBeCloseTo(20 * 20, 6);
    expect(pieces.every(({ at }) => Math.abs(at[2] - 5.9) < 1e-9)).toBe(true);
    expect(Math.max(...pieces.map((p) => p.areaMm2))).toBeLessThanOrEqual(0.3 + 1e-9);
    const ball = hangingPieces(welded(sphere(5, 4)), 45, -5);
    for (let i = 1; i < ball.length; i++) expect(ball[i]!.at[2]).toBeGreaterThanOrEqual(ball[i - 1]!.at[2]);
  });
  it('are none on a block that lies on the plate', () => {
    expect(hangingPieces(welded(box([10, 10, 3])), 45, 0)).toEqual([]);
  });
});

describe('support advice', () => {
  it('is none for what stands by itself', () => {
    const { points, islands } = advise(box([10, 10, 4]));
    expect([points, islands]).toEqual([[], []]);
  });

  it('holds a table’s top all over, no two closer than the spacing and none far from another', () => {
    const { points } = advise(table);
    expect(points.length).toBeGreaterThan(40);
    for (const [i, a] of points.entries())
      for (const b of points.slice(i + 1)) expect(distance(a.at, b.at)).toBeGreaterThanOrEqual(SUPPORT_SPACING_MM - 1e-9); // prettier-ignore
    for (const piece of hangingPieces(welded(table), 45, 0))
      expect(Math.min(...points.map((p) => distance(p.at, piece.at)))).toBeLessThan(SUPPORT_SPACING_MM);
    // It stands on its leg: nothing is an anchor, and nobody else carries the top.
    expect(points.some((p) => p.anchor)).toBe(false);
  });

  it('begins with thick anchors under a ball that hangs on nothing', () => {
    const { points, direction } = advise(sphere(6, 4));
    const anchors = points.filter((p) => p.anchor);
    expect(direction.firstLayerMm2).toBeLessThan(8);
    expect(anchors.length).toBeGreaterThan(0);
    const lowest = Math.min(...points.map((p) => p.at[2]));
    for (const p of anchors) expect(p.at[2] - lowest).toBeLessThanOrEqual(1.5);
    expect(SUPPORT_POINT_WEIGHTS.indexOf(anchors[0]!.weight)).toBeGreaterThan(0);
  });

  it('points at what begins in mid-air, and tells its place in the file however it is turned', () => {
    const spur = together(box([10, 10, 8]), moved(box([1.5, 1.5, 3]), [14, 4, 3]), moved(box([6, 1.5, 1]), [9, 4, 6])); // prettier-ignore
    const { islands, points } = advise(spur);
    expect(islands).toHaveLength(1);
    expect(islands[0]![0]).toBeCloseTo(14.75, 0);
    expect(islands[0]![2]).toBeCloseTo(3, 0);
    expect(points.some((p) => p.why === 'island' && distance(p.at, islands[0]!) < 0.2)).toBe(true);
    const rotation = { xDeg: 0, yDeg: 0, zDeg: 90 };
    expect(distance(advise(spur, rotation).islands[0]!, islands[0]!)).toBeLessThan(1.1);
  });

  it('says where a foot would stand on the part, and where cutters do not come in', () => {
    // A shelf over the floor of a box that is open at one side only by a slit.
    const cave = together(
      box([20, 20, 1]),
      moved(box([20, 1, 8]), [0, 0, 0.9]),
      moved(box([20, 1, 8]), [0, 3.5, 0.9]),
      moved(box([20, 4.5, 1]), [0, 0, 8.8]),
    );
    const { points } = advise(cave);
    const inside = points.filter((p) => p.at[1] > 1.2 && p.at[1] < 3.3 && p.at[0] > 4 && p.at[0] < 16);
    expect(inside.length).toBeGreaterThan(0);
    for (const p of inside) expect([p.onPart, p.cut]).toEqual([true, 'hard']);
    const { points: open } = advise(table);
    expect(open.filter((p) => p.at[0] < 2).every((p) => p.cut === 'free' && !p.onPart)).toBe(true);
  });

  it('holds both sides of a ring alike', () => {
    const ring = turned(tube(10, 8, 5, 64), { xDeg: 90, yDeg: 0, zDeg: 0 });
    const { points, bothSides } = advise(ring);
    expect(bothSides).toBe(true);
    const [left, right] = [points.filter((p) => p.at[0] < -0.5), points.filter((p) => p.at[0] > 0.5)];
    expect(Math.abs(left.length - right.length)).toBeLessThanOrEqual(0.15 * points.length);
    for (const p of left)
      expect(Math.min(...points.map((q) => distance(q.at, [-p.at[0], p.at[1], p.at[2]])))).toBeLessThan(SUPPORT_SPACING_MM); // prettier-ignore
  });
});

describe('the other side', () => {
  it('is held only where it has something to hold', () => {
    // A plate on a leg, alike on both sides but for a notch in one.
    const notched = together(
      moved(box([4, 10, 6]), [10, 5, 0]),
      moved(box([24, 6, 2]), [0, 0, 5.9]),
      moved(box([24, 6, 2]), [0, 14, 5.9]),
      moved(box([22, 8.2, 2]), [0, 5.9, 5.9]),
    );
    const { points, bothSides } = advise(notched);
    expect(bothSides).toBe(true);
    const inNotch = points.filter(({ at }) => at[0] > 22.3 && at[1] > 6.3 && at[1] < 13.7);
    expect(inNotch).toEqual([]);
  });
});

describe('places of a cut part', () => {
  const { stack } = measurePrintDirection(welded(box([20, 20, 4])), { rotation: NO_ROTATION, layerMm: 0.1, pixelMm: 0.1 }); // prettier-ignore
  const probe = new StackProbe(stack);

  it('know what is cured round them', () => {
    expect(probe.layerAt(2.05)).toBe(20);
    expect(probe.isSolid(10, 10, 20)).toBe(true);
    expect(probe.isSolid(-1, 10, 20)).toBe(false);
    expect(probe.isSolid(10, 10, 400)).toBe(false);
    // A whole disc inside, half of one at the edge.
    expect(probe.areaNear(10, 10, 20, 2)).toBeCloseTo(4 * Math.PI, 0);
    expect(probe.areaNear(0, 10, 20, 2) / probe.areaNear(10, 10, 20, 2)).toBeCloseTo(0.5, 1);
  });
  it('know from how many sides the part is in the way', () => {
    expect(probe.blockedRays(10, 10, 20, 3, 16)).toBe(16);
    expect(probe.blockedRays(-1, 10, 20, 3, 16)).toBe(7);
    expect(probe.blockedRays(-4, 10, 20, 3, 16)).toBe(0);
  });
});

describe('two sides alike', () => {
  const stackOf = (mesh: Parameters<typeof welded>[0]) =>
    measurePrintDirection(welded(mesh), { rotation: NO_ROTATION, layerMm: 0.2, pixelMm: 0.2 }).stack;
  it('are found by their plane', () => {
    expect(mirrorPlane(stackOf(moved(box([8, 6, 4]), [3, 1, 0])), 0)).toBeCloseTo(7, 0);
    expect(mirrorPlane(stackOf(moved(box([8, 6, 4]), [3, 1, 0])), 1)).toBeCloseTo(4, 0);
  });
  it('are not found on a bracket', () => {
    const bracket = together(box([10, 4, 4]), moved(box([3, 4, 8]), [0, 0, 3.9]));
    expect(mirrorPlane(stackOf(bracket), 0)).toBeNull();
    expect(mirrorPlane(stackOf(bracket), 1)).not.toBeNull();
  });
  it('turn with the part', () => {
    const m = rotationMatrix({ xDeg: 0, yDeg: 0, zDeg: 90 });
    const slab = box([10, 4, 4]);
    const swapped = { ...slab, positions: [...rotatePoints(slab.positions, m)] };
    expect(mirrorPlane(stackOf(swapped), 0)).toBeCloseTo(-2, 0);
  });
});
