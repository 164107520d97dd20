import { describe, expect, it } from 'vitest';
import reference from '../../reference/geometry.json';
import { seededRandom } from '../numeric';
import { allBricks, BRICK_CELLS, cellOf, entryOf, FAR, findPeaks, measureDistances } from '../solid';
import { measured, turned } from '../testing/analysed';
import { arc, box, dumbbell, lathe, moved, together, torus, type TestMesh } from '../testing/solids';
import type { FeedField, FeedWays } from './feedField';
import { feedByGates, gradeFeed, readFeedField, type FeedingGate } from './index';

const golden = reference.feed;

const fieldOf = (mesh: TestMesh, cellMm = 0.1): FeedField => {
  const read = measured(mesh);
  return readFeedField(read.mesh, read.measure.volumeMm3, { cellMm, medianMm: 0 });
};
const gate = (at: FeedingGate['at'], diameterMm: number): FeedingGate => ({ at, diameterMm });
const sizeOf = (field: FeedField, spot: number): number => field.hotSpots[spot]!.widthMm;

describe('feed of a dumbbell by one gate', () => {
  const field = fieldOf(dumbbell(2.4));
  const feeds = feedByGates(field, [gate([0, 0, -3], 5)]);
  it('has the reference’s masses and widths', () => {
    expect(feeds).toHaveLength(golden.hot_spots);
    const [large, small] = feeds;
    expect(Math.min(5, large!.neck?.widthMm ?? sizeOf(field, 0)) / sizeOf(field, 0)).toBeCloseTo(
      golden.large,
      1,
    );
    expect(small!.neck!.widthMm / sizeOf(field, 1)).toBeCloseTo(golden.small, 1);
    expect(small!.neck!.at[2]).toBeGreaterThan(2.2);
    expect(small!.neck!.at[2]).toBeLessThan(5);
  });
  it('weighs the gate by D/4 and the neck by V/A against the mass', () => {
    const [large] = feeds;
    // A ball of 6 mm alone has V/A 1; the piece of neck within the ball of 1.5 widths changes it little.
    expect(large!.gateRatio).toBeCloseTo(1.25 / field.hotSpots[0]!.modulusMm, 9);
    expect(field.hotSpots[0]!.modulusMm).toBeGreaterThan(0.85);
    expect(field.hotSpots[0]!.modulusMm).toBeLessThan(1.05);
  });
  it('takes a long even neck as it is for most of its length, not where it joins a mass', () => {
    // A wire of 1.2 mm, 8 mm long, between a ball of 6 mm and a slab: its V/A is a quarter of its thickness.
    const outline: [number, number][] = [...arc(3, 0, -90, 78.46, 24), [0.6, 10], [4, 10], [4, 13], [0, 13]];
    const field = fieldOf(lathe(outline, 64));
    const ball = field.hotSpots.findIndex(({ at }) => at[2] < 3);
    const feeds = feedByGates(field, [{ at: [0, 0, 13], diameterMm: 6 }]);
    const { neck, neckRatio } = feeds[ball]!;
    expect(neck!.widthMm).toBeCloseTo(1.2, 1);
    expect(neck!.modulusMm).toBeCloseTo(0.3, 1);
    expect(neckRatio).toBeLessThan(0.45);
  });
  it('is mended by a second gate on the mass behind a thin neck', () => {
    const thin = fieldOf(dumbbell(1));
    const first = gate([0, 0, -3], 5);
    const [, small] = feedByGates(thin, [first]);
    expect(gradeFeed(small!)).not.toBe('good');
    expect(small!.neckRatio).toBeLessThan(0.8);
    const [, mended] = feedByGates(thin, [first, gate([0, 0, 8.5], 3.4)]);
    expect(mended!.gate).toBe(1);
    expect(gradeFeed(mended!)).toBe('good');
  });
  it('is nothing without a gate, and from one in mid-air', () => {
    expect(feedByGates(field, []).map(gradeFeed)).toEqual(['fix', 'fix']);
    expect(feedByGates(field, [gate([30, 0, 0], 3)]).map(({ gate: n }) => n)).toEqual([-1, -1]);
  });
});

describe('feed of plain shapes', () => {
  it.each([
    ['a plate of 2 mm', box([12, 12, 2]), [0, 6, 1], 2 / 2],
    ['a wire of 2 mm', lathe([[0, 0], [1, 0], [1, 20], [0, 20]], 48), [0, 0, 0], 2 / 4], // prettier-ignore
    ['a ring of 3 mm wire', torus(9, 1.5, 96, 32), [10.5, 0, 0], 3 / 4],
  ] as const)('%s has one mass of its own modulus, fed by a gate 1.1 times that', (_, mesh, at, modulus) => {
    const field = fieldOf(mesh);
    const masses = field.hotSpots.filter(({ widthMm }) => widthMm > 0.9 * sizeOf(field, 0));
    expect(masses[0]!.modulusMm / modulus).toBeGreaterThan(0.72);
    expect(masses[0]!.modulusMm / modulus).toBeLessThan(1.1);
    const asked = 4 * 1.1 * masses[0]!.modulusMm;
    const grade = (diameterMm: number) =>
      gradeFeed(feedByGates(field, [gate([...at] as FeedingGate['at'], diameterMm)])[0]!);
    expect(grade(asked)).toBe('good');
    expect(grade(0.95 * asked)).toBe('watch');
    expect(grade(0.7 * asked)).toBe('fix');
  });

  it('turns with the part', () => {
    const tilt = { xDeg: 25, yDeg: -40, zDeg: 10 };
    const at = turned({ positions: [0, 0, -3], triangles: [] }, tilt).positions as FeedingGate['at'];
    const straight = feedByGates(fieldOf(dumbbell(2.4)), [gate([0, 0, -3], 5)]);
    const tilted = feedByGates(fieldOf(turned(dumbbell(2.4), tilt)), [gate(at, 5)]);
    tilted.forEach(({ neckRatio }, n) => expect(neckRatio).toBeCloseTo(straight[n]!.neckRatio, 1));
  });

  it('is not read of a surface too open to tell inside from outside', () => {
    const { positions, triangles } = torus(9, 1.5, 96, 32);
    const open = { positions, triangles: triangles.filter((_, n) => Math.floor(n / 3) % 3 !== 0) };
    const mesh = { positions: Float64Array.from(positions), triangles: Uint32Array.from(open.triangles), degenerateCount: 0 }; // prettier-ignore
    expect(() => readFeedField(mesh, 400, { cellMm: 0.1, medianMm: 0 })).toThrow('MESH_TOO_OPEN');
  });

  it('does not leap from one body to another', () => {
    const field = fieldOf(together(dumbbell(2.4), moved(box([3, 3, 3]), [8, 0, 0])));
    const feeds = feedByGates(field, [gate([0, 0, -3], 5)]);
    expect(feeds.filter(({ gate: n }) => n < 0)).toHaveLength(1);
  });
});

describe('the widest way', () => {
  const SIDE = 24;
  const bricks = allBricks({ nx: SIDE, ny: SIDE, nz: SIDE, cellMm: 0.1, originMm: [0, 0, 0] });

  /** A heap of balls on a grid, with sections that are widths alone. */
  function heap(seed: number): FeedWays {
    const random = seededRandom(seed).uniform;
    const balls = Array.from({ length: 7 }, () => [2 + 19 * random(), 2 + 19 * random(), 2 + 19 * random(), 2 + 4 * random()]); // prettier-ignore
    const inside = new Uint16Array(bricks.place.length * BRICK_CELLS);
    const cell = new Int32Array(3);
    for (let e = 0; e < inside.length; e++) {
      cellOf(bricks, e, cell);
      if (cell.some((v) => v <= 0 || v >= SIDE - 1)) continue;
      if (balls.some(([x, y, z, r]) => Math.hypot(cell[0]! - x!, cell[1]! - y!, cell[2]! - z!) < r!))
        inside[e] = FAR;
    }
    measureDistances(bricks, inside, 'zero');
    const { peaks, basin, all } = findPeaks(bricks, inside, true);
    const sectionOf = (entry: number) => {
      const widthMm = Math.sqrt(inside[entry]!);
      return { at: [0, 0, 0] as [number, number, number], widthMm, modulusMm: widthMm };
    };
    const hotSpots = peaks.map(({ entry, parent }) => ({ ...sectionOf(entry), parent, neck: null, feedRatio: 1 })); // prettier-ignore
    return { bricks, inside, basin, all, cellMm: 0.1, hotSpots, entries: peaks.map(({ entry }) => entry), sectionOf, neckOf: sectionOf }; // prettier-ignore
  }

  /** Squared width of the widest way from the cells under a gate, by flooding from the widest cells down. */
  function brute({ inside }: FeedWays, under: readonly number[]): Uint16Array {
    const best = new Uint16Array(inside.length);
    const rows: number[][] = [];
    const push = (entry: number, width: number): void => {
      if (width <= best[entry]!) return;
      best[entry] = width;
      (rows[width] ??= []).push(entry);
    };
    under.forEach((entry) => push(entry, inside[entry]!));
    const cell = new Int32Array(3);
    for (let width = rows.length - 1; width > 0; width--) {
      for (const entry of rows[width] ?? []) {
        if (best[entry]! > width) continue;
        cellOf(bricks, entry, cell);
        for (let n = 0; n < 27; n++) {
          const d = [(n % 3) - 1, (Math.floor(n / 3) % 3) - 1, Math.floor(n / 9) - 1] as const;
          const other = entryOf(bricks, cell[0]! + d[0], cell[1]! + d[1], cell[2]! + d[2]);
          if (other < 0 || inside[other] === 0) continue;
          // As the search joins cells: by all 26 neighbours in thin places, by faces where the later of the two is wide.
          const faces = Math.abs(d[0]) + Math.abs(d[1]) + Math.abs(d[2]) === 1;
          if (!faces && Math.min(inside[entry]!, inside[other]!) > 8) continue;
          push(other, Math.min(width, inside[other]!));
        }
      }
    }
    return best;
  }

  it('is as wide as a search from each gate by itself finds it, on 200 heaps', () => {
    let compared = 0;
    for (let seed = 1; seed <= 200; seed++) {
      const field = heap(seed);
      const filled = [...field.inside.keys()].filter((e) => field.inside[e]! > 0);
      if (filled.length === 0) continue;
      const random = seededRandom(1000 + seed).uniform;
      const cell = new Int32Array(3);
      cellOf(bricks, filled[Math.floor(random() * filled.length)]!, cell);
      const at = [...cell].map((v) => v * 0.1) as FeedingGate['at'];
      const under = filled.filter((e) => {
        const other = new Int32Array(3);
        cellOf(bricks, e, other);
        return Math.hypot(other[0]! - cell[0]!, other[1]! - cell[1]!, other[2]! - cell[2]!) <= 3;
      });
      const wanted = brute(field, under);
      for (const { spot, gate: n, neck } of feedByGates(field, [gate(at, 0.4)])) {
        const width2 = wanted[field.entries[spot]!]!;
        expect(n).toBe(width2 > 0 ? 0 : -1);
        if (neck) expect(Math.round(neck.widthMm ** 2)).toBe(width2);
        else if (n === 0) expect(width2).toBeGreaterThanOrEqual(0.81 * field.inside[field.entries[spot]!]!);
        compared++;
      }
    }
    expect(compared).toBeGreaterThan(400);
  });
});
