import { describe, expect, it } from 'vitest';
import { turned, welded } from '../../testing/analysed';
import { arc, bowl, box, lathe, moved, sphere, together, tube, type TestMesh } from '../../testing/solids';
import { measurePrintDirection } from '../printDirection';
import { NO_ROTATION, rotationMatrix, type Rotation } from '../rotation';
import {
  costOf,
  cutWayUp,
  directionOf,
  findWaysUp,
  makeSearchSurface,
  QuickLooker,
  rotationFor,
  searchWaysUp,
  spreadDirections,
  WAY_AIMS,
  type Direction,
} from './index';

const LOOK = { layerMm: 0.05 };
const surfaceOf = (mesh: TestMesh) => makeSearchSurface(welded(mesh));
const lookAt = (mesh: TestMesh, direction: Direction) =>
  new QuickLooker(surfaceOf(mesh)).look(direction, LOOK);
const UP: Direction = [0, 0, 1];
const DOWN: Direction = [0, 0, -1];
/** Angle between two directions. */
const degApart = (a: Direction, b: Direction): number =>
  (Math.acos(Math.min(1, a[0] * b[0] + a[1] * b[1] + a[2] * b[2])) * 180) / Math.PI;

/** A dome of radius 5, flat side down. */
const dome = lathe([[0, 0], ...arc(5, 0, 0, 90, 24)], 64);

describe('directions', () => {
  it('are spread evenly, and a turn brings each upright', () => {
    const directions = spreadDirections(300);
    expect(directions).toHaveLength(300);
    for (const d of directions) {
      expect(Math.hypot(...d)).toBeCloseTo(1, 9);
      const m = rotationMatrix(rotationFor(d));
      const upright = [0, 1, 2].map(
        (row) => m[3 * row]! * d[0] + m[3 * row + 1]! * d[1] + m[3 * row + 2]! * d[2],
      );
      expect(upright[2]).toBeCloseTo(1, 6);
      expect(degApart(directionOf(rotationFor(d)), d)).toBeLessThan(0.01);
    }
    // No direction is further than this from one of them.
    for (const probe of spreadDirections(97))
      expect(Math.min(...directions.map((d) => degApart(d, probe)))).toBeLessThan(9);
  });
});

describe('a quick look', () => {
  it('knows height, section and overhang of a box', () => {
    const look = lookAt(box([20, 10, 4]), UP);
    expect(look.heightMm).toBeCloseTo(4, 9);
    expect(look.peakMm2).toBeCloseTo(200, 6);
    // It lies on the plate: nothing hangs.
    expect([look.overhangMm2, look.islands, look.cups]).toEqual([0, 0, 0]);
    expect(lookAt(box([20, 10, 4]), [1, 0, 0]).heightMm).toBeCloseTo(20, 9);
  });

  it('finds the section of a sphere by its faces alone', () => {
    const look = lookAt(sphere(5, 4), UP);
    expect(look.peakMm2).toBeGreaterThan(0.97 * Math.PI * 25);
    expect(look.peakMm2).toBeLessThan(1.01 * Math.PI * 25);
    // The cap that looks down more steeply than 45°: 2πr²(1 − cos 45°).
    expect(look.overhangMm2 / (2 * Math.PI * 25 * (1 - Math.SQRT1_2))).toBeCloseTo(1, 1);
  });

  it('tells a cup from an island: a bowl mouth up, mouth down', () => {
    const part = bowl(6, 5, 24, 48);
    const [a, b] = [lookAt(part, UP), lookAt(part, DOWN)];
    const [cup, other] = a.cups > 0 ? [a, b] : [b, a];
    expect([cup.cups, cup.islands]).toEqual([1, 0]);
    expect(cup.cupDepthMm).toBeGreaterThan(3);
    expect(other.cups).toBe(0);
  });

  it('counts what begins in mid-air as the cut layers do', () => {
    // A bar across two posts, with three drops that hang from it.
    const drop = (x: number): TestMesh => moved(box([1, 1, 3]), [x, 1, 5]);
    const part = together(
      box([1, 3, 8]),
      moved(box([1, 3, 8]), [15, 0, 0]),
      moved(box([16, 3, 2]), [0, 0, 8]),
      drop(4),
      drop(8),
      drop(12),
    );
    const rotation = NO_ROTATION;
    const posts = measurePrintDirection(welded(part), { rotation, layerMm: 0.1, pixelMm: 0.1 });
    expect(lookAt(part, UP).islands).toBe(posts.direction.islands.length);
    expect(posts.direction.islands).toHaveLength(3);
    const hook = lathe([[0, 0], [1, 0], [1, 8], [3, 8], [3, 4], [4, 4], [4, 9], [0, 9]], 48); // prettier-ignore
    const cut = measurePrintDirection(welded(hook), { rotation: NO_ROTATION, layerMm: 0.1, pixelMm: 0.1 });
    const look = new QuickLooker(surfaceOf(hook)).look(UP, { layerMm: 0.1 });
    expect(look.islands).toBe(cut.direction.islands.length);
    expect(look.islands).toBe(1);
    expect(lookAt(hook, DOWN).islands).toBe(0);
  });

  it('does not count what grows by less than a layer', () => {
    const bump = together(box([10, 10, 5]));
    expect(lookAt(bump, [0, 0.02, Math.sqrt(1 - 0.0004)]).islands).toBe(0);
  });
});

describe('search', () => {
  const search = (mesh: TestMesh, show?: (normal: Direction) => boolean) => {
    const surface = surfaceOf(mesh);
    const marked = show
      ? Uint8Array.from({ length: surface.areas.length }, (_, t) => {
          const n = [0, 1, 2].map(
            (k) => surface.normals[3 * t + k]! / (2 * surface.areas[t]!),
          ) as unknown as Direction;
          return show(n) ? 1 : 0;
        })
      : undefined;
    return searchWaysUp(surface, { ...LOOK, show: marked });
  };

  it('stands a dome on its flat side', () => {
    const found = search(dome);
    for (const aim of ['safest', 'fastest'] as const)
      expect(degApart(found.best[aim][0]!.direction, UP), aim).toBeLessThan(1.5);
    expect(found.best.safest[0]!.quick).toMatchObject({ islands: 0, cups: 0 });
  });

  it('lays a plate flat to print it fast, however it is tilted in the file', () => {
    const tilt: Rotation = { xDeg: 33, yDeg: -21, zDeg: 10 };
    const found = search(turned(box([20, 14, 1]), tilt));
    expect(found.best.fastest[0]!.quick.heightMm).toBeLessThan(1.5);
    const m = rotationMatrix(tilt);
    const normal: Direction = [m[2]!, m[5]!, m[8]!];
    const off = degApart(found.best.fastest[0]!.direction, normal);
    expect(Math.min(off, 180 - off)).toBeLessThan(1.5);
  });

  it('keeps the face that must stay clean off the plate and off supports', () => {
    const found = search(box([20, 14, 1]), (n) => n[2] > 0.9);
    const [best] = found.best['cleanest face'];
    expect(best!.quick.showOverhangMm2).toBe(0);
    expect(best!.direction[2]).toBeGreaterThan(-0.1);
  });

  it('turns a ring so that its clean rim looks up or aside, never down', () => {
    const ring = tube(10, 8.6, 4, 72);
    const found = search(ring, (n) => n[2] < -0.9);
    for (const way of found.best['cleanest face'].slice(0, 1)) {
      expect(way.quick.showOverhangMm2).toBe(0);
      expect(way.direction[2]).toBeLessThan(0.72);
    }
  });

  it('offers ways that are well apart, best first, and tells how far it is', () => {
    const told: number[] = [];
    const found = searchWaysUp(surfaceOf(tube(10, 8.6, 4, 48)), {
      ...LOOK,
      directions: 80,
      report: (s) => told.push(s),
    });
    expect(told.at(-1)).toBe(1);
    expect([...told].sort((a, b) => a - b)).toEqual(told);
    for (const aim of WAY_AIMS) {
      const ways = found.best[aim];
      expect(ways.length).toBeGreaterThan(0);
      ways.forEach((way, i) => {
        for (const other of ways.slice(i + 1)) {
          expect(degApart(way.direction, other.direction)).toBeGreaterThan(11.9);
          expect(other.cost).toBeGreaterThanOrEqual(way.cost);
        }
      });
    }
  });

  it('leaves out no direction that could have won: as good as looking at every one to the end', () => {
    for (const mesh of [dome, tube(10, 8.6, 4, 48), bowl(6, 5, 12, 24)]) {
      const surface = surfaceOf(mesh);
      const found = searchWaysUp(surface, { ...LOOK, directions: 120 });
      const looker = new QuickLooker(surface);
      const every = spreadDirections(120).map((d) => looker.look(d, LOOK));
      for (const aim of WAY_AIMS) {
        const least = Math.min(...every.map((look) => costOf(look, found.part, aim)));
        expect(found.best[aim][0]!.cost, aim).toBeLessThanOrEqual(least + 1e-9);
      }
    }
  });

  it('cuts its finalists, and tells of each what a print meets', () => {
    const ways = findWaysUp(welded(tube(10, 8.6, 4, 48)), { layerMm: 0.05, directions: 60 });
    const { figures } = ways.best.fastest;
    expect(figures.heightMm).toBeCloseTo(4, 1);
    expect(figures.islands).toBe(0);
    expect(figures.peakMm2).toBeGreaterThan(0.9 * Math.PI * (100 - 8.6 ** 2));
  });

  it('looks at a coarser likeness of a fine part, and finds what it finds of the part itself', () => {
    // 80,000 corners; its upper half must stay clean, and its figures are those of the whole.
    const fine = welded(lathe([[0, 0], ...arc(5, 0, 0, 90, 200)], 400)); // prettier-ignore
    const surface = makeSearchSurface(fine);
    expect(surface.vertices).toBeGreaterThan(75_000);
    const show = Uint8Array.from(surface.areas, (_, t) => Number(surface.middles[3 * t + 2]! > 2));
    const ways = findWaysUp(fine, { layerMm: 0.1, directions: 60, show });
    const whole = searchWaysUp(surface, { layerMm: 0.1, directions: 60, show });
    for (const aim of WAY_AIMS) {
      const cut = cutWayUp(fine, surface, whole.best[aim][0]!.rotation, { layerMm: 0.1, show });
      const best = costOf(cut.figures, ways.part, aim);
      expect(costOf(ways.best[aim].figures, ways.part, aim), aim).toBeLessThan(1.03 * best + 0.02);
    }
    expect(ways.best['cleanest face'].figures.showOverhangMm2).toBeLessThan(0.5);
    expect(ways.part.areaMm2).toBeCloseTo(3 * Math.PI * 25, 0);
    expect(ways.part.showMm2).toBeCloseTo(2 * Math.PI * 5 * 3, 0);
  });

  it('stops when it is told to', () => {
    const stop = (): void => {
      throw new Error('stopped');
    };
    expect(() => searchWaysUp(surfaceOf(dome), { ...LOOK, report: stop })).toThrow('stopped');
  });
});
