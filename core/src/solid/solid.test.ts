import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { measureBounds } from '../mesh';
import { seededRandom } from '../numeric';
import { measured, turned, welded } from '../testing/analysed';
import { cube, lathe, moved, sphere, together, torus } from '../testing/solids';
import {
  allBricks,
  BRICK_CELLS,
  cellOf,
  columnsOf,
  crossColumns,
  entryOf,
  FAR,
  frameRound,
  measureDistances,
  sizePercentile,
  solidRuns,
  sweepDexels,
  TriangleTree,
  UnionFind,
  WindingField,
  type Bricks,
  type Closest,
} from './index';

/** A frame of cells of side 1 from the origin. */
const frame = (n: number) => ({ cellMm: 1, originMm: [0, 0, 0] as const, nx: n, ny: n, nz: n });

/** Squared distances by trying every cell against every other. */
function bruteDistances(bricks: Bricks, zeros: ReadonlySet<number>, edges: boolean): Map<number, number> {
  const { nx, ny, nz } = bricks.frame;
  const out = new Map<number, number>();
  const cells: [number, number, number, number][] = [];
  for (let z = 0; z < nz; z++)
    for (let y = 0; y < ny; y++) for (let x = 0; x < nx; x++) cells.push([x, y, z, entryOf(bricks, x, y, z)]);
  const sources = cells.filter(([, , , e]) => zeros.has(e));
  for (const [x, y, z, e] of cells) {
    let best = edges ? Math.min(x + 1, y + 1, z + 1, nx - x, ny - y, nz - z) ** 2 : FAR;
    for (const [sx, sy, sz] of sources) best = Math.min(best, (x - sx) ** 2 + (y - sy) ** 2 + (z - sz) ** 2);
    out.set(e, best);
  }
  return out;
}

describe('distances on a grid', () => {
  it.each([true, false])('are those of every pair of cells (beyond the frame is empty: %s)', (edges) => {
    const bricks = allBricks(frame(16));
    fc.assert(
      fc.property(fc.uniqueArray(fc.nat(4095), { minLength: edges ? 0 : 1, maxLength: 9 }), (places) => {
        const zeros = new Set(places.map((n) => entryOf(bricks, n & 15, (n >> 4) & 15, n >> 8)));
        const field = new Uint16Array(8 * BRICK_CELLS).fill(FAR);
        for (const e of zeros) field[e] = 0;
        measureDistances(bricks, field, edges ? 'zero' : 'unknown');
        for (const [e, d2] of bruteDistances(bricks, zeros, edges)) expect(field[e]).toBe(d2);
      }),
      { numRuns: 12, seed: 3 },
    );
  });
  it('beyond a limit stay unknown, and within it are unchanged', () => {
    const bricks = allBricks(frame(16));
    const whole = new Uint16Array(8 * BRICK_CELLS).fill(FAR);
    whole[entryOf(bricks, 3, 4, 5)] = 0;
    const band = whole.slice();
    measureDistances(bricks, whole, 'unknown');
    measureDistances(bricks, band, 'unknown', 20);
    whole.forEach((d2, e) => expect(band[e]).toBe(d2 <= 20 ? d2 : FAR));
  });
  it('of an entry and its cell go back and forth', () => {
    const bricks = allBricks(frame(24));
    const cell = new Int32Array(3);
    cellOf(bricks, entryOf(bricks, 17, 3, 22), cell);
    expect([...cell]).toEqual([17, 3, 22]);
    expect(entryOf(bricks, 24, 0, 0)).toBe(-1);
  });
});

describe('rays', () => {
  it('through a body measure its volume, each body once', () => {
    const part = together(cube(4), cube(4, [2, 0, 0]), moved(sphere(2, 3), [20, 0, 0]));
    const mesh = welded(part);
    const dexels = sweepDexels(
      mesh.positions,
      mesh.triangles,
      columnsOf(frameRound(measureBounds(mesh.positions), 0.1, 1)),
    );
    let length = 0;
    for (let r = 0; 2 * r < dexels.ends.length; r++) length += dexels.ends[2 * r + 1]! - dexels.ends[2 * r]!;
    const ball = measured(sphere(2, 3)).measure.volumeMm3;
    expect(length * 0.01).toBeGreaterThan(0.985 * (96 + ball));
    expect(length * 0.01).toBeLessThan(1.015 * (96 + ball));
  });
});

describe('the triangle tree', () => {
  const mesh = welded(turned(torus(5, 2, 20, 12), { xDeg: 20, yDeg: 40, zDeg: 0 }));
  const tree = new TriangleTree(mesh.positions, mesh.triangles);
  /** Distance to a triangle by projecting on a fine grid of its points: an upper bound a hair above. */
  const sampled = (x: number, y: number, z: number): number => {
    let best = Infinity;
    for (let t = 0; t < mesh.triangles.length; t += 3) {
      const corner = (k: number) => [0, 1, 2].map((a) => mesh.positions[3 * mesh.triangles[t + k]! + a]!);
      const [a, b, c] = [corner(0), corner(1), corner(2)];
      for (let u = 0; u <= 12; u++) {
        for (let v = 0; u + v <= 12; v++) {
          const p = a.map((value, k) => value + (u * (b[k]! - value) + v * (c[k]! - value)) / 12);
          best = Math.min(best, Math.hypot(p[0]! - x, p[1]! - y, p[2]! - z));
        }
      }
    }
    return best;
  };
  it('finds the nearest point of the surface', () => {
    const hit: Closest = { distance2: 0, x: 0, y: 0, z: 0, triangle: 0 };
    fc.assert(
      fc.property(
        fc.tuple(...[0, 1, 2].map(() => fc.double({ min: -9, max: 9, noNaN: true }))),
        ([x, y, z]) => {
          expect(tree.closest(x!, y!, z!, Infinity, hit)).toBe(true);
          const near = Math.sqrt(hit.distance2);
          expect(Math.hypot(hit.x - x!, hit.y - y!, hit.z - z!)).toBeCloseTo(near, 9);
          const bound = sampled(x!, y!, z!);
          expect(near).toBeLessThanOrEqual(bound + 1e-9);
          expect(near).toBeGreaterThan(bound - 0.12);
        },
      ),
      { numRuns: 40, seed: 5 },
    );
  });
  it('says so when nothing is near enough', () => {
    const hit: Closest = { distance2: -1, x: 0, y: 0, z: 0, triangle: 0 };
    expect(tree.closest(30, 0, 0, 4, hit)).toBe(false);
    expect(hit.distance2).toBe(-1);
  });
  const hit: Closest = { distance2: 0, x: 0, y: 0, z: 0, triangle: 0 };
  it('tells whether anything is nearer than a distance as the nearest point does, of slivers too', () => {
    const random = seededRandom(7);
    // Some triangles of a ball drawn out to slivers across it, and far from the origin.
    const ball = sphere(4, 3);
    const positions = Float64Array.from(ball.positions, (value, n) => value + 40 * (n % 3));
    const triangles = Uint32Array.from(ball.triangles, (v, n) =>
      n % 27 === 1 ? (v + 90) % (positions.length / 3) : v,
    );
    const tree = new TriangleTree(positions, triangles);
    let near = 0;
    for (let n = 0; n < 3000; n++) {
      const [x, y, z] = [0, 1, 2].map((k) => 40 * k + 12 * (random.uniform() - 0.5)) as [
        number,
        number,
        number,
      ];
      const reach = 3 * random.uniform();
      hit.distance2 = Infinity;
      tree.closest(x, y, z, Infinity, hit);
      // Within a thousandth of the distance either answer is right.
      if (Math.abs(Math.sqrt(hit.distance2) / reach - 1) < 1e-3) continue;
      const isNear = Math.sqrt(hit.distance2) < reach;
      if (isNear) near++;
      expect(tree.isNearer(x, y, z, reach * reach)).toBe(isNear);
    }
    expect(near).toBeGreaterThan(500);
    expect(near).toBeLessThan(2500);
  });
  it('finds the nearest point where a face is thinner than its numbers are exact', () => {
    // Two corners apart by less than the last digits of a coordinate: the face has no direction of its own.
    const positions = Float64Array.from([1000, 0, 0, 1010, 0, 0, 1010, 1e-13, 3e-13]);
    const tree = new TriangleTree(positions, Uint32Array.from([0, 1, 2]));
    for (const [y, z] of [
      [1, 0],
      [0, 1],
      [-1, 1],
    ] as const) {
      expect(tree.closest(1005, y, z, 9, hit)).toBe(true);
      expect(Math.sqrt(hit.distance2)).toBeCloseTo(Math.hypot(y, z), 6);
      expect(tree.isNearer(1005, y, z, 9)).toBe(true);
      expect(tree.isNearer(1005, y, z, 0.9)).toBe(false);
    }
  });
  it('knows inside from outside by winding', () => {
    const field = new WindingField(tree);
    const axis = turned(
      { positions: [5, 0, 0, 0, 0, 0, 9, 0, 0], triangles: [] },
      { xDeg: 20, yDeg: 40, zDeg: 0 },
    ).positions;
    expect(field.at(axis[0]!, axis[1]!, axis[2]!)).toBeCloseTo(1, 1);
    expect(field.at(axis[3]!, axis[4]!, axis[5]!)).toBeCloseTo(0, 1);
    expect(field.at(axis[6]!, axis[7]!, axis[8]!)).toBeCloseTo(0, 1);
  });
});

describe('sets and shares', () => {
  it('joined sets have one root', () => {
    const sets = new UnionFind(6);
    sets.join(0, 3);
    sets.join(3, 5);
    expect([0, 3, 5].map((n) => sets.find(n) === sets.find(0))).toEqual([true, true, true]);
    expect(sets.find(1)).not.toBe(sets.find(0));
  });
  it('percentiles lie within their bin by the share of its volume', () => {
    expect(sizePercentile([0, 4, 4], 0.5, 0.5)).toBeCloseTo(1, 12);
    expect(sizePercentile([0, 4, 4], 0.5, 0.25)).toBeCloseTo(0.75, 12);
    expect(sizePercentile([8], 0.5, 1)).toBeCloseTo(0.5, 12);
  });
});

describe('rays through slivers', () => {
  it('meet them as they meet the same solid of few triangles', () => {
    const few = welded(lathe([[0, 0], [5, 0], [0, 8]], 12)); // prettier-ignore
    // Every side split into strips from the tip: long, thin, and across the whole grid.
    const positions = [...few.positions];
    const triangles: number[] = [];
    for (let t = 0; t < few.triangles.length; t += 3) {
      const [a, b, c] = [few.triangles[t]!, few.triangles[t + 1]!, few.triangles[t + 2]!];
      const strips = 40;
      let last = a;
      for (let n = 1; n <= strips; n++) {
        let next = b;
        if (n < strips) {
          next = positions.length / 3;
          for (let k = 0; k < 3; k++)
            positions.push(few.positions[3 * a + k]! + ((few.positions[3 * b + k]! - few.positions[3 * a + k]!) * n) / strips); // prettier-ignore
        }
        triangles.push(last, next, c);
        last = next;
      }
    }
    const grid = columnsOf(frameRound(measureBounds(few.positions), 0.13, 1));
    const runs = (p: ArrayLike<number>, t: Uint32Array) => solidRuns(crossColumns(p, t, grid), () => true);
    const [coarse, fine] = [runs(few.positions, few.triangles), runs(positions, Uint32Array.from(triangles))];
    expect(fine.unbalancedColumns).toBe(0);
    const length = ({ ends }: typeof coarse): number =>
      ends.reduce((sum, end, i) => sum + (i % 2 ? end : -end), 0);
    expect(length(fine)).toBeCloseTo(length(coarse), 6);
  });
});
