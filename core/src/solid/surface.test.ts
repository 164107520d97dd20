import { describe, expect, it } from 'vitest';
import { checkTopology, isClosed, measureBounds, measureSolid, splitLongEdges } from '../mesh';
import { turned, welded } from '../testing/analysed';
import {
  box,
  cube,
  insideOut,
  lathe,
  moved,
  sphere,
  together,
  torus,
  type TestMesh,
} from '../testing/solids';
import { boundaryTest, boundaryTriangles } from './boundary';
import { splitShells, uniteShells, type BooleanEngine } from './exactUnion';
import { columnsOf, frameRound, sweepDexels, TriangleTree } from './index';
import { seededRandom } from '../numeric';
import { areaInBall, volumeInBall } from './modulus';

const raysOf = (part: TestMesh, cellMm: number) => {
  const mesh = welded(part);
  const frame = frameRound(measureBounds(mesh.positions), cellMm, 1);
  return { mesh, dexels: sweepDexels(mesh.positions, mesh.triangles, columnsOf(frame)) };
};
const solidOf = (part: TestMesh) => {
  const mesh = welded(part);
  const topology = checkTopology(mesh);
  return { mesh, topology, solid: measureSolid(mesh, topology, measureBounds(mesh.positions)) };
};

describe('long edges', () => {
  const mesh = welded(turned(box([7, 3, 0.4]), { xDeg: 12, yDeg: 34, zDeg: 56 }));
  const split = { ...mesh, ...splitLongEdges(mesh, 0.5) };
  it('are halved until none is long', () => {
    for (let t = 0; t < split.triangles.length; t += 3) {
      for (let k = 0; k < 3; k++) {
        const [a, b] = [3 * split.triangles[t + k]!, 3 * split.triangles[t + ((k + 1) % 3)]!];
        const p = split.positions;
        const length = Math.hypot(p[a]! - p[b]!, p[a + 1]! - p[b + 1]!, p[a + 2]! - p[b + 2]!);
        expect(length).toBeLessThanOrEqual(0.5 + 1e-12);
      }
    }
  });
  it('stay longer where slivers would make too many pieces', () => {
    const cone = welded(lathe([[0, 0], [5, 0], [0, 12]], 500)); // prettier-ignore
    const all = splitLongEdges(cone, 0.5);
    const some = splitLongEdges(cone, 0.5, 4000);
    expect(all.triangles.length / 3).toBeGreaterThan(16_000);
    expect(some.triangles.length / 3).toBeLessThan(8000);
    expect(some.triangles.length / 3).toBeGreaterThan(1000);
    expect(isClosed(checkTopology({ ...cone, ...some }))).toBe(true);
  });
  it('leave the surface as it was: closed, its area and volume, its first corners', () => {
    expect(isClosed(checkTopology(split))).toBe(true);
    const [before, after] = [mesh, split].map((m) =>
      measureSolid(m, checkTopology(m), measureBounds(m.positions)),
    );
    expect(after!.areaMm2).toBeCloseTo(before!.areaMm2, 9);
    expect(after!.volumeMm3).toBeCloseTo(before!.volumeMm3, 9);
    expect([...split.positions.slice(0, mesh.positions.length)]).toEqual([...mesh.positions]);
  });
  it('that are not there change nothing at all', () => {
    expect(splitLongEdges(mesh, 20)).toBe(mesh);
  });
});

describe('shells', () => {
  const part = together(cube(3), moved(sphere(1, 2), [9, 0, 0]), insideOut(cube(1, [1, 1, 1])));
  it('come apart whole, each with its own corners', () => {
    const { mesh, topology, solid } = solidOf(part);
    const shells = splitShells(mesh, topology);
    expect(shells).toHaveLength(3);
    expect(shells.reduce((sum, s) => sum + s.triangles.length, 0)).toBe(mesh.triangles.length);
    for (const [n, shell] of shells.entries()) {
      expect(Math.max(...shell.triangles)).toBe(shell.positions.length / 3 - 1);
      const own = solidOf({ positions: [...shell.positions], triangles: [...shell.triangles] });
      expect(own.solid.volumeMm3).toBeCloseTo(solid.shellVolumesMm3[n]!, 4);
    }
  });
  /** An engine that only notes what it is given; its union is its first body. */
  const noting = (refuse = false) => {
    const alive = new Set<object>();
    const engine: BooleanEngine<{ positions: Float32Array; triangles: Uint32Array }> = {
      create: (positions, triangles) => {
        if (refuse && alive.size > 0) throw new Error('not closed');
        const body = { positions, triangles };
        alive.add(body);
        return body;
      },
      union: ([first]) => {
        const body = { ...first! };
        alive.add(body);
        return body;
      },
      subtract: (body) => body,
      pieces: (body) => [body],
      volumeMm3: () => 27,
      mesh: ({ positions, triangles }) => ({ positions: Float64Array.from(positions), triangles }),
      release: (body) => void alive.delete(body),
    };
    return { engine, alive };
  };
  it('that look outward are united, hollows put back, and everything is released', () => {
    const { mesh, topology, solid } = solidOf(part);
    const { engine, alive } = noting();
    const united = uniteShells(mesh, topology, solid.shellVolumesMm3, engine);
    expect(united?.volumeMm3).toBeCloseTo(27 - 1, 6);
    expect(united?.triangles).toHaveLength(2 * 36);
    expect(alive.size).toBe(0);
  });
  it('that the engine refuses give no union, and nothing is left behind', () => {
    const { mesh, topology, solid } = solidOf(part);
    const { engine, alive } = noting(true);
    expect(uniteShells(mesh, topology, solid.shellVolumesMm3, engine)).toBeNull();
    expect(alive.size).toBe(0);
  });
  it('that all look inward are no bodies: nothing is united, and nobody is told that it was', () => {
    const { mesh, topology, solid } = solidOf(insideOut(together(cube(3), cube(3, [1, 1, 1]))));
    expect(Math.max(...solid.shellVolumesMm3)).toBeLessThan(0);
    expect(uniteShells(mesh, topology, solid.shellVolumesMm3, noting().engine)).toBeNull();
  });
});

describe('faces inside another body', () => {
  const { mesh, dexels } = raysOf(together(cube(4), cube(2, [1, 1, 3])), 0.05);
  const isBoundary = boundaryTest(mesh, dexels);
  it('are no boundary; those that look into the open are', () => {
    const kept = new Set(boundaryTriangles(mesh, isBoundary));
    for (let t = 0; t < mesh.triangles.length / 3; t++) {
      const corners = [0, 1, 2].map((k) => 3 * mesh.triangles[3 * t + k]!);
      const inside = corners.every((v) => {
        const [x, y, z] = [mesh.positions[v]!, mesh.positions[v + 1]!, mesh.positions[v + 2]!];
        return x > 0 && x < 4 && y > 0 && y < 4 && z > 0 && z < 4;
      });
      expect(kept.has(t)).toBe(!inside);
    }
  });
});

describe('what lies in a ball', () => {
  it('of a large block is the ball, half of it at a face, an eighth at a corner', () => {
    const { dexels } = raysOf(cube(10), 0.05);
    const ball = (4 / 3) * Math.PI;
    expect(volumeInBall(dexels, [5, 5, 5], 1)).toBeCloseTo(ball, 1);
    expect(volumeInBall(dexels, [5, 5, 0], 1)).toBeCloseTo(ball / 2, 1);
    expect(volumeInBall(dexels, [0, 0, 0], 1)).toBeCloseTo(ball / 8, 1);
    expect(volumeInBall(dexels, [20, 0, 0], 1)).toBe(0);
  });
  it('of a surface is a disc where a plane passes, two for a plate, and all of a small body', () => {
    const tree = (part: TestMesh) => {
      const mesh = welded(part);
      return new TriangleTree(mesh.positions, mesh.triangles);
    };
    expect(areaInBall(tree(cube(10)), [5, 5, 0], 2)).toBeCloseTo(4 * Math.PI, 9);
    expect(areaInBall(tree(cube(10)), [0, 5, 0], 2)).toBeCloseTo(4 * Math.PI, 9);
    expect(areaInBall(tree(cube(10)), [0, 0, 0], 2)).toBeCloseTo(3 * Math.PI, 9);
    expect(areaInBall(tree(cube(10)), [5, 5, 5], 2)).toBe(0);
    const plate = areaInBall(tree(box([10, 10, 1])), [5, 5, 0.5], 1.5);
    expect(plate).toBeCloseTo(2 * Math.PI * (1.5 ** 2 - 0.25), 9);
    const ring = torus(2, 0.5, 40, 20);
    expect(areaInBall(tree(ring), [0, 0, 0], 5)).toBeCloseTo(solidOf(ring).solid.areaMm2, 6);
  });
  it('of a surface is what its points count, wherever the ball stands', () => {
    const { uniform } = seededRandom(11);
    const part = welded(torus(2, 0.5, 24, 12));
    const tree = new TriangleTree(part.positions, part.triangles);
    const corner = (t: number, k: number): number[] =>
      [0, 1, 2].map((c) => part.positions[3 * part.triangles[3 * t + k]! + c]!);
    for (let n = 0; n < 8; n++) {
      const at = [2.5 - 5 * uniform(), 2.5 - 5 * uniform(), 0.5 - uniform()];
      const radius = 0.4 + uniform();
      let counted = 0;
      for (let t = 0; t < part.triangles.length / 3; t++) {
        const [a, b, c] = [corner(t, 0), corner(t, 1), corner(t, 2)];
        const [u, v] = [b, c].map((p) => p.map((x, k) => x - a[k]!)) as [number[], number[]];
        const area =
          Math.hypot(
            u[1]! * v[2]! - u[2]! * v[1]!,
            u[2]! * v[0]! - u[0]! * v[2]!,
            u[0]! * v[1]! - u[1]! * v[0]!,
          ) / 2;
        // Middles of 20 × 20 like pieces.
        for (let i = 0; i < 20; i++)
          for (let j = 0; j < 20 - i; j++)
            for (const third of j < 19 - i ? [1, 2] : [1]) {
              const [s, w] = [(i + third / 3) / 20, (j + third / 3) / 20];
              const away = Math.hypot(...a.map((x, k) => x + s * u[k]! + w * v[k]! - at[k]!));
              if (away < radius) counted += area / 400;
            }
      }
      expect(Math.abs(areaInBall(tree, at, radius) - counted)).toBeLessThan(0.02 * counted + 0.01);
    }
  });
  it('makes the moduli of the trade: a plate’s half thickness, a wire’s quarter', () => {
    const plate = raysOf(box([12, 12, 1]), 0.05);
    const plateTree = new TriangleTree(plate.mesh.positions, plate.mesh.triangles);
    const inPlate = volumeInBall(plate.dexels, [6, 6, 0.5], 1.5) / areaInBall(plateTree, [6, 6, 0.5], 1.5);
    expect(inPlate).toBeGreaterThan(0.47);
    expect(inPlate).toBeLessThan(0.55);
  });
});
