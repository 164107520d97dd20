import {
  readPattern,
  writeBinaryStl,
  type ChosenFlasks,
  type FillReading,
  type HungClearance,
} from '@zero-pour/core';
import { describe, expect, it } from 'vitest';
import { cube } from '../../../core/src/testing/solids';
import { sha256, type FeedAnswer, type PatternOutput, type TreeShape, type ViewMesh } from '../index';
import { makeRunner } from './index';

const bytesOf = (size: number) => {
  const { positions, triangles } = cube(size);
  return writeBinaryStl(positions, triangles) as Uint8Array<ArrayBuffer>;
};

describe('a runner', () => {
  /** Runs jobs one after the other, and counts how often a file is fetched. */
  async function runs(...jobs: [name: string, input: object][]) {
    const run = makeRunner();
    let fetched = 0;
    const blob = async (hash: string) => {
      fetched++;
      const found = [bytesOf(4), bytesOf(5)];
      for (const bytes of found) if ((await sha256(bytes)) === hash) return bytes;
      throw new Error('gone');
    };
    const outputs: unknown[] = [];
    for (const [name, input] of jobs) {
      const outcome = await run(name, input, { blob, report: () => {}, engine: () => Promise.reject(new Error('not needed')) }); // prettier-ignore
      outputs.push(outcome.status === 'done' ? outcome.output : outcome);
    }
    return { fetched, outputs };
  }

  it('reads a dropped file once for its measure, its picture and its analysis', async () => {
    const file = await sha256(bytesOf(4));
    const part = { file, format: 'stl', unitMm: 1 };
    const { fetched, outputs } = await runs(
      ['read file', { file, fileName: 'cube.STL', unitMm: 1 }],
      ['shape', part],
      ['pattern', part],
    );
    expect(fetched).toBe(1);
    expect((outputs[1] as ViewMesh).triangles.length).toBe(36);
    expect((outputs[2] as PatternOutput).measure.volumeMm3).toBeCloseTo(64, 6);
  });

  it('follows the metal from gate after gate on one reading of the part', async () => {
    const file = await sha256(bytesOf(4));
    const part = { file, format: 'stl', unitMm: 1 };
    const grid = { part, cellMm: 0.1, medianMm: 0 };
    const { fetched, outputs } = await runs(
      ['suggest gates', { ...grid, cleanPoints: [], school: 'fewest' }],
      ['feed', { ...grid, gates: [{ at: [2, 2, 0], diameterMm: 3 }] }],
      ['feed', { ...grid, gates: [{ at: [2, 2, 4], diameterMm: 1.5 }] }],
    );
    expect(fetched).toBe(1);
    expect(outputs[0]).toHaveLength(1);
    const ratios = outputs.slice(1).map((answer) => (answer as FeedAnswer).feeds[0]!.gateRatio);
    expect(ratios[0]).toBeCloseTo(2 * ratios[1]!, 9);
  });

  it('follows the metal through the part, and tells its margins where the picture asks', async () => {
    const file = await sha256(bytesOf(4));
    const heat = { densityKgPerM3: 9300, latentJPerKg: 105_000, heatJPerKgK: 310, surfaceNPerM: 0.92, liquidusC: 893, metalC: 973, flaskC: 500 }; // prettier-ignore
    const input = {
      part: { file, format: 'stl', unitMm: 1 },
      cellMm: 0.1,
      medianMm: 0,
      gates: [{ at: [2, 2, 0], diameterMm: 3, lengthMm: 4 }],
      heat,
      drive: { way: 'vacuum', headMm: 30, vacuumKpa: 70 },
    };
    const places = new Float32Array([2, 2, 4, 4, 4, 4, 30, 0, 0]);
    const run = makeRunner();
    const blob = (name: string): Promise<Uint8Array> =>
      Promise.resolve(name === 'corners' ? new Uint8Array(places.buffer) : bytesOf(4));
    const supplies = { blob, report: () => {}, engine: () => Promise.reject(new Error('not needed')) };
    const read = await run('fill', { ...input, hottest: { flaskC: 730, metalC: 1093 } }, supplies);
    const { last, offers } = (read as { output: FillReading }).output;
    expect(last.margin).toBeGreaterThan(2);
    expect(offers).toBeNull();
    const shown = await run('fill margins', { ...input, places: 'corners' }, supplies);
    const [top, corner, outside] = (shown as { output: Float32Array }).output;
    expect(top).toBeGreaterThanOrEqual(last.margin - 1e-3);
    expect(corner).toBeGreaterThanOrEqual(last.margin - 1e-3);
    expect(outside).toBeNaN();
  });

  it('hangs an order on a tree, measures its gaps and shows it, on one reading of its parts', async () => {
    const file = await sha256(bytesOf(4));
    const gate = { at: null, normal: [0, 0, -1], lengthMm: 4, diameterMm: 2 };
    const parts = [{ part: { file, format: 'stl', unitMm: 1 }, scale: 1.5, volumeMm3: 64, gate }];
    const room = { innerDiameterMm: 60, heightMm: 80, coneHeightMm: 10 };
    const gaps = { wallMm: 8, topMm: 15, betweenMm: 4, sprueMm: 2 };
    const order = { counts: [5], rooms: [room], wish: 'here', arrangement: 'rings', mainSprue: { diameterMm: 6, lengthMm: 0 }, tiltsDeg: [0], gaps }; // prettier-ignore
    const [chosen] = (await runs(['hang', { parts, ...order }])).outputs as [ChosenFlasks];
    const { tree } = chosen.trees[0]!;
    expect(tree.pieces).toHaveLength(5);
    const asked = { parts, pieces: tree.pieces, room, sprue: { diameterMm: 6, lengthMm: tree.mainSprueMm } };
    const { fetched, outputs } = await runs(['hung', asked], ['tree shape', asked]);
    expect(fetched).toBe(1);
    expect((outputs[0] as HungClearance).pairs[0]!.gapMm).toBeGreaterThanOrEqual(4);
    const shown = outputs[1] as TreeShape;
    expect(shown.middles).toHaveLength(5);
    // Five cubes and gates, and the sprue: every corner above the base and within the flask.
    for (let v = 0; v < shown.positions.length; v += 3) {
      expect(shown.positions[v + 2]).toBeGreaterThanOrEqual(-1e-4);
      expect(Math.hypot(shown.positions[v]!, shown.positions[v + 1]!)).toBeLessThanOrEqual(30 - 8 + 1e-4);
    }
    // A cube of 4 mm hangs half as large again, its gate's end 4 mm from it.
    const [first] = tree.pieces;
    expect(Math.hypot(...shown.middles[0]!.slice(0, 2))).toBeCloseTo(first!.awayMm + (4 + 6) / 2, 6);
    // As files in mm it is what is shown, body by body.
    const files = (await runs(['save tree', { tree: asked, to: 'stl' }], ['save tree', { tree: asked, to: '3mf' }])).outputs as Uint8Array<ArrayBuffer>[]; // prettier-ignore
    for (const [n, name] of ['tree.stl', 'tree.3mf'].entries()) {
      const reading = readPattern(files[n]!, name, 1);
      if (reading.status !== 'read') throw new Error(reading.status);
      expect(reading.mesh.triangles).toHaveLength(shown.triangles.length);
      expect(Math.max(...reading.measure.sizeMm)).toBeLessThanOrEqual(60);
    }
  });

  it('reads it again in another unit, and after another part', async () => {
    const [file, other] = [await sha256(bytesOf(4)), await sha256(bytesOf(5))];
    const part = { file, format: 'stl', unitMm: 1 };
    const { fetched, outputs } = await runs(
      ['read file', { file, fileName: 'cube.stl', unitMm: 25.4 }],
      ['shape', part],
      ['shape', { ...part, file: other }],
      ['shape', part],
    );
    expect(fetched).toBe(4);
    expect(Math.max(...(outputs[1] as ViewMesh).positions)).toBeCloseTo(4, 6);
  });
});
