import { describe, expect, it } from 'vitest';
import { welded } from '../testing/analysed';
import { arc, cube, lathe, sphere, torus } from '../testing/solids';
import { clusterVertices } from './clusterVertices';
import { checkTopology, isClosed } from './topology';
import { measureBounds, measureSolid } from './measureSolid';

const volumeOf = (mesh: { positions: Float64Array; triangles: Uint32Array }): number => {
  const whole = { ...mesh, degenerateCount: 0 };
  return measureSolid(whole, checkTopology(whole), measureBounds(mesh.positions)).volumeMm3;
};

describe('vertices gathered by cells', () => {
  const ring = welded(torus(9, 2, 400, 120));
  it.each([20_000, 5000, 800])('are no more than %i, and still the same ring', (most) => {
    const coarse = clusterVertices(ring, most);
    const vertices = coarse.positions.length / 3;
    expect(vertices).toBeLessThanOrEqual(most);
    expect(vertices).toBeGreaterThan(most / 8);
    expect(isClosed(checkTopology({ ...coarse, degenerateCount: 0 }))).toBe(true);
    expect(volumeOf(coarse) / volumeOf(ring)).toBeGreaterThan(most < 1000 ? 0.8 : 0.95);
    expect(volumeOf(coarse) / volumeOf(ring)).toBeLessThan(most < 1000 ? 1.1 : 1.02);
  });
  it('name the face that each face was', () => {
    const { positions, triangles, faceOf } = clusterVertices(ring, 5000);
    expect(faceOf).toHaveLength(triangles.length / 3);
    for (let f = 0; f < faceOf.length; f += 97)
      for (let c = 0; c < 3; c++) {
        const [was, is] = [3 * ring.triangles[3 * faceOf[f]! + c]!, 3 * triangles[3 * f + c]!];
        const apart = [0, 1, 2].map((k) => ring.positions[was + k]! - positions[is + k]!);
        expect(Math.hypot(...apart)).toBeLessThan(1);
      }
  });
  it('leave flat faces flat to their edges', () => {
    const dome = welded(lathe([[0, 0], ...arc(5, 0, 0, 90, 120)], 300)); // prettier-ignore
    const { positions, triangles } = clusterVertices(dome, 3000);
    // Faces that look straight down are the flat side: as much of it as there was, but for the chords of its rim.
    let flatMm2 = 0;
    for (let t = 0; t < triangles.length; t += 3) {
      const [a, b, c] = [0, 1, 2].map((k) =>
        positions.subarray(3 * triangles[t + k]!, 3 * triangles[t + k]! + 3),
      );
      if (Math.abs(a![2]!) + Math.abs(b![2]!) + Math.abs(c![2]!) > 1e-9) continue;
      flatMm2 += Math.abs((b![0]! - a![0]!) * (c![1]! - a![1]!) - (b![1]! - a![1]!) * (c![0]! - a![0]!)) / 2;
    }
    expect(flatMm2 / (25 * Math.PI)).toBeGreaterThan(0.97);
    expect(flatMm2 / (25 * Math.PI)).toBeLessThan(1.001);
  });
  it('of few corners stay as they are', () => {
    const { positions, triangles } = clusterVertices(welded(cube(4)), 25_000);
    expect(positions).toHaveLength(24);
    expect(triangles).toHaveLength(36);
  });
  it('of one place, or of none, end', () => {
    const ball = sphere(3, 2);
    const point = {
      positions: Float64Array.from(ball.positions, () => 2),
      triangles: Uint32Array.from(ball.triangles),
    };
    expect(clusterVertices(point, 10).triangles).toHaveLength(0);
    const none = { positions: new Float64Array(0), triangles: new Uint32Array(0) };
    expect(clusterVertices(none, 10).positions).toHaveLength(0);
  });
});
