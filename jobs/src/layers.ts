import type { LayerStack, PrintDirection } from '@zero-pour/core';
import { z } from 'zod';
import { defineJob, typed } from './job';
import { partSchema } from './part';

export const layersInputSchema = z.strictObject({
  part: partSchema,
  rotation: z.strictObject({ xDeg: z.number(), yDeg: z.number(), zDeg: z.number() }),
  layerMm: z.number().positive(),
  pixelMm: z.number().positive(),
});
export type LayersInput = z.infer<typeof layersInputSchema>;
export interface CutLayers {
  direction: PrintDirection;
  stack: LayerStack;
}

/** A part cut into layers for one rotation, with the layers themselves for showing. */
export const layersJob = defineJob({
  name: 'layers',
  version: 1,
  input: layersInputSchema,
  output: typed<CutLayers>(),
});
