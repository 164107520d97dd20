import { describe, expect, it } from 'vitest';
import { InputError, seededRandom } from '../numeric';
import { measureStance, NO_ROTATION } from '../orient';
import { welded } from '../testing/analysed';
import { box, torus, type TestMesh } from '../testing/solids';
import {
  CLEARANCE_MM,
  hangRings,
  hangStraight,
  judgeHung,
  judgeMainSprue,
  layOutTree,
  makeHungShape,
  measureHung,
  type FlaskRoom,
  type HangGaps,
  type HangingGate,
  type HungShape,
  type HungTree,
} from './index';

const GAPS: HangGaps = {
  wallMm: CLEARANCE_MM.wall,
  topMm: CLEARANCE_MM.top,
  betweenMm: CLEARANCE_MM.between,
  sprueMm: 2,
};
const ROOM: FlaskRoom = { innerDiameterMm: 76, heightMm: 102, coneHeightMm: 12 };
const FORM = { mainSprueDiameterMm: 6, tiltsDeg: [30, 45, 60] };

const shapeOf = (mesh: TestMesh, gate: HangingGate, diameterMm = 3, scale = 1): HungShape => {
  const { positions, triangles } = welded(mesh);
  return makeHungShape(
    { positions, triangles },
    { ...gate, diameterMm },
    { scale, volumeMm3: positions.length },
  );
};
/** A band ring lying in x-y, gated on its outside. */
const band = (major = 9, minor = 1.5, around = 48): HungShape =>
  shapeOf(torus(major, minor, around, 12), { at: [major + minor, 0, 0], normal: [1, 0, 0], lengthMm: 4 });
const kept = (shapes: readonly HungShape[], tree: HungTree, room = ROOM) =>
  measureHung(shapes, tree.pieces, room, {
    diameterMm: FORM.mainSprueDiameterMm,
    lengthMm: tree.mainSprueMm,
  });

describe('rings round a main sprue', () => {
  it('hang what fits with every gap kept, and say what is left', () => {
    const shapes = [band()];
    const tree = hangRings(shapes, [60], ROOM, { gaps: GAPS, form: FORM });
    expect(tree.pieces.length).toBeGreaterThan(8);
    expect(tree.left[0]).toBe(60 - tree.pieces.length);
    expect(tree.miss).toBeNull();
    const found = kept(shapes, tree);
    expect(found.wallMm).toBeGreaterThanOrEqual(GAPS.wallMm - 1e-9);
    expect(found.topMm).toBeGreaterThanOrEqual(GAPS.topMm - 1e-9);
    expect(found.baseMm).toBeGreaterThanOrEqual(-1e-9);
    expect(found.pairs[0]!.gapMm).toBeGreaterThanOrEqual(GAPS.betweenMm - 1e-9);
    expect(judgeHung(found, GAPS, String).every(({ weight }) => weight === 'ok')).toBe(true);
  });
  it('hang more than bounding cylinders allow, by a quarter and more for flat parts', () => {
    const shapes = [band()];
    const real = hangRings(shapes, [80], ROOM, { gaps: GAPS, form: FORM }).pieces.length;
    const { positions } = torus(9, 1.5, 48, 12);
    // Upright on its gate, as the cylinder round it stands.
    const upright = positions.flatMap((_, k) =>
      k % 3 === 0 ? [positions[k + 1]!, positions[k + 2]!, positions[k]!] : [],
    );
    const stance = measureStance(upright, NO_ROTATION);
    let cylinders = 0;
    for (const tiltDeg of FORM.tiltsDeg)
      for (let count = 1; count < 80; count++) {
        const layout = layOutTree(
          [
            {
              count,
              cylinderDiameterMm: stance.cylinderDiameterMm,
              cylinderLengthMm: stance.heightMm,
              gateLengthMm: 4,
            },
          ],
          {
            arrangement: 'rings',
            tiltDeg,
            mainSprueDiameterMm: 6,
            mainSprueLengthMm: 0,
            coneHeightMm: 12,
            betweenMm: 4,
          },
        );
        const fits = layout.reachMm + GAPS.wallMm <= 38 && layout.heightMm + GAPS.topMm <= 102;
        if (fits) cylinders = Math.max(cylinders, count);
      }
    expect(cylinders).toBeGreaterThan(0);
    expect(real).toBeGreaterThanOrEqual(1.25 * cylinders);
  });
  it('keep like with like, and the heavier nearer the button', () => {
    const [heavy, light] = [
      shapeOf(box([7, 7, 7]), { at: [3.5, 3.5, 0], normal: [0, 0, -1], lengthMm: 5 }),
      band(4, 0.5, 24),
    ];
    const volumes = [
      { ...light, volumeMm3: 30 },
      { ...heavy, volumeMm3: 340 },
    ];
    const tree = hangRings(volumes, [8, 5], ROOM, { gaps: GAPS, form: FORM });
    expect(tree.left).toEqual([0, 0]);
    const heights = (kind: number): number[] =>
      tree.pieces.filter((p) => p.kind === kind).map((p) => p.heightMm);
    expect(Math.min(...heights(0))).toBeGreaterThanOrEqual(Math.max(...heights(1)));
    expect(kept(volumes, tree).pairs[0]!.gapMm).toBeGreaterThanOrEqual(GAPS.betweenMm - 1e-9);
  });
  it('hang a kind that the common tilt does not suit at another, and name one that none suits', () => {
    // A slab near its gate leans onto the sprue unless it stands out flat; a rod too long to stand out must lean up.
    const slab = shapeOf(box([18, 18, 2]), { at: [9, 9, 0], normal: [0, 0, -1], lengthMm: 9 });
    const rod = shapeOf(box([2, 2, 30]), { at: [1, 1, 0], normal: [0, 0, -1], lengthMm: 6 });
    const narrow = { ...ROOM, innerDiameterMm: 66 };
    const form = { ...FORM, tiltsDeg: [0, 60] };
    const tree = hangRings([slab, rod], [1, 1], narrow, { gaps: GAPS, form });
    expect(tree.left).toEqual([0, 0]);
    expect(new Set(tree.pieces.map(({ tiltDeg }) => tiltDeg))).toEqual(new Set([0, 60]));
    expect(judgeHung(kept([slab, rod], tree, narrow), GAPS, String).every((j) => j.weight === 'ok')).toBe(
      true,
    );
    const flat = hangRings([slab, rod], [1, 1], narrow, { gaps: GAPS, form: { ...FORM, tiltsDeg: [0] } });
    expect(flat.left).toEqual([0, 1]);
    // 3 + 6 + 30 and 8 to the wall, of 33.
    expect(flat.cannot).toEqual([null, { what: 'wall', mm: expect.closeTo(14, 0) }]);
  });
  it('name the smallest miss where not even one fits', () => {
    const long = [shapeOf(box([4, 4, 60]), { at: [2, 2, 0], normal: [0, 0, -1], lengthMm: 9 })];
    const wide = hangRings(long, [3], { ...ROOM, innerDiameterMm: 50 }, { gaps: GAPS, form: FORM });
    expect(wide.pieces).toEqual([]);
    expect(wide.miss).toMatchObject({ what: 'wall' });
    const needed = 50 + 2 * wide.miss!.mm + 0.01;
    const fits = hangRings(
      long,
      [1],
      { ...ROOM, heightMm: 300, innerDiameterMm: needed },
      { gaps: GAPS, form: FORM },
    );
    expect(fits.pieces).toHaveLength(1);
    const low = hangRings([band()], [1], { ...ROOM, heightMm: 40 }, { gaps: GAPS, form: FORM });
    expect(low.miss).toMatchObject({ what: 'top' });
  });
  it('never come too near each other, wall, top, base or sprue, on 200 seeded orders', () => {
    const { uniform } = seededRandom(17);
    let hung = 0;
    for (let n = 0; n < 200; n++) {
      const size = 3 + 5 * uniform();
      const shapes = [
        shapeOf(box([size, 1 + 3 * uniform(), 2 + 6 * uniform()]), {
          at: [size / 2, 0.5, 0],
          normal: [0, 0, -1],
          lengthMm: 2 + 4 * uniform(),
        }),
        shapeOf(
          torus(3 + 4 * uniform(), 0.6 + uniform(), 14, 6),
          { at: [0, -4, 0], normal: [0, -1, 0], lengthMm: 3 },
          2,
        ),
      ];
      const room = {
        innerDiameterMm: 50 + 40 * uniform(),
        heightMm: 60 + 60 * uniform(),
        coneHeightMm: 8 + 8 * uniform(),
      };
      const counts = [Math.floor(8 * uniform()), 1 + Math.floor(6 * uniform())];
      const tree = hangRings(shapes, counts, room, {
        gaps: GAPS,
        form: { ...FORM, tiltsDeg: [30 + 30 * uniform()] },
      });
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
    expect(hung).toBeGreaterThan(400);
  });
});

describe('straight up on the base', () => {
  const slab = shapeOf(box([3, 14, 20]), { at: [1.5, 7, 0], normal: [0, 0, -1], lengthMm: 4 });
  it.each([1, 2, 3, 4])('%d stand on a circle as small as their gaps allow', (count) => {
    const tree = hangStraight([slab], [count], ROOM, { gaps: GAPS, sprueMm: 6 });
    expect(tree.pieces).toHaveLength(count);
    const found = measureHung([slab], tree.pieces, ROOM, null);
    expect(found.sprueMm).toBeNull();
    if (count === 1) return expect(tree.pieces[0]!.awayMm).toBe(0);
    expect(found.pairs[0]!.gapMm).toBeGreaterThanOrEqual(GAPS.betweenMm);
    expect(found.pairs[0]!.gapMm).toBeLessThan(GAPS.betweenMm + 1.2);
  });
  it('leave what is more than four, and say by how much one is too tall', () => {
    expect(hangStraight([slab], [6], ROOM, { gaps: GAPS, sprueMm: 6 }).left).toEqual([2]);
    const low = hangStraight([slab], [1], { ...ROOM, heightMm: 50 }, { gaps: GAPS, sprueMm: 6 });
    expect(low).toMatchObject({ pieces: [], miss: { what: 'top' } });
    expect(low.miss!.mm).toBeCloseTo(12 + 6 + 4 + 20 + 15 - 50, 9);
  });
});

describe('what hangs', () => {
  it('is judged by its real gaps: a part dragged onto another touches', () => {
    const shapes = [band()];
    const { pieces } = hangRings(shapes, [4], ROOM, { gaps: GAPS, form: FORM });
    const dragged = pieces.map((p, n) =>
      n === 1 ? { ...pieces[0]!, angleDeg: pieces[0]!.angleDeg + 10 } : p,
    );
    const found = measureHung(shapes, dragged, ROOM, { diameterMm: 6, lengthMm: 40 });
    const said = judgeHung(found, GAPS, (n) => `band ${n + 1}`);
    expect(said.find(({ rule }) => rule === 'gap')).toMatchObject({ weight: 'stop', lead: 'Parts touch.' });
    const sunk = measureHung(shapes, [{ ...pieces[0]!, heightMm: 3 }], ROOM, null);
    expect(judgeHung(sunk, GAPS, String).map(({ rule }) => rule)).toContain('base');
  });
  it('needs a scale', () => {
    expect(() => shapeOf(box([1, 1, 1]), { at: [0, 0, 0], normal: [0, 0, -1], lengthMm: 1 }, 2, 0)).toThrow(
      InputError,
    );
  });
});

describe('the main sprue', () => {
  const rules = (diameterMm: number, gates: number[]): string[] =>
    judgeMainSprue(diameterMm, gates).map(({ rule, weight }) => `${rule} ${weight}`);
  it('is to freeze after the largest gate, and has no less area than all of them', () => {
    expect(rules(6, [5, 3])).toEqual(['main sprue ok']);
    expect(rules(5, [5])).toEqual(['main sprue thin fix']);
    expect(rules(5.5, [5])).toEqual(['main sprue ok']);
    expect(rules(6, [4, 4, 4])).toEqual(['main sprue area watch']);
    expect(rules(6, [])).toEqual([]);
  });
});
