import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  hullOf,
  nestPlate,
  outlineArea,
  platePlaces,
  PLATE_GAP_MM,
  raftAreaMm2,
  shadowOf,
  turnOutline,
  widenOutline,
  type Outline,
  type Placed,
} from './index';

const circle = (radius: number): Outline =>
  hullOf(Array.from({ length: 40 }, (_, i) => {
    const a = (2 * Math.PI * i) / 40;
    return [radius * Math.cos(a), radius * Math.sin(a)] as const;
  })); // prettier-ignore
const rectangle = (w: number, d: number): Outline => hullOf([[0, 0], [w, 0], [w, d], [0, d]]); // prettier-ignore

const standing = ({ outline, xMm, yMm }: Placed): [number, number][] =>
  outline.map(([x, y]) => [x + xMm, y + yMm]);
type P = readonly [number, number];
function toSegment(p: P, a: P, b: P): number {
  const [ux, uy] = [b[0] - a[0], b[1] - a[1]];
  const t = Math.min(1, Math.max(0, ((p[0] - a[0]) * ux + (p[1] - a[1]) * uy) / (ux * ux + uy * uy || 1)));
  return Math.hypot(p[0] - a[0] - t * ux, p[1] - a[1] - t * uy);
}
const inside = (p: P, of: readonly P[]): boolean =>
  of.every((a, i) => {
    const b = of[(i + 1) % of.length]!;
    return (b[0] - a[0]) * (p[1] - a[1]) - (b[1] - a[1]) * (p[0] - a[0]) >= 0;
  });
/** Exact distance of two convex outlines; 0 when they overlap. */
function apart(a: readonly P[], b: readonly P[]): number {
  if (a.some((p) => inside(p, b)) || b.some((p) => inside(p, a))) return 0;
  let least = Infinity;
  for (const [one, other] of [
    [a, b],
    [b, a],
  ] as const)
    // prettier-ignore
    for (const p of one)
      other.forEach((q, i) => (least = Math.min(least, toSegment(p, q, other[(i + 1) % other.length]!))));
  return least;
}
function holds(placed: readonly Placed[], plate: readonly [number, number], gapMm = PLATE_GAP_MM): void {
  const outlines = placed.map(standing);
  outlines.forEach((outline, i) => {
    for (const [x, y] of outline) {
      expect(Math.min(x, y, plate[0] - x, plate[1] - y)).toBeGreaterThanOrEqual(gapMm - 1e-6);
    }
    for (const other of outlines.slice(i + 1))
      expect(apart(outline, other)).toBeGreaterThanOrEqual(gapMm - 1e-6);
  });
}

describe('a raft', () => {
  it('is the outline from above with a rim, and follows the size', () => {
    const box = [0, 0, 0, 10, 0, 0, 10, 6, 0, 0, 6, 5];
    expect(outlineArea(shadowOf(box))).toBeCloseTo(60, 9);
    expect(outlineArea(shadowOf(box, 2))).toBeCloseTo(240, 9);
    // A rim of 1 mm: sides and round corners, drawn a little outside.
    expect(raftAreaMm2(shadowOf(box))).toBeGreaterThan(60 + 32 + Math.PI);
    expect(raftAreaMm2(shadowOf(box))).toBeLessThan(60 + 32 + 4);
  });
});

describe('outlines', () => {
  it('are the hull of what stands there', () => {
    expect(hullOf([[0, 0], [2, 0], [1, 0.5], [2, 2], [0, 2], [1, 1]])).toHaveLength(4); // prettier-ignore
    expect(turnOutline([[1, 0]], 90)[0]![1]).toBeCloseTo(1, 12);
  });

  it('are widened by no less than they should', () => {
    const wide = widenOutline(circle(5), 1.5);
    for (const [x, y] of wide) expect(Math.hypot(x, y)).toBeGreaterThan(6.4);
    for (let a = 0; a < 6.28; a += 0.1)
      expect(inside([6.48 * Math.cos(a), 6.48 * Math.sin(a)], wide)).toBe(true);
  });
});

describe('nesting', () => {
  const PLATE = [120, 68] as const;

  it('never lets parts touch, whatever they are', () => {
    const parts = fc.array(
      fc.record({
        points: fc.array(fc.tuple(fc.integer({ min: -14, max: 14 }), fc.integer({ min: -14, max: 14 })), { minLength: 4, maxLength: 9 }), // prettier-ignore
        count: fc.integer({ min: 1, max: 6 }),
      }),
      { minLength: 1, maxLength: 3 },
    );
    fc.assert(
      fc.property(parts, (list) => {
        const items = list.map(({ points, count }, i) => ({
          key: String(i),
          outline: hullOf(points),
          count,
        }));
        fc.pre(items.every(({ outline }) => outline.length >= 3));
        const { placed, left } = nestPlate(PLATE, items);
        holds(placed, PLATE);
        for (const { key, count } of items)
          expect(placed.filter((p) => p.key === key).length + (left[key] ?? 0)).toBe(count);
      }),
      { numRuns: 12, seed: 9 },
    );
  });

  it('puts more round parts on a plate than rows and columns do', () => {
    const { placed } = nestPlate(PLATE, [{ key: 'limpet', outline: circle(7.02), count: 60 }]);
    expect(placed.length).toBeGreaterThan(platePlaces(PLATE, [14.04, 14.04]));
    holds(placed, PLATE);
  });

  it('turns a long part where that fits more, and loses nothing against rows and columns on square ones', () => {
    const long = nestPlate([60, 40], [{ key: 'a', outline: rectangle(34, 5), count: 20 }]);
    expect(long.placed.length).toBeGreaterThanOrEqual(platePlaces([60, 40], [34, 5]));
    const square = nestPlate(PLATE, [{ key: 'a', outline: rectangle(20, 20), count: 40 }]);
    expect(square.placed.length).toBeGreaterThanOrEqual(platePlaces(PLATE, [20, 20]));
    holds(long.placed, [60, 40]);
  });

  it('is never worse than rows and columns', () => {
    for (const radius of [3, 4.7, 5.75, 6.9, 9.3, 12]) {
      const { placed } = nestPlate(PLATE, [{ key: 'a', outline: circle(radius), count: 200 }]);
      expect(placed.length).toBeGreaterThanOrEqual(platePlaces(PLATE, [2 * radius, 2 * radius]));
      holds(placed, PLATE);
    }
  });

  it('stands the largest first and says what found no room', () => {
    const { placed, left } = nestPlate([60, 40], [
      { key: 'small', outline: circle(3), count: 4 },
      { key: 'large', outline: rectangle(40, 30), count: 2 },
    ]); // prettier-ignore
    expect(placed[0]!.key).toBe('large');
    expect(left).toEqual({ large: 1 });
    expect(nestPlate([20, 20], [{ key: 'a', outline: rectangle(30, 5), count: 1 }]).placed).toEqual([]);
  });
});
