import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { seededRandom } from '../numeric';
import { welded } from '../testing/analysed';
import { sphere, torus } from '../testing/solids';
import { TriangleTree } from './index';
import { treeOrder, WIDTH } from './treeOrder';
import { LIKELY } from './triangleTree';

/** Triangles so small that each is its middle, at the places given. */
function specks(places: readonly (readonly number[])[]): [Float64Array, Uint32Array] {
  const positions = places.flatMap((at) => [...at, ...at, ...at]);
  return [Float64Array.from(positions), Uint32Array.from({ length: 3 * places.length }, (_, n) => n)];
}
const { uniform } = seededRandom(11);
const anywhere = (count: number): number[][] => Array.from({ length: count }, () => [uniform(), uniform(), uniform()]); // prettier-ignore
const sorted = (order: Iterable<number>): number[] => [...order].sort((a, b) => a - b);

describe('the order of a tree’s triangles', () => {
  it('has each of those that are held once, however many there are', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 700 }), fc.integer({ min: 1, max: 3 }), (count, every) => {
        const [positions, triangles] = specks(anywhere(count));
        expect(sorted(treeOrder(positions, triangles))).toEqual([...Array(count).keys()]);
        const which = Uint32Array.from([...Array(count).keys()].filter((n) => n % every === 0));
        expect(sorted(treeOrder(positions, triangles, which))).toEqual([...which]);
      }),
      { numRuns: 60, seed: 3 },
    );
  });

  it('holds what is far apart apart: eight by eight, and eight of those by eight', () => {
    // 64 heaps of eight specks each, 4 × 4 × 4, written in any order.
    const heaps = Array.from({ length: 64 }, (_, n) => [n % 4, Math.floor(n / 4) % 4, Math.floor(n / 16)]);
    const places = heaps.flatMap((heap) =>
      anywhere(WIDTH).map((off) => heap.map((v, k) => 10 * v + off[k]!)),
    );
    const mixed = places.map((place) => [uniform(), place] as const).sort(([a], [b]) => a - b).map(([, place]) => place); // prettier-ignore
    const order = treeOrder(...specks(mixed));
    const heapOf = (n: number): string => mixed[order[n]!]!.map((v) => Math.floor(v / 10)).join(' ');
    for (let leaf = 0; leaf < 64; leaf++)
      expect(new Set(Array.from({ length: WIDTH }, (_, n) => heapOf(WIDTH * leaf + n))).size).toBe(1);
    // Each node of eight leaves is a cube of 2 × 2 × 2 heaps.
    for (let node = 0; node < 8; node++) {
      const corners = Array.from({ length: 8 }, (_, leaf) => heapOf(WIDTH * (8 * node + leaf)).split(' ').map(Number)); // prettier-ignore
      for (let k = 0; k < 3; k++) expect(new Set(corners.map((corner) => Math.floor(corner[k]! / 2))).size).toBe(1); // prettier-ignore
    }
  });

  it('comes to an end for places that are all the same, and for those that are no number', () => {
    const same = specks(Array.from({ length: 500 }, () => [1, 2, 3]));
    expect(sorted(treeOrder(...same))).toEqual([...Array(500).keys()]);
    const wrong = specks(anywhere(200).map((place, n) => (n % 3 === 0 ? [NaN, place[1]!, Infinity] : place)));
    expect(sorted(treeOrder(...wrong))).toEqual([...Array(200).keys()]);
  });
});

describe('what was near before', () => {
  it('is tried first and changes no answer, in a whole surface and in one of which faces are none', () => {
    const { positions, triangles } = welded(torus(5, 2, 40, 24));
    const upper = (_: number, _x: number, _y: number, z: number): boolean => z > 0;
    for (const isBoundary of [undefined, upper]) {
      const plain = new TriangleTree(positions, triangles, undefined, isBoundary);
      const hinted = new TriangleTree(positions, triangles, undefined, isBoundary);
      let near = 0;
      // Along a path, as neighbours ask; and anywhere, where what was near is far.
      for (let n = 0; n < 4000; n++) {
        const turn = n / 300;
        const at = n % 2 === 0 ? [5 * Math.cos(turn), 5 * Math.sin(turn), 0.4 * Math.sin(7 * turn)] : [12 * uniform() - 6, 12 * uniform() - 6, 4 * uniform() - 2]; // prettier-ignore
        const [x, y, z] = at as [number, number, number];
        const reach2 = (1 + 1.5 * uniform()) ** 2;
        const hit = { distance2: 0, x: 0, y: 0, z: 0, triangle: 0 };
        const isNear = plain.closest(x, y, z, reach2, hit);
        // Within a thousandth of the distance either answer is right.
        if (plain.closest(x, y, z, 1.002 * reach2, hit) !== plain.closest(x, y, z, 0.998 * reach2, hit))
          continue;
        if (isNear) near++;
        expect(hinted.isNearer(x, y, z, reach2, n % LIKELY)).toBe(isNear);
      }
      expect(near).toBeGreaterThan(300);
      expect(near).toBeLessThan(3700);
    }
  });

  it('is found in a tree of one leaf as in one of many levels', () => {
    for (const mesh of [sphere(1, 0), sphere(1, 5)].map(welded)) {
      const tree = new TriangleTree(mesh.positions, mesh.triangles);
      const hit = { distance2: 0, x: 0, y: 0, z: 0, triangle: 0 };
      for (const v of [0, mesh.positions.length / 6, mesh.positions.length / 3 - 1].map(Math.floor)) {
        const at = [0, 1, 2].map((k) => 1.5 * mesh.positions[3 * v + k]!) as [number, number, number];
        expect(tree.closest(...at, Infinity, hit)).toBe(true);
        expect(Math.sqrt(hit.distance2)).toBeCloseTo(0.5, 2);
      }
    }
  });
});
