import { cutWayUp, findWaysUp, growFaces, makeSearchSurface, type WaysUp, type WayUp } from '@zero-pour/core';
import { z } from 'zod';
import { defineJob, typed } from './job';
import { partSchema, readPart } from './part';

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
  version: 1,
  input: waysInputSchema,
  output: typed<FoundWays>(),
  async run({ part, layerMm, cleanPoints, compare }, context) {
    const { mesh } = await readPart(part, context);
    const show = cleanPoints.length > 0 ? growFaces(mesh, cleanPoints) : undefined;
    const report = (share: number): void => context.report('searching', share);
    const found = findWaysUp(mesh, { layerMm, show, report });
    const surface = makeSearchSurface(mesh);
    const compared = compare.map((rotation) => {
      const { direction: _, ...way } = cutWayUp(mesh, surface, rotation, { layerMm, show });
      return way;
    });
    return { output: { ...found, compared } };
  },
});
