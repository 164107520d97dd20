import { defineJob, typed } from './job';
import { partSchema, readPart } from './part';

/** A mesh for the view: vertices (float32, mm) and triangle indices. */
export interface ViewMesh {
  positions: Float32Array;
  triangles: Uint32Array;
}

/** The part itself, for the view. */
export const shapeJob = defineJob({
  name: 'shape',
  version: 1,
  input: partSchema,
  output: typed<ViewMesh>(),
  async run(input, context) {
    const { mesh } = await readPart(input, context);
    // Copies: what was read stays with the runner.
    return {
      output: { positions: Float32Array.from(mesh.positions), triangles: mesh.triangles.slice() },
    };
  },
});
