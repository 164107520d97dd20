import { FINISHES, ROUTES } from '@zero-pour/core';
import { z } from 'zod';
import { idSchema, momentSchema } from '../parts';
import { lineKeySchema, pieceKeySchema } from './pieces';
import { briefLineSchema, rotationSchema } from './planning';
import { castingSizesSchema, scaleStageSchema, sizeTargetSchema } from './sizes';

const thingSchema = idSchema.nullable();

/** What a pour tells of sizes: how it was printed, and what was measured of it. */
export const pouredSizesSchema = z.strictObject({
  pourId: idSchema,
  number: z.number().int().positive(),
  at: momentSchema,
  resinId: thingSchema,
  printerId: thingSchema,
  profileId: thingSchema,
  powderId: thingSchema,
  alloyId: thingSchema,
  route: z.enum(ROUTES),
  finish: z.enum(FINISHES),
  lines: z.array(briefLineSchema.pick({ key: true, patternId: true, count: true })),
  /** By the line's key. */
  rotations: z.record(lineKeySchema, rotationSchema),
  sizes: z.array(sizeTargetSchema),
  scale: scaleStageSchema,
  castings: z.record(pieceKeySchema, castingSizesSchema),
});
export type PouredSizes = z.infer<typeof pouredSizesSchema>;
export const pouredSizesListSchema = z.array(pouredSizesSchema);
