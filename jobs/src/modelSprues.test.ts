import {
  cutSprues,
  modelSprues,
  readPattern,
  writeBinaryStl,
  type BooleanEngine,
  type ModelledGate,
} from '@zero-pour/core';
import Module, { type Manifold } from 'manifold-3d';
import { beforeAll, describe, expect, it } from 'vitest';
import { welded } from '../../core/src/testing/analysed';
import { box, moved, sphere, together, torus, type TestMesh } from '../../core/src/testing/solids';
import { manifoldEngine } from './run/index';

let engine: BooleanEngine<Manifold>;
beforeAll(async () => {
  engine = manifoldEngine(await Module());
});

/** A slab of 20 × 12 × 3 whose upper face is at z = 0. */
const slab = box([20, 12, 3], [-10, -6, -3]);
const gate = (over: Partial<ModelledGate> = {}): ModelledGate => ({
  at: [0, 0, 0],
  direction: [0, 0, 1],
  diameterMm: 3,
  lengthMm: 6,
  flareMm: 0,
  ...over,
});
function made(part: TestMesh, gates: ModelledGate[], sprue: Parameters<typeof modelSprues>[2] = null) {
  const found = modelSprues(welded(part), gates, sprue, engine);
  if (found.status !== 'made') throw new Error(`${found.why}, gate ${found.gate}`);
  const reading = readPattern(writeBinaryStl(found.united.positions, found.united.triangles), 'a.stl', 1);
  if (reading.status !== 'read') throw new Error(reading.status);
  return { ...found, ...reading };
}
const solidOf = (m: TestMesh) => engine.create(Float32Array.from(m.positions), Uint32Array.from(m.triangles));
const ROUND = Math.sin((2 * Math.PI) / 40) / ((2 * Math.PI) / 40);

describe('sprues drawn into the print', () => {
  it('add exactly the round bar above the part, closed and in one piece', () => {
    const { measure, sections, volumeMm3 } = made(slab, [gate()]);
    expect(measure).toMatchObject({ closed: true, shells: 1 });
    const bar = (Math.PI / 4) * 9 * 6 * ROUND;
    expect(measure.volumeMm3 - 720).toBeCloseTo(bar, 2);
    expect(volumeMm3).toBeCloseTo(measure.volumeMm3, 2);
    expect(sections[0]!.volumeMm3).toBeCloseTo(bar, 2);
  });
  it('a fillet adds the ring under a quarter circle, and never makes the joint sharper', () => {
    const bare = made(slab, [gate()]).measure.volumeMm3;
    const filleted = made(slab, [gate({ flareMm: 1 })]).measure.volumeMm3;
    // Pappus: the area under a quarter circle, 1 − π/4, at its centroid 10 − 3π over 12 − 3π off the bar.
    const area = 1 - Math.PI / 4;
    const centroid = 1.5 + (10 - 3 * Math.PI) / (12 - 3 * Math.PI);
    expect(filleted - bare).toBeCloseTo(2 * Math.PI * centroid * area, 0);
    expect(filleted - bare).toBeGreaterThan(0.9 * 2 * Math.PI * centroid * area);
  });
  it('are cut off again where they are marked, and leave the part', () => {
    const { marks, mesh } = made(slab, [gate(), gate({ at: [6, 0, 0], diameterMm: 2 })]);
    const cut = cutSprues(mesh, marks, engine);
    if (cut.status !== 'cut') throw new Error(cut.why);
    expect(cut.sections.map(({ diameterMm }) => Math.round(10 * diameterMm) / 10)).toEqual([3, 2]);
    const left = readPattern(writeBinaryStl(cut.piece.positions, cut.piece.triangles), 'p.stl', 1);
    if (left.status !== 'read') throw new Error(left.status);
    expect(left.measure.closed).toBe(true);
    expect(left.measure.volumeMm3).toBeGreaterThan(720);
    expect(left.measure.volumeMm3).toBeLessThan(720 + 45);
  });
  it('lead to one sprue on a base, in one closed piece, whatever side they come from', () => {
    const gates = [
      gate({ at: [-7, 0, 0] }),
      gate({ at: [7, 0, 0], diameterMm: 2 }),
      gate({ at: [0, 4, 0], direction: [0, Math.SQRT1_2, Math.SQRT1_2], flareMm: 0.6 }),
    ];
    const sprue = { diameterMm: 5, lengthMm: 12, base: { diameterMm: 20, heightMm: 8 } };
    const { measure } = made(slab, gates, sprue);
    expect(measure).toMatchObject({ closed: true, shells: 1 });
    const sprueMm3 = (Math.PI / 4) * 25 * 12;
    expect(measure.volumeMm3).toBeGreaterThan(720 + sprueMm3);
    expect(measure.sizeMm[2]).toBeGreaterThan(3 + 6 + 12);
  });
  it('go into a thin wall by half of it, never out behind', () => {
    const plate = box([20, 12, 0.6], [-10, -6, -0.6]);
    const { measure } = made(plate, [gate({ diameterMm: 4 })]);
    expect(measure.sizeMm[2]).toBeCloseTo(6.6, 3);
  });
  it('stand on the part though the place that was pressed lies a hair off it', () => {
    for (const off of [0.02, -0.02, 0.2])
      expect(made(slab, [gate({ at: [1, 1, off] })]).measure).toMatchObject({ closed: true, shells: 1 });
  });
  it('fill a crevice that the foot closes off, rather than seal it', () => {
    // A pit of 1 × 1 × 1 in the face, wholly under the gate.
    const { positions, triangles } = engine.mesh(
      engine.subtract(solidOf(slab), solidOf(box([1, 1, 1.5], [-0.5, -0.5, -1.0]))),
    );
    const pit = { positions: [...positions], triangles: [...triangles] };
    const { measure, volumeMm3 } = made(pit, [gate({ at: [1.2, 1.2, 0], diameterMm: 5 })]);
    expect(measure).toMatchObject({ closed: true, shells: 1, inwardShells: 0 });
    expect(volumeMm3).toBeCloseTo(measure.volumeMm3, 2);
  });
  it('stand on a round band', () => {
    const { measure } = made(torus(9, 1.2, 96, 32), [
      gate({ at: [10.2, 0, 0], direction: [1, 0, 0], diameterMm: 2, flareMm: 0.5 }),
    ]);
    expect(measure).toMatchObject({ closed: true, shells: 1 });
  });
  it.each([
    ['mid-air', slab, gate({ at: [0, 0, 2] })],
    ['into the part', together(slab, moved(sphere(3, 3), [0, 0, 8])), gate()],
  ] as const)('are refused where they run %s', (why, part, one) => {
    expect(modelSprues(welded(part), [one], null, engine)).toEqual({ status: 'refused', gate: 0, why });
  });
  it('are refused on a part with a hole, and where the way to the sprue would cross the part', () => {
    const open = { ...slab, triangles: slab.triangles.slice(3) };
    expect(modelSprues(welded(open), [gate()], null, engine)).toMatchObject({ why: 'open' });
    const both = [gate(), gate({ at: [0, 0, -3], direction: [0, 0, -1] })];
    const sprue = { diameterMm: 5, lengthMm: 10, base: null };
    expect(modelSprues(welded(slab), both, sprue, engine)).toMatchObject({ why: 'into the part' });
  });
});
