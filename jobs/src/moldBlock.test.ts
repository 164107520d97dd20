import Module from 'manifold-3d';
import { beforeAll, describe, expect, it } from 'vitest';
import {
  checkTopology,
  findPull,
  isClosed,
  makeMoldBlock,
  pullAlong,
  seededRandom,
  USUAL_KEYS,
  weldEqual,
  type BlockForm,
  type BooleanEngine,
  type MoldBlock,
  type MoldHalf,
  type PullDirection,
  type WeldedMesh,
} from '@zero-pour/core';
import { box, lathe, sphere, together, torus, type TestMesh } from '../../core/src/testing/solids';
import { welded } from '../../core/src/testing/analysed';
import { manifoldEngine } from './run/index';

let engine: BooleanEngine<unknown>;
beforeAll(async () => {
  engine = manifoldEngine(await Module());
});

const FORM: BlockForm = {
  wallMm: 8,
  keys: USUAL_KEYS,
  sprue: { neckMm: 3, nozzleMm: 8, towardDeg: null },
  vents: true,
};
const UP: PullDirection = [0, 0, 1];
type Made = Extract<MoldBlock, { status: 'made' }>;
function made(mesh: WeldedMesh, pull: PullDirection, form = FORM, scale = 1): Made {
  const block = makeMoldBlock(mesh, pull, { scale, form }, engine);
  if (block.status !== 'made') throw new Error(`refused: ${block.why}`);
  return block;
}
const body = ({ positions, triangles }: Pick<MoldHalf, 'positions' | 'triangles'>, upMm = 0): unknown =>
  engine.create(
    Float32Array.from(positions, (v, n) => (n % 3 === 2 ? v + upMm : v)),
    triangles,
  );
/** Volume that two bodies share. */
function shared(a: unknown, b: unknown): number {
  const rest = engine.subtract(a, b);
  return engine.volumeMm3(a) - engine.volumeMm3(rest);
}
/** The most that a half, moved off in steps, runs into what stays. */
function collides(half: MoldHalf, ways: readonly number[], stays: readonly unknown[]): number {
  return Math.max(...ways.map((up) => Math.max(...stays.map((one) => shared(body(half, up), one)))));
}
const closed = ({ positions, triangles }: MoldHalf): boolean =>
  isClosed(checkTopology(weldEqual({ positions: Float64Array.from(positions), triangles }, 1)));
const blockMm3 = ({ sizeMm }: Made): number => sizeMm[0] * sizeMm[1] * sizeMm[2];

/** A part that two halves let go: rounded, faceted, turned any way. */
function releasing(
  n: number,
  uniform: () => number,
): { mesh: WeldedMesh; pull: PullDirection; plane: boolean } {
  const size = 5 + 6 * uniform();
  const kind = n % 4;
  const shape: TestMesh =
    kind === 0
      ? sphere(size / 2, 3)
      : kind === 1
        ? lathe([[0, 0], [size, 0], [size * (0.3 + 0.6 * uniform()), size / 2], [0, size * 0.7]], 40) // prettier-ignore
        : kind === 2
          ? torus(size, 1 + uniform(), 40, 20)
          : box([size, 3 + 4 * uniform(), 2 + 4 * uniform()]);
  const stretch = [1 + uniform(), 1 + uniform(), 0.6 + 0.4 * uniform()];
  const positions = shape.positions.map((v, k) => v * stretch[k % 3]!);
  const mesh = welded({ positions, triangles: shape.triangles });
  // Boxes are pulled askew: no plane parts them.
  const tilt = kind === 3 ? 0.15 + 0.4 * uniform() : 0;
  return { mesh, pull: [Math.sin(tilt), 0, Math.cos(tilt)], plane: kind !== 3 };
}

describe('a mold in two halves', () => {
  it('is closed, disjoint, its block less the cavity, and lets go: 40 seeded parts', () => {
    const { uniform } = seededRandom(6);
    let stepped = 0;
    for (let n = 0; n < 40; n++) {
      const { mesh, pull, plane } = releasing(n, uniform);
      const block = made(mesh, pull);
      expect(block.undercuts).toEqual([]);
      expect(block.stepped).toBe(!plane);
      if (block.stepped) stepped++;
      expect([closed(block.lower), closed(block.upper)]).toEqual([true, true]);
      const whole = blockMm3(block);
      const [lower, upper] = [body(block.lower), body(block.upper)];
      expect(shared(lower, upper)).toBeLessThan(1e-4 * whole);
      // Keys stand in recesses a little larger than they are: block less cavity without them.
      const bare = made(mesh, pull, { ...FORM, keys: { ...USUAL_KEYS, share: 0 } });
      const sum = bare.lower.volumeMm3 + bare.upper.volumeMm3;
      expect(Math.abs(sum + bare.cavityMm3 - whole)).toBeLessThan(1e-4 * whole);
      const part = body(pullAlong(mesh, pull));
      expect(Math.abs(shared(lower, part)) + Math.abs(shared(upper, part))).toBeLessThan(1e-4 * whole);
      // Of a plane nothing is caught; of a surface that steps along the outline, less than its grid.
      const partMm3 = engine.volumeMm3(part);
      const most = plane ? 2e-4 * partMm3 : 4e-3 * partMm3;
      expect(collides(block.upper, [0.3, 4], [part, lower])).toBeLessThan(most);
      expect(collides(block.lower, [-0.3, -4], [part])).toBeLessThan(most);
    }
    expect(stepped).toBe(10);
  }, 240_000);

  it('runs into the part where the map says that it is caught', () => {
    const spool = welded(lathe([[0, 0], [5, 0], [5, 1], [2, 1], [2, 5], [5, 5], [5, 7], [0, 7]], 48)); // prettier-ignore
    const caught = made(spool, UP);
    expect(caught.undercuts[0]!.depthMm).toBeCloseTo(3, 0);
    const part = body(pullAlong(spool, UP));
    expect(collides(caught.upper, [1.5], [part])).toBeGreaterThan(20);
    // Pulled the way that is found it lets go.
    const pull = findPull(spool);
    const free = made(spool, pull);
    expect(free.undercuts).toEqual([]);
    expect(collides(free.upper, [2], [body(pullAlong(spool, pull))])).toBeLessThan(0.5);
  });

  it('is as large as the part at its scale and its walls, with a way in and keys', () => {
    const block = made(welded(box([20, 10, 4])), UP, FORM, 1.02);
    expect(block.sizeMm).toEqual([20.4 + 16, 10.2 + 16, 4.08 + 16].map((v) => expect.closeTo(v, 4)));
    expect(block).toMatchObject({ stepped: false, thinnestMm: expect.closeTo(6, 0) });
    expect(block.keys).toBeGreaterThanOrEqual(4);
    // The cavity is the part, the neck and seat of the nozzle and the vents.
    const partMm3 = 20.4 * 10.2 * 4.08;
    expect(block.cavityMm3).toBeGreaterThan(partMm3 + 50);
    expect(block.cavityMm3).toBeLessThan(partMm3 + 350);
    const plain = made(welded(box([20, 10, 4])), UP, { ...FORM, sprue: null, vents: false }, 1.02);
    expect(plain.cavityMm3).toBeCloseTo(partMm3, 0);
  });

  it('has keys of each shape that stand in their recesses with room round them', () => {
    const mesh = welded(box([24, 12, 4]));
    const bare = made(mesh, UP, { ...FORM, keys: { ...USUAL_KEYS, share: 0 } });
    for (const shape of ['cone', 'dome', 'rib'] as const) {
      const block = made(mesh, UP, { ...FORM, keys: { shape, share: 0.06, clearanceMm: 0.1 } });
      const key = block.lower.volumeMm3 - bare.lower.volumeMm3;
      const recess = bare.upper.volumeMm3 - block.upper.volumeMm3;
      expect(key).toBeGreaterThan(2);
      expect(recess).toBeGreaterThan(1.08 * key);
      expect(recess).toBeLessThan(1.6 * key);
      expect([closed(block.lower), closed(block.upper)]).toEqual([true, true]);
    }
  });

  it('vents where the wax comes last: of a ring across from the way in, on either side', () => {
    const ring = made(welded(torus(9, 1.5, 64, 24)), UP);
    expect(ring.vents).toBeGreaterThanOrEqual(1);
    expect(ring.blindEnds).toBe(0);
    expect(made(welded(torus(9, 1.5, 64, 24)), UP, { ...FORM, vents: false }).vents).toBe(0);
  });

  it('is refused of an open part, and of a nozzle that its wall cannot seat', () => {
    const open = welded(box([8, 8, 8]));
    const torn = { ...open, triangles: open.triangles.slice(3) };
    expect(makeMoldBlock(torn, UP, { scale: 1, form: FORM }, engine)).toMatchObject({
      status: 'refused',
      why: 'open',
    });
    const thin = makeMoldBlock(
      welded(box([8, 8, 1])),
      UP,
      { scale: 1, form: { ...FORM, wallMm: 3, sprue: { neckMm: 3, nozzleMm: 9, towardDeg: 0 } } },
      engine,
    );
    expect(thin).toMatchObject({ status: 'refused', why: 'thin' });
    expect(() => makeMoldBlock(open, UP, { scale: 0, form: FORM }, engine)).toThrow();
  });

  it('takes bodies that overlap as one cavity', () => {
    const cross = together(box([20, 4, 3]), box([4, 14, 3], [8, -5, 0]));
    const block = made(welded(cross), UP, { ...FORM, sprue: null, vents: false });
    expect(block.cavityMm3).toBeCloseTo(20 * 4 * 3 + 4 * 14 * 3 - 4 * 4 * 3, 0);
    expect([closed(block.lower), closed(block.upper)]).toEqual([true, true]);
  });
});
