import { readShape, writeBinaryStl, type BooleanEngine } from '@zero-pour/core';
import Module, { type Manifold } from 'manifold-3d';
import { mkdtemp, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
// Test meshes are core's own; they are no part of what core offers.
import { box, cube, moved, sphere, together, type TestMesh } from '../../core/src/testing/solids';
import { turned } from '../../core/src/testing/analysed';
import { main } from './cli';
import { manifoldEngine } from './run/index';
import { analyseBytes } from './node/index';

let engine: BooleanEngine<Manifold>;
let folder: string;
beforeAll(async () => {
  engine = manifoldEngine(await Module());
  folder = await mkdtemp(path.join(tmpdir(), 'zp-analyse-'));
});
afterAll(() => rm(folder, { recursive: true, force: true }));

const analyse = async (mesh: TestMesh) => {
  const run = await analyseBytes(
    writeBinaryStl(mesh.positions, mesh.triangles),
    'a.stl',
    1,
    async () => engine,
  );
  if (run.status !== 'read' || run.output.result.status !== 'analysed') throw new Error(run.status);
  const { analysis, shapeHash } = run.output.result;
  return { measure: run.output.measure, analysis, shape: run.blobs!.get(shapeHash)! };
};

/** Numbers from 0 to 1, the same each time (Park & Miller 1988). */
function* numbers(seed: number): Generator<number, never> {
  for (let state = seed; ;) {
    state = (state * 48271) % 2147483647;
    yield state / 2147483647;
  }
}

describe('random heaps of bodies', () => {
  it.each([11, 22, 33, 44])('displace what their exact union displaces (seed %d)', async (seed) => {
    const random = numbers(seed);
    const next = (from: number, to: number): number => from + (to - from) * random.next().value;
    const bodies = Array.from({ length: 4 }, (_, n) => {
      const body = n % 2 === 0 ? sphere(next(1.2, 2), 3) : box([next(1.5, 3), next(1.5, 3), next(1.5, 3)]);
      const rotation = { xDeg: next(0, 360), yDeg: next(0, 360), zDeg: next(0, 360) };
      return moved(turned(body, rotation), [next(-1.5, 1.5), next(-1.5, 1.5), next(-1.5, 1.5)]);
    });
    const { measure, analysis } = await analyse(together(...bodies));
    expect(measure.overlapMm3).toBeGreaterThan(0);
    expect(analysis.exactMm3).not.toBeNull();
    expect(Math.abs(measure.volumeMm3 - analysis.exactMm3!)).toBeLessThan(2e-3 * analysis.exactMm3!);
  });

  it('have no thin places where their faces lie inside each other', async () => {
    const { analysis } = await analyse(together(cube(4), cube(4, [0.15, 0.15, 0.15])));
    expect(analysis.thickness.thinnestMm ?? 4).toBeGreaterThan(3);
  });
});

describe('the painted shape', () => {
  it('carries a value for each vertex of the view', async () => {
    const { shape } = await analyse(box([6, 4, 1.2]));
    const { positions, paint } = readShape(shape);
    expect(paint.thicknessUm).toHaveLength(positions.length / 3);
    // Long edges were split, so the middle of the plate has corners of its own.
    expect(positions.length / 3).toBeGreaterThan(8);
    // Balls near the edges are smaller: on the two faces a rim as wide as half the plate is thick reads less.
    const middle = paint.thicknessUm.filter((um) => Math.abs(um - 1200) < 40);
    expect(middle.length).toBeGreaterThan(0.25 * paint.thicknessUm.length);
  });
});

describe('the command', () => {
  const file = async (name: string, bytes: Uint8Array | string): Promise<string> => {
    await writeFile(path.join(folder, name), bytes);
    return path.join(folder, name);
  };
  const run = async (...args: string[]) => {
    const lines: string[] = [];
    const code = await main(args, (line) => lines.push(line));
    return { code, lines: lines.map((line) => JSON.parse(line)) };
  };
  const small = writeBinaryStl(cube(3).positions, cube(3).triangles);

  it('prints one line a file with all that it promises, and 0', async () => {
    const { code, lines } = await run(await file('cube.stl', small));
    expect(code).toBe(0);
    expect(lines).toHaveLength(1);
    expect(lines[0]).toMatchObject({
      name: 'cube.stl', format: 'stl-binary', unitMm: 1, triangles: 12, vertices: 8, closed: true, shells: 1,
      sizeMm: [3, 3, 3], signedVolumeMm3: 27, solidVolumeMm3: 27, areaMm2: 54, class: 'standard',
    }); // prettier-ignore
    expect(Object.keys(lines[0].thickness)).toEqual(['p1Mm', 'p10Mm', 'p50Mm', 'p90Mm', 'thinnestMm']);
    expect(lines[0].ms).toBeGreaterThan(0);
    expect(Array.isArray(lines[0].findings)).toBe(true);
  });
  it('says what is wrong with each bad file in a sentence, goes on, and ends with 2', async () => {
    const { code, lines } = await run(
      await file('cut.stl', small.slice(0, 300)),
      path.join(folder, 'nothing.stl'),
      await file('good.stl', small),
    );
    expect(code).toBe(2);
    expect(lines.map(({ error }) => error?.code)).toEqual(['MESH_TRUNCATED', 'NOT_FOUND', undefined]);
    expect(lines[0].error.sentence).toMatch(/\.$/);
  });
  it('asks for the unit when the size makes no sense, and takes it', async () => {
    const tiny = await file('tiny.stl', writeBinaryStl(cube(0.1).positions, cube(0.1).triangles));
    expect((await run(tiny)).lines[0].error.code).toBe('UNIT_NEEDED');
    const { code, lines } = await run(tiny, '--unit', 'inch');
    expect([code, lines[0].sizeMm[0]]).toEqual([0, 2.54]);
  });
  it('reads a folder’s pattern files by name and leaves the rest alone', async () => {
    const inner = await mkdtemp(path.join(folder, 'parts-'));
    for (const name of ['b.stl', 'a.stl', 'notes.txt']) await writeFile(path.join(inner, name), small);
    expect((await run(inner)).lines.map(({ name }) => name)).toEqual(['a.stl', 'b.stl']);
  });
  it.each([[[]], [['--unit', 'furlong', 'x.stl']], [['--colour']]])(
    'of %j shows how it is used',
    async (args) => {
      const { code, lines } = await run(...args);
      expect(code).toBe(2);
      expect(lines[0].error.sentence).toContain('--unit mm|cm|inch|m');
    },
  );
});
