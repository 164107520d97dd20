import type { WaysUp, WayUp } from '@zero-pour/core';
import { z } from 'zod';
import { defineJob, typed } from './job';
import { partSchema } from './part';

const rotationSchema = z.strictObject({ xDeg: z.number(), yDeg: z.number(), zDeg: z.number() });

/** What the search for ways up is asked: layer height, points on faces that must stay clean, ways to compare. */
export const waysInputSchema = z.strictObject({
  part: partSchema,
  layerMm: z.number().positive(),
  cleanPoints: z.array(z.tuple([z.number(), z.number(), z.number()])),
  compare: z.array(rotationSchema),
});
export type WaysInput = z.infer<typeof waysInputSchema>;
export interface FoundWays extends WaysUp {
  /** One for each rotation of `compare`. */
  compared: WayUp[];
}

/** The best ways up of a part, and others beside them. */
export const waysJob = defineJob({
  name: 'ways up',
  version: 2,
  input: waysInputSchema,
  output: typed<FoundWays>(),
});
