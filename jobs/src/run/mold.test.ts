import { readPattern, writeBinaryStl, USUAL_KEYS } from '@zero-pour/core';
import Module from 'manifold-3d';
import { describe, expect, it } from 'vitest';
import { box, lathe, type TestMesh } from '../../../core/src/testing/solids';
import { sha256 } from '../key';
import type { MadeBlock, Undercuts } from '../mold';
import { makeRunner, manifoldEngine } from './index';

const spool = lathe([[0, 0], [5, 0], [5, 1], [2, 1], [2, 5], [5, 5], [5, 7], [0, 7]], 48); // prettier-ignore
async function run(mesh: TestMesh, name: string, input: object, bytes: Record<string, Uint8Array> = {}) {
  const stl = writeBinaryStl(mesh.positions, mesh.triangles) as Uint8Array<ArrayBuffer>;
  const file = await sha256(stl);
  const outcome = await makeRunner()(
    name,
    { part: { file, format: 'stl', unitMm: 1 }, ...input },
    {
      blob: async (hash) => (bytes[hash] ?? stl.slice()) as Uint8Array<ArrayBuffer>,
      report: () => {},
      engine: async () => manifoldEngine(await Module()),
    },
  );
  if (outcome.status !== 'done') throw new Error(outcome.status);
  return outcome.output;
}

describe('molds by the runner', () => {
  it('finds a pull, and tells the one that was asked for beside it', async () => {
    const found = (await run(spool, 'undercuts', { scale: 1, pull: null })) as Undercuts;
    expect(found.asked.undercuts).toEqual([]);
    expect(found.best).toBeNull();
    const asked = (await run(spool, 'undercuts', { scale: 2, pull: [0, 0, 1] })) as Undercuts;
    expect(asked.asked.undercuts[0]!.depthMm).toBeCloseTo(6, 0);
    expect(asked.best!.undercuts).toEqual([]);
    // As it was drawn, not as large as the mold is: round the stem, between 1 and 5 mm.
    const [x, y, z] = asked.asked.undercuts[0]!.at;
    expect(Math.hypot(x, y)).toBeLessThan(5);
    expect(z).toBeGreaterThan(1);
    expect(z).toBeLessThan(5);
    const radii = asked.asked.line.loops[0]!.map((at) => Math.hypot(at[0], at[1]));
    expect(Math.max(...radii)).toBeLessThan(5.2);
  });
  it('shades the places beside what is caught, and no others', async () => {
    // On the stem under the head, and on the head's rim.
    const places = Float32Array.from([2, 0, 3, 5, 0, 6]);
    const shades = (await run(
      spool,
      'undercut shades',
      { pull: [0, 0, 1], places: 'p' },
      { p: new Uint8Array(places.buffer) },
    )) as Float32Array;
    expect(shades[0]).toBeGreaterThan(2);
    expect(shades[1]).toBe(0);
  });
  it('gives both halves as closed files that lie on their outsides', async () => {
    const form = {
      wallMm: 8,
      keys: USUAL_KEYS,
      sprue: { neckMm: 3, nozzleMm: 8, towardDeg: null },
      vents: true,
    };
    const made = (await run(box([20, 12, 4]), 'mold block', {
      scale: 1,
      pull: [0, 0, 1],
      form,
    })) as MadeBlock;
    if (made.status !== 'made') throw new Error(made.why);
    for (const half of [made.lower, made.upper]) {
      expect(half.hash).toBe(await sha256(half.bytes));
      const reading = readPattern(half.bytes, 'half.stl', 1);
      expect(reading).toMatchObject({ status: 'read', measure: { closed: true, shells: 1 } });
    }
    // The widest face of each lies lowest.
    const lowest = ({ bytes }: { bytes: Uint8Array<ArrayBuffer> }): number => {
      const reading = readPattern(bytes, 'half.stl', 1);
      if (reading.status !== 'read') throw new Error(reading.status);
      const { positions } = reading.mesh;
      const z = Array.from({ length: positions.length / 3 }, (_, v) => positions[3 * v + 2]!);
      const low = Math.min(...z);
      const xs = z.flatMap((at, v) => (Math.abs(at - low) < 1e-3 ? [positions[3 * v]!] : []));
      return Math.max(...xs) - Math.min(...xs);
    };
    expect([lowest(made.lower), lowest(made.upper)]).toEqual([expect.closeTo(36, 3), expect.closeTo(36, 3)]);
    expect(made.shown.part.positions.length).toBe(24);
  });
});
