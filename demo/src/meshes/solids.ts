import Module, { type Manifold, type ManifoldToplevel } from 'manifold-3d';
import type { Mesh } from './surfaces';

/** The boolean engine, started once. */
let engine: Promise<ManifoldToplevel> | undefined;
export function solidEngine(): Promise<ManifoldToplevel> {
  engine ??= Module().then((wasm) => {
    wasm.setup();
    return wasm;
  });
  return engine;
}

/** Takes the triangles out of a solid. */
export function meshOf(solid: Manifold): Mesh {
  const { vertProperties, triVerts, numProp } = solid.getMesh();
  const positions: number[] = [];
  for (let v = 0; v < vertProperties.length; v += numProp) {
    positions.push(vertProperties[v]!, vertProperties[v + 1]!, vertProperties[v + 2]!);
  }
  return { positions, triangles: [...triVerts] };
}

/** Makes a solid of a closed mesh. */
export function solidOf(wasm: ManifoldToplevel, { positions, triangles }: Mesh): Manifold {
  return new wasm.Manifold(
    new wasm.Mesh({
      numProp: 3,
      vertProperties: Float32Array.from(positions),
      triVerts: Uint32Array.from(triangles),
    }),
  );
}
