import { describe, expect, it } from 'vitest';
import {
  checkTopology,
  isClosed,
  measureBounds,
  measureSolid,
  readMesh,
  sizeOf,
  weldEqual,
  weldWithin,
  writeBinaryStl,
} from '../mesh';
import { formatPhrase, METRIC } from '../numeric';
import { cube, insideOut, sphere, together, torus } from '../testing/solids';
import { askUnit, judgePattern, PLAUSIBLE_SIDE_MM, readPattern } from './index';

const judged = (mesh: { positions: number[]; triangles: number[] }): string[] => {
  const reading = readPattern(writeBinaryStl(mesh.positions, mesh.triangles), 'a.stl', 1);
  if (reading.status !== 'read') throw new Error(reading.status);
  return judgePattern(reading.measure).map((j) => `${j.rule} ${j.weight}`);
};

describe('what the topology says about the metal figure', () => {
  it('trusts a closed body', () => {
    expect(judged(cube(10))).toEqual(['closed ok']);
  });
  it('calls an open one an estimate and offers the balance', () => {
    const { positions, triangles } = cube(10);
    const reading = readPattern(writeBinaryStl(positions, triangles.slice(3)), 'a.stl', 1);
    const [first] = judgePattern(reading.status === 'read' ? reading.measure : (undefined as never));
    expect([first?.rule, first?.weight]).toEqual(['open', 'fix']);
    expect(formatPhrase(first!.why, METRIC)).toContain('3 edges are open');
    expect(formatPhrase(first!.why, METRIC)).toContain('weigh the print');
  });
  it('warns of hollows, of several bodies, and of a file that was inside out', () => {
    expect(judged(together(cube(10), insideOut(cube(4, [3, 3, 3]))))).toEqual(['closed ok', 'hollow watch']);
    expect(judged(together(cube(10), cube(10, [5, 0, 0])))).toEqual(['closed ok', 'overlap watch']);
    expect(judged(insideOut(cube(10)))).toEqual(['closed ok', 'reversed watch']);
    // An inverted body beside, or a speck inside, is no hollow.
    expect(judged(together(cube(10), insideOut(cube(4, [30, 0, 0]))))).not.toContain('hollow watch');
    expect(judged(together(cube(10), insideOut(cube(0.05, [3, 3, 3]))))).not.toContain('hollow watch');
  });
  it('says three different things of what is open, turned over, and met along an edge', () => {
    const meet = together(cube(10), cube(10, [10, 10, 0]));
    expect(judged(meet)).toEqual(
      ['closed ok', 'crowded watch', 'bodies watch'].filter((r) => judged(meet).includes(r)),
    );
    expect(judged(meet)).toContain('crowded watch');
    const turned = cube(10);
    [turned.triangles[1], turned.triangles[2]] = [turned.triangles[2]!, turned.triangles[1]!];
    const lead = (mesh: typeof turned): string => {
      const reading = readPattern(writeBinaryStl(mesh.positions, mesh.triangles), 'a.stl', 1);
      return judgePattern(reading.status === 'read' ? reading.measure : (undefined as never))[0]!.lead;
    };
    expect(lead(turned)).toBe('Faces turned over.');
    expect(lead({ ...cube(10), triangles: cube(10).triangles.slice(3) })).toBe('Not closed.');
  });
});

describe('the unit question', () => {
  it('is asked outside the plausible sides only, with the size that each unit gives', () => {
    const { min, max } = PLAUSIBLE_SIDE_MM;
    expect([askUnit([min, 1, 1]), askUnit([max, 1, 1])]).toEqual([null, null]);
    expect(askUnit([1.9, 1, 0.5])?.map((o) => [o.unit, o.sizeMm[0]])).toEqual([
      ['mm', 1.9],
      ['cm', 19],
      ['inch', 1.9 * 25.4],
      ['m', 1900],
    ]);
  });
});

describe('writing and reading back', () => {
  it('gives the same corners bit by bit, and outward normals', () => {
    const { positions, triangles } = sphere(7, 3);
    const bytes = writeBinaryStl(positions, triangles);
    const back = readMesh(bytes, 'a.stl');
    triangles.forEach((v, i) => {
      for (let k = 0; k < 3; k++) expect(back.positions[3 * i + k]).toBe(Math.fround(positions[3 * v + k]!));
    });
    const view = new DataView(bytes.buffer);
    for (let t = 0; t < 20; t++) {
      const at = 84 + 50 * t;
      const [n, p] = [0, 12].map((from) => [0, 4, 8].map((k) => view.getFloat32(at + from + k, true)));
      expect(n!.reduce((sum, v, k) => sum + v * p![k]!, 0)).toBeGreaterThan(6);
    }
    const again = writeBinaryStl(back.positions, back.triangles);
    const twice = readMesh(again, 'a.stl');
    const third = writeBinaryStl(twice.positions, twice.triangles);
    expect(third.every((byte, i) => byte === again[i])).toBe(true);
  });
});

describe('welding and shells', () => {
  const soupOf = ({ positions, triangles }: { positions: number[]; triangles: number[] }) =>
    readMesh(writeBinaryStl(positions, triangles), 'a.stl');

  it('joins corners, converts the unit, drops triangles without area', () => {
    const part = cube(2);
    const raw = soupOf({ positions: part.positions, triangles: [...part.triangles, 0, 0, 1] });
    const mesh = weldEqual(raw, 25.4);
    expect([mesh.positions.length / 3, mesh.triangles.length / 3, mesh.degenerateCount]).toEqual([8, 12, 1]);
    expect(sizeOf(measureBounds(mesh.positions))).toEqual([50.8, 50.8, 50.8]);
  });

  it('keeps a closed surface closed, and nothing apart that is within the tolerance', () => {
    const mesh = weldEqual(soupOf(torus(10, 2, 60, 24)), 1);
    expect(isClosed(checkTopology(mesh))).toBe(true);
    const near = weldWithin(mesh, 24);
    expect(near.positions.length).toBe(mesh.positions.length);
    const shifted = weldWithin(
      {
        positions: Float64Array.of(0, 0, 0, 1e-6, 0, 0, 1, 0, 0),
        triangles: Uint32Array.of(0, 1, 2),
        degenerateCount: 0,
      },
      2,
    );
    expect([shifted.positions.length / 3, shifted.degenerateCount]).toEqual([2, 1]);
  });

  it('counts shells, and their volumes add up to the whole', () => {
    const mesh = weldEqual(soupOf(together(cube(3), cube(2, [10, 0, 0]), sphere(2, 3))), 1);
    const topology = checkTopology(mesh);
    const solid = measureSolid(mesh, topology, measureBounds(mesh.positions));
    expect(topology.shells).toBe(3);
    expect(solid.shellVolumesMm3[0]).toBeCloseTo(27, 6);
    expect(solid.shellVolumesMm3[1]).toBeCloseTo(8, 6);
    expect(solid.shellVolumesMm3.reduce((a, b) => a + b)).toBeCloseTo(solid.volumeMm3, 9);
  });

  it('does not change under moving the part, and turns over with its faces', () => {
    const at = (mesh: { positions: number[]; triangles: number[] }): number => {
      const welded = weldEqual(
        {
          format: 'obj',
          unitMm: null,
          positions: Float64Array.from(mesh.positions),
          triangles: Uint32Array.from(mesh.triangles),
        },
        1,
      );
      return measureSolid(welded, checkTopology(welded), measureBounds(welded.positions)).volumeMm3;
    };
    expect(at(cube(3, [1e4, -500, 77]))).toBeCloseTo(27, 6);
    expect(at(insideOut(cube(3)))).toBeCloseTo(-27, 9);
  });
});
