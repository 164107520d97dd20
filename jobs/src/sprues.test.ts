import {
  cutSprues,
  findRodBodies,
  readPattern,
  rodAt,
  weldEqual,
  writeBinaryStl,
  type BooleanEngine,
  type SprueMark,
} from '@zero-pour/core';
import Module, { type Manifold } from 'manifold-3d';
import { beforeAll, describe, expect, it } from 'vitest';
import { turned, welded } from '../../core/src/testing/analysed';
import { box, lathe, moved, sphere, together, torus, type TestMesh } from '../../core/src/testing/solids';
import { partOf, pieceOf, sha256, type FeedAnswer, type FoundSprues } from './index';
import { makeRunner, manifoldEngine } from './run/index';

let engine: BooleanEngine<Manifold>;
beforeAll(async () => {
  engine = manifoldEngine(await Module());
});

/** A round rod up z from z = 0. */
const rod = (diameter: number, length: number, around = 48): TestMesh =>
  lathe(
    [
      [0, 0],
      [diameter / 2, 0],
      [diameter / 2, length],
      [0, length],
    ],
    around,
  );
/** A slab of 20 × 12 × 3 whose upper face is at z = 0. */
const slab = box([20, 12, 3], [-10, -6, -3]);
const SLAB_MM3 = 720;
const united = (...parts: TestMesh[]): TestMesh => {
  const bodies = parts.map((p) =>
    engine.create(Float32Array.from(p.positions), Uint32Array.from(p.triangles)),
  );
  const { positions, triangles } = engine.mesh(engine.union(bodies));
  return { positions: [...positions], triangles: [...triangles] };
};
const volumeOf = (mesh: { positions: ArrayLike<number>; triangles: ArrayLike<number> }): number => {
  const reading = readPattern(writeBinaryStl(mesh.positions, mesh.triangles), 'a.stl', 1);
  if (reading.status !== 'read') throw new Error(reading.status);
  expect(reading.measure.closed).toBe(true);
  return reading.measure.volumeMm3;
};
const mark = (by: SprueMark['by'], at: SprueMark['at'], shiftMm = 0): SprueMark => ({ by, at, shiftMm });
const cut = (mesh: TestMesh, ...marks: SprueMark[]) => {
  const found = cutSprues(welded(mesh), marks, engine);
  if (found.status !== 'cut') throw new Error(`${found.why}, mark ${found.mark}`);
  return found;
};
/** Area of the 48-gon that stands for the circle. */
const gon = (diameter: number, n = 48): number => (n * (diameter / 2) ** 2 * Math.sin((2 * Math.PI) / n)) / 2;

describe('a rod under a press', () => {
  it('has its axis, its middle and its diameter, however it lies', () => {
    const tilt = { xDeg: 31, yDeg: -48, zDeg: 12 };
    const lying = turned(rod(2.4, 14), tilt);
    const place = turned(
      { positions: [1.2 * Math.cos(Math.PI / 48), 1.2 * Math.sin(Math.PI / 48), 6], triangles: [] },
      tilt,
    );
    const axis = turned({ positions: [0, 0, 1], triangles: [] }, tilt).positions;
    const found = rodAt(welded(lying), place.positions as never)!;
    expect(Math.abs(found.axis.reduce((sum, v, k) => sum + v * axis[k]!, 0))).toBeGreaterThan(0.999);
    expect(found.diameterMm).toBeCloseTo(2.4, 1);
  });
  it('may be a square bar or a slim cone', () => {
    expect(rodAt(welded(box([2, 2, 15])), [0, 1, 7])!.diameterMm).toBeCloseTo(2, 6);
    const cone = lathe([[0, 0], [2, 0], [1, 12], [0, 12]], 48); // prettier-ignore
    const found = rodAt(welded(cone), [1.5, 0, 6]);
    expect(Math.abs(found!.axis[2])).toBeGreaterThan(0.98);
  });
  it('is none on a slab, a ball or the wall of a box', () => {
    expect(rodAt(welded(slab), [3, 2, 0])).toBeNull();
    expect(rodAt(welded(sphere(4, 3)), [4, 0, 0])).toBeNull();
  });
});

describe('a sprue that is one body with its piece', () => {
  it('is cut off where it is marked, to a hundredth of a cubic millimetre', () => {
    const file = united(slab, moved(rod(3, 13), [4, 1, -1]));
    const { piece, sections } = cut(file, mark('cut', [5.5, 1, 0.5]));
    expect(volumeOf(piece)).toBeCloseTo(SLAB_MM3 + 0.5 * gon(3), 2);
    expect(sections[0]!.volumeMm3).toBeCloseTo(11.5 * gon(3), 2);
    expect(sections[0]!.diameterMm).toBeCloseTo(Math.sqrt((4 * gon(3)) / Math.PI), 3);
    expect(sections[0]!.axis[2]).toBeCloseTo(1, 3);
    expect(sections[0]!.at[0]).toBeCloseTo(4, 2);
  });
  it('is cut nearer to the piece or further off by the shift', () => {
    const file = united(slab, moved(rod(3, 13), [4, 1, -1]));
    const { piece } = cut(file, mark('cut', [5.5, 1, 2], -1.5));
    expect(volumeOf(piece)).toBeCloseTo(SLAB_MM3 + 0.5 * gon(3), 2);
  });
  it('goes alone: what else the plane meets stays', () => {
    const post = moved(box([2, 2, 9], [0, 0, 0]), [-9, -5, -0.5]);
    const file = united(slab, post, moved(rod(3, 13), [4, 1, -1]));
    const { piece } = cut(file, mark('cut', [5.5, 1, 0.5]));
    expect(volumeOf(piece)).toBeCloseTo(SLAB_MM3 + 4 * 8.5 + 0.5 * gon(3), 2);
  });
  it('may be one of several', () => {
    const file = united(slab, moved(rod(3, 13), [5, 0, -1]), moved(rod(2, 9), [-5, 0, -1]));
    const { piece, sections } = cut(file, mark('cut', [6.5, 0, 0.5]), mark('cut', [-4, 0, 0.25]));
    expect(volumeOf(piece)).toBeCloseTo(SLAB_MM3 + 0.5 * gon(3) + 0.25 * gon(2), 2);
    expect(sections.map(({ diameterMm }) => Math.round(diameterMm * 10) / 10)).toEqual([3, 2]);
  });
  it('may stand on several feet: a mark on each, level or not', () => {
    const arch = united(box([14, 3, 3], [-7, -1.5, 8]), box([3, 3, 9], [-7, -1.5, 0]), box([3, 3, 9.5], [4, -1.5, -0.5])); // prettier-ignore
    const file = united(slab, arch);
    const feet = [mark('cut', [-4, 0, 0.5]), mark('cut', [4, 0, 2])];
    const { piece, sections } = cut(file, ...feet);
    expect(volumeOf(piece)).toBeCloseTo(SLAB_MM3 + 9 * 0.5 + 9 * 2, 1);
    expect(sections.map(({ volumeMm3 }) => volumeMm3 > 0)).toEqual([true, false]);
    const one = cutSprues(welded(file), feet.slice(0, 1), engine);
    expect(one).toEqual({ status: 'refused', mark: 0, why: 'joined' });
  });
  it('may be the heavier of the two: a light piece on a heavy base', () => {
    const bead = box([4, 4, 4], [2, -1, 11]);
    const file = united(slab, moved(rod(3, 13), [4, 1, -1]), bead);
    const off = mark('cut', [5.5, 1, 10.5]);
    expect(volumeOf(cut(file, off).piece)).toBeGreaterThan(SLAB_MM3);
    const { piece, sections } = cut(file, { ...off, greater: true });
    expect(volumeOf(piece)).toBeCloseTo(64 + 0.5 * gon(3), 1);
    expect(sections[0]!.axis[2]).toBeCloseTo(-1, 3);
    expect(sections[0]!.volumeMm3).toBeGreaterThan(SLAB_MM3);
  });
  it('leaves a ring whole', () => {
    const ring = torus(10, 1.5, 96, 24);
    const file = united(ring, moved(turned(rod(3, 14), { xDeg: -90, yDeg: 0, zDeg: 0 }), [0, 11, 0]));
    const { piece, sections } = cut(file, mark('cut', [1.5, 13, 0]));
    const plain = volumeOf(ring);
    expect(volumeOf(piece)).toBeGreaterThan(plain);
    expect(volumeOf(piece)).toBeLessThan(plain + 2 * gon(3));
    expect(Math.abs(sections[0]!.axis[1])).toBeGreaterThan(0.99);
    // The ring's own wire is as round as a sprue, but a cut there parts nothing.
    expect(cutSprues(welded(file), [mark('cut', [0, -11.5, 0])], engine)).toMatchObject({ why: 'joined' });
  });
});

describe('a sprue that is a body of its own', () => {
  const file = together(slab, moved(rod(3, 13), [4, 1, -1]));
  it('is known by its looks when it sticks out, and only then', () => {
    const [found, ...more] = findRodBodies(welded(file));
    expect(more).toEqual([]);
    expect(found!.diameterMm).toBeCloseTo(3, 1);
    expect(found!.lengthMm).toBeCloseTo(13, 1);
    expect(findRodBodies(welded(slab))).toEqual([]);
    // A rivet that hardly stands out, and a wire as thin as a prong.
    expect(findRodBodies(welded(together(slab, moved(rod(2, 4.5), [0, 0, -3]))))).toEqual([]);
    expect(findRodBodies(welded(together(slab, moved(rod(0.9, 12), [0, 0, -1]))))).toEqual([]);
  });
  it('is left out whole, also of an open file', () => {
    expect(volumeOf(cut(file, mark('body', [5.5, 1, 6])).piece)).toBeCloseTo(SLAB_MM3, 3);
    const open = together({ ...slab, triangles: slab.triangles.slice(3) }, moved(rod(3, 13), [4, 1, -1]));
    expect(cut(open, mark('body', [5.5, 1, 6])).sections[0]!.volumeMm3).toBeCloseTo(13 * gon(3), 3);
  });
});

describe('a mark that cannot be taken', () => {
  const file = () => united(slab, moved(rod(3, 13), [4, 1, -1]));
  const why = (mesh: TestMesh, ...marks: SprueMark[]) => {
    const found = cutSprues(welded(mesh), marks, engine);
    return found.status === 'refused' ? `${found.why} ${found.mark}` : found.status;
  };
  it.each([
    ['on the piece itself', () => why(file(), mark('cut', [-5, 2, 0])), 'no rod 0'],
    ['of most of the part', () => why(rod(3, 40), mark('cut', [1.5, 0, 12], -10)), 'too much 0'],
    ['of an only body', () => why(slab, mark('body', [3, 2, 0])), 'too much 0'],
    ['of the larger body', () => why(together(slab, moved(rod(3, 13), [4, 1, -1])), mark('body', [-5, 2, 0])), 'too much 0'],
    ['a second time', () => why(together(slab, moved(rod(3, 13), [4, 1, -1])), mark('body', [5.5, 1, 6]), mark('body', [5.5, 1, 9])), 'twice 1'],
    ['with a cut through an open surface', () => { const whole = file(); return why({ ...whole, triangles: whole.triangles.slice(3) }, mark('cut', [5.5, 1, 0.5])); }, 'open 0'],
    ['beside the part', () => why(file(), mark('cut', [8, 1, 9])), 'no rod 0'],
  ])('%s', (_, run, wanted) => expect(run()).toBe(wanted)); // prettier-ignore
});

describe('the job', () => {
  const bytesOf = (mesh: TestMesh) =>
    writeBinaryStl(mesh.positions, mesh.triangles) as Uint8Array<ArrayBuffer>;
  const run = async (mesh: TestMesh, marks: SprueMark[]): Promise<FoundSprues> => {
    const bytes = bytesOf(mesh);
    const part = { file: await sha256(bytes), format: 'stl', unitMm: 1 };
    const outcome = await makeRunner()('sprues', { part, marks }, { blob: async () => bytes, engine: async () => engine, report: () => {} }); // prettier-ignore
    if (outcome.status !== 'done') throw new Error(outcome.status);
    return outcome.output as FoundSprues;
  };
  it('writes the piece, which reads back as it was measured', async () => {
    const found = await run(together(slab, moved(rod(3, 13), [4, 1, -1])), [mark('body', [5.5, 1, 6])]);
    if (found.status !== 'cut') throw new Error(found.status);
    expect(found.piece.volumeMm3).toBeCloseTo(SLAB_MM3, 6);
    expect(await sha256(found.bytes)).toBe(found.pieceHash);
    const again = weldEqual({ format: 'stl-binary', unitMm: 1, ...welded(slab) }, 1);
    expect(found.piece.triangles).toBe(again.triangles.length / 3);
  });
  it('names bodies that look like sprues while nothing is marked', async () => {
    const found = await run(together(slab, moved(rod(3, 13), [4, 1, -1])), []);
    expect(found).toMatchObject({ status: 'unmarked', rods: [{ lengthMm: expect.closeTo(13, 1) }] });
  });
});

it('bodies that overlap feed as the one solid that they are', async () => {
  const masses = async (mesh: TestMesh) => {
    const bytes = writeBinaryStl(mesh.positions, mesh.triangles) as Uint8Array<ArrayBuffer>;
    const part = { file: await sha256(bytes), format: 'stl', unitMm: 1 };
    const outcome = await makeRunner()('feed', { part, cellMm: 0.2, medianMm: 0, gates: [] }, { blob: async () => bytes, engine: async () => engine, report: () => {} }); // prettier-ignore
    if (outcome.status !== 'done') throw new Error(outcome.status);
    return (outcome.output as FeedAnswer).masses;
  };
  const halves = [box([6, 6, 6]), box([6, 6, 6], [3, 0, 0])] as const;
  const [apart, one] = [await masses(together(...halves)), await masses(united(...halves))];
  expect(apart).toHaveLength(one.length);
  expect(apart[0]!.modulusMm).toBeCloseTo(one[0]!.modulusMm, 2);
});

it('a pattern is printed by its file and sold by its piece', () => {
  const pattern = { fileHash: 'a'.repeat(64), fileName: 'Part.OBJ', measure: { unitMm: 25.4 } };
  expect(pieceOf(pattern)).toEqual(partOf(pattern));
  const sprued = { ...pattern, sprues: { pieceHash: 'b'.repeat(64) } };
  expect(partOf(sprued)).toEqual({ file: pattern.fileHash, format: 'obj', unitMm: 25.4 });
  expect(pieceOf(sprued)).toEqual({ file: 'b'.repeat(64), format: 'stl', unitMm: 1 });
});
