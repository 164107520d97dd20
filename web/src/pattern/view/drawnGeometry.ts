import { measureBounds, vertexNormals } from '@zero-pour/core';
import { BufferAttribute, BufferGeometry, Sphere, Vector3 } from 'three';

/**
 * A mesh with normals and the ball round it. Made in plain loops: the drawing package's own, which fetch each corner by a call, hold the
 * page up for half a second at two million triangles.
 */
export function drawnGeometry(positions: Float32Array, triangles: Uint32Array): BufferGeometry {
  const geometry = new BufferGeometry();
  geometry.setAttribute('position', new BufferAttribute(positions, 3));
  geometry.setAttribute('normal', new BufferAttribute(vertexNormals({ positions, triangles }), 3));
  geometry.setIndex(new BufferAttribute(triangles, 1));
  geometry.boundingSphere = ballRound(positions);
  return geometry;
}

function ballRound(positions: Float32Array): Sphere {
  const { min, max } = measureBounds(positions);
  const [x, y, z] = [0, 1, 2].map((k) => (min[k]! + max[k]!) / 2) as [number, number, number];
  let most2 = 0;
  for (let v = 0; v < positions.length; v += 3) {
    const dx = positions[v]! - x, dy = positions[v + 1]! - y, dz = positions[v + 2]! - z; // prettier-ignore
    const away2 = dx * dx + dy * dy + dz * dz;
    if (away2 > most2) most2 = away2;
  }
  return new Sphere(new Vector3(x, y, z), Math.sqrt(most2));
}
