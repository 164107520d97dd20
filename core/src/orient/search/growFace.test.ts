import { describe, expect, it } from 'vitest';
import { arc, box, lathe, tube, type TestMesh } from '../../testing/solids';
import { welded } from '../../testing/analysed';
import { growFaces } from './growFace';

const areaOf = (mesh: TestMesh, marked: Uint8Array): number => {
  const { positions: p, triangles } = mesh;
  let area = 0;
  marked.forEach((on, t) => {
    if (!on) return;
    const [a, b, c] = [0, 1, 2].map((k) => [0, 1, 2].map((axis) => p[3 * triangles[3 * t + k]! + axis]!)) as [number[], number[], number[]]; // prettier-ignore
    const u = b.map((v, k) => v - a[k]!);
    const w = c.map((v, k) => v - a[k]!);
    area +=
      Math.hypot(
        u[1]! * w[2]! - u[2]! * w[1]!,
        u[2]! * w[0]! - u[0]! * w[2]!,
        u[0]! * w[1]! - u[1]! * w[0]!,
      ) / 2;
  });
  return area;
};

describe('picked faces', () => {
  it('are whole faces of a box, and no more', () => {
    const mesh = box([20, 10, 4]);
    expect(areaOf(mesh, growFaces(mesh, [[10, 5, 4]]))).toBeCloseTo(200, 9);
    expect(areaOf(mesh, growFaces(mesh, [[10, 5, 4], [20, 5, 2]]))).toBeCloseTo(240, 9); // prettier-ignore
    expect(growFaces(mesh, []).some((on) => on === 1)).toBe(false);
  });

  it('follow a gentle curve as far as it is still the same side', () => {
    const dome = lathe([[0, 0], ...arc(5, 0, 0, 90, 24)], 64);
    const mesh = welded(dome);
    const marked = growFaces(mesh, [[0, 0, 5]]);
    // The cap within 55° of the top: 2πr²(1 − cos 55°).
    const cap = 2 * Math.PI * 25 * (1 - Math.cos((55 * Math.PI) / 180));
    const part = areaOf({ positions: [...mesh.positions], triangles: [...mesh.triangles] }, marked);
    expect(part / cap).toBeGreaterThan(0.9);
    expect(part / cap).toBeLessThan(1.05);
  });

  it('stop at the rim of a ring', () => {
    const ring = tube(10, 8.6, 4, 96);
    const rim = areaOf(ring, growFaces(ring, [[9.3, 0, 4]]));
    expect(rim / (Math.PI * (100 - 8.6 ** 2))).toBeCloseTo(1, 1);
  });
});
