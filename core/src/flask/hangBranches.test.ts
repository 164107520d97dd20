import { describe, expect, it } from 'vitest';
import { seededRandom } from '../numeric';
import { welded } from '../testing/analysed';
import { box, torus, type TestMesh } from '../testing/solids';
import {
  branchesOf,
  branchLengthMm,
  hangBranches,
  hangRings,
  judgeBranch,
  judgeHung,
  makeHungShape,
  measureHung,
  treeSurface,
  type FlaskRoom,
  type HangGaps,
  type HangingGate,
  type HungPiece,
  type HungShape,
  type HungTree,
} from './index';

const GAPS: HangGaps = { wallMm: 8, topMm: 15, betweenMm: 4, sprueMm: 2 };
const WIDE: FlaskRoom = { innerDiameterMm: 125, heightMm: 120, coneHeightMm: 12 };
const FORM = { mainSprueDiameterMm: 8, branchDiameterMm: 5, tiltsDeg: [60, 90] };

const shapeOf = (mesh: TestMesh, gate: HangingGate, volumeMm3: number): HungShape => {
  const { positions, triangles } = welded(mesh);
  return makeHungShape({ positions, triangles }, { ...gate, diameterMm: 2 }, { scale: 1, volumeMm3 });
};
const stud = (volumeMm3 = 60): HungShape =>
  shapeOf(box([5, 4, 6]), { at: [2.5, 2, 0], normal: [0, 0, -1], lengthMm: 4 }, volumeMm3);
const kept = (shapes: readonly HungShape[], tree: HungTree, room: FlaskRoom) =>
  measureHung(shapes, tree.pieces, room, {
    diameterMm: FORM.mainSprueDiameterMm,
    lengthMm: tree.mainSprueMm,
    branchDiameterMm: FORM.branchDiameterMm,
  });
const piece = (angleDeg: number, awayMm: number, heightMm: number): HungPiece => ({
  kind: 0,
  angleDeg,
  awayMm,
  heightMm,
  tiltDeg: 90,
  spinDeg: 0,
  onBranch: true,
});

describe('branches', () => {
  it('are what stands at one height in one direction, whichever way the angle is written', () => {
    const pieces = [
      piece(0, 20, 40),
      piece(360, 10, 40),
      piece(0, 12, 60),
      piece(-120, 9, 40),
      piece(240, 15, 40),
    ];
    const found = branchesOf(pieces, 4);
    expect(found.map(({ pieces: on, reachMm }) => [on, reachMm])).toEqual([
      [[1, 0], 22],
      [[2], 14],
      [[3, 4], 17],
    ]);
    // Outside a main sprue of 8 mm: 22 − 4, 14 − 4, 17 − 4.
    expect(branchLengthMm(pieces, { diameterMm: 8, branchDiameterMm: 4 })).toBeCloseTo(41, 9);
    expect(branchesOf([{ ...piece(0, 20, 40), onBranch: undefined }], 4)).toEqual([]);
  });
  it('freeze after the gates on them', () => {
    expect(judgeBranch(5, [2, 4])).toEqual([]);
    expect(judgeBranch(4, [2, 4])).toMatchObject([{ rule: 'branch thin', weight: 'fix' }]);
  });
  it('are drawn as closed bars from the sprue outward, under what stands on them', () => {
    const shapes = [stud()];
    const sprue = { diameterMm: 8, lengthMm: 40, branchDiameterMm: 5 };
    const bare = treeSurface(shapes, [piece(90, 30, 50)], WIDE, { ...sprue, branchDiameterMm: undefined });
    const drawn = treeSurface(shapes, [piece(90, 30, 50)], WIDE, sprue);
    const arm = drawn.positions.slice(bare.positions.length - 150);
    // Along y to 30 + 2.5, its axis 2.5 mm under the height of the joint.
    const of = (k: number): number[] => [...arm].filter((_, n) => n % 3 === k);
    expect(Math.max(...of(1))).toBeCloseTo(32.5, 4);
    expect([Math.min(...of(2)), Math.max(...of(2))]).toEqual([expect.closeTo(45, 4), expect.closeTo(50, 4)]);
  });
});

describe('hung on branches', () => {
  it('every gap is kept, and more small parts find room in a wide flask than in rings', () => {
    const shapes = [stud()];
    const tree = hangBranches(shapes, [120], WIDE, { gaps: GAPS, form: FORM });
    const rings = hangRings(shapes, [120], WIDE, { gaps: GAPS, form: { ...FORM, tiltsDeg: [30, 45, 60] } });
    expect(tree.pieces.length).toBeGreaterThan(rings.pieces.length);
    const found = kept(shapes, tree, WIDE);
    expect(judgeHung(found, GAPS, String).every(({ weight }) => weight === 'ok')).toBe(true);
    expect(found.baseMm).toBeGreaterThanOrEqual(-1e-9);
  });
  it('heavier parts stand on the lower branches', () => {
    const shapes = [stud(50), stud(500)];
    const tree = hangBranches(shapes, [12, 12], WIDE, { gaps: GAPS, form: FORM });
    expect(tree.left).toEqual([0, 0]);
    const heights = (kind: number) => tree.pieces.filter((p) => p.kind === kind).map((p) => p.heightMm);
    expect(Math.max(...heights(1))).toBeLessThanOrEqual(Math.min(...heights(0)));
  });
  it('what is too wide or too tall is told by how much, and fits once it has that', () => {
    const tall = [shapeOf(box([4, 4, 90]), { at: [2, 2, 0], normal: [0, 0, -1], lengthMm: 4 }, 1440)];
    const form = { ...FORM, tiltsDeg: [90] };
    const low = hangBranches(tall, [2], WIDE, { gaps: GAPS, form });
    expect(low).toMatchObject({ pieces: [], miss: { what: 'top' } });
    // 12 + branch 5 + gate 4 + part 90 + top 15.
    expect(low.miss!.mm).toBeCloseTo(12 + 5 + 4 + 90 + 15 - 120, 6);
    const enough = { ...WIDE, heightMm: 120 + low.miss!.mm };
    expect(hangBranches(tall, [2], enough, { gaps: GAPS, form }).pieces).toHaveLength(2);
    const narrow = hangBranches([stud()], [2], { ...WIDE, innerDiameterMm: 26 }, { gaps: GAPS, form });
    expect(narrow.miss).toMatchObject({ what: 'wall' });
    const close = [shapeOf(box([9, 9, 3]), { at: [4.5, 4.5, 0], normal: [0, 0, -1], lengthMm: 0.5 }, 243)];
    expect(hangBranches(close, [1], WIDE, { gaps: GAPS, form }).miss).toEqual({
      what: 'sprue',
      mm: expect.closeTo(1.5, 6),
    });
  });
  it('never come too near anything, on 24 seeded orders', () => {
    const { uniform } = seededRandom(23);
    let hung = 0;
    for (let n = 0; n < 24; n++) {
      const size = 3 + 5 * uniform();
      const shapes = [
        shapeOf(
          box([size, 1 + 3 * uniform(), 2 + 6 * uniform()]),
          { at: [size / 2, 0.5, 0], normal: [0, 0, -1], lengthMm: 3 + 4 * uniform() },
          100 * uniform(),
        ),
        shapeOf(
          torus(3 + 4 * uniform(), 0.6 + uniform(), 14, 6),
          { at: [0, -8, 0], normal: [0, -1, 0], lengthMm: 3 },
          100 * uniform(),
        ),
      ];
      const room = {
        innerDiameterMm: 60 + 60 * uniform(),
        heightMm: 60 + 60 * uniform(),
        coneHeightMm: 8 + 8 * uniform(),
      };
      const counts = [Math.floor(12 * uniform()), 1 + Math.floor(12 * uniform())];
      const form = { ...FORM, tiltsDeg: [50 + 40 * uniform()] };
      const tree = hangBranches(shapes, counts, room, { gaps: GAPS, form });
      hung += tree.pieces.length;
      expect(tree.pieces.length + tree.left[0]! + tree.left[1]!).toBe(counts[0]! + counts[1]!);
      if (tree.pieces.length === 0) continue;
      const found = kept(shapes, tree, room);
      expect(found.pairs[0]?.gapMm ?? 99).toBeGreaterThanOrEqual(GAPS.betweenMm - 1e-9);
      expect(found.wallMm).toBeGreaterThanOrEqual(GAPS.wallMm - 1e-9);
      expect(found.topMm).toBeGreaterThanOrEqual(GAPS.topMm - 1e-9);
      expect(found.baseMm).toBeGreaterThanOrEqual(-1e-9);
      expect(found.sprueMm!).toBeGreaterThanOrEqual(GAPS.sprueMm - 1e-9);
    }
    expect(hung).toBeGreaterThan(100);
  });
});
