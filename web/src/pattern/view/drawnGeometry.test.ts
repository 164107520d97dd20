import { BufferAttribute, BufferGeometry } from 'three';
import { describe, expect, it } from 'vitest';
import { drawnGeometry } from './drawnGeometry';

/** A dented dome: corners of unlike faces, one face without extent, one corner that no face has. */
function dome(): { positions: Float32Array; triangles: Uint32Array } {
  const positions: number[] = [];
  const triangles: number[] = [];
  const SIDE = 9;
  for (let n = 0; n < SIDE * SIDE; n++) {
    const [x, y] = [n % SIDE, Math.floor(n / SIDE)];
    positions.push(x * 1.3, y, 5 + Math.sin(x) * Math.cos(0.7 * y) - 0.02 * x * x);
    if (x + 1 < SIDE && y + 1 < SIDE) triangles.push(n, n + 1, n + SIDE, n + 1, n + SIDE + 1, n + SIDE);
  }
  triangles.push(0, 0, 1);
  positions.push(3, 3, 40);
  return { positions: Float32Array.from(positions), triangles: Uint32Array.from(triangles) };
}

describe('what is drawn', () => {
  const { positions, triangles } = dome();
  const drawn = drawnGeometry(positions, triangles);
  const plain = new BufferGeometry();
  plain.setAttribute('position', new BufferAttribute(positions, 3));
  plain.setIndex(new BufferAttribute(triangles, 1));

  it('is lit by the same normals as the drawing package would work out', () => {
    plain.computeVertexNormals();
    const [own, theirs] = [drawn.attributes['normal']!.array, plain.attributes['normal']!.array];
    expect(own).toHaveLength(theirs.length);
    own.forEach((value, n) => expect(value).toBeCloseTo(theirs[n]!, 5));
  });

  it('stands in the same ball', () => {
    plain.computeBoundingSphere();
    expect(drawn.boundingSphere!.radius).toBeCloseTo(plain.boundingSphere!.radius, 5);
    expect(drawn.boundingSphere!.center.distanceTo(plain.boundingSphere!.center)).toBeLessThan(1e-5);
  });
});
