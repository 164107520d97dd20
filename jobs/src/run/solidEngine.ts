import type { BooleanEngine } from '@zero-pour/core';
import type { Manifold, ManifoldToplevel } from 'manifold-3d';

/** The boolean engine of core over a loaded manifold-3d; vertices are float32 there. */
export function manifoldEngine(module: ManifoldToplevel): BooleanEngine<Manifold> {
  module.setup();
  return {
    create: (vertProperties, triVerts) => {
      const mesh = new module.Mesh({ numProp: 3, vertProperties, triVerts });
      // Welded corners that float32 made equal are joined; the engine refuses what is then still open.
      mesh.merge();
      return new module.Manifold(mesh);
    },
    union: (bodies) => module.Manifold.union([...bodies]),
    subtract: (body, cutter) => body.subtract(cutter),
    pieces: (body) => body.decompose(),
    volumeMm3: (body) => body.volume(),
    mesh: (body) => {
      const { vertProperties, triVerts, numProp } = body.getMesh();
      const positions = new Float64Array((vertProperties.length / numProp) * 3);
      for (let v = 0; 3 * v < positions.length; v++) {
        for (let k = 0; k < 3; k++) positions[3 * v + k] = vertProperties[v * numProp + k]!;
      }
      return { positions, triangles: Uint32Array.from(triVerts) };
    },
    release: (body) => body.delete(),
  };
}
