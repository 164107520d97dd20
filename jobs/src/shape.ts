import { defineJob, typed } from './job';
import { partSchema } from './part';

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
});
