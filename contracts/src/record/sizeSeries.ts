import { ROUTES, SIZE_STAGES } from '@zero-pour/core';
import { z } from 'zod';
import { idSchema, keySchema, momentSchema, noteSchema, positiveSchema } from '../parts';
import { quantitySchema } from '../quantities';
import { MOLD_MATERIAL_NAMES } from '../pour/sizes';

/** How a size lies on the print: across the plate, up, or across a hole. */
export const SIZE_AXES = ['XY', 'Z', 'bore'] as const;

/** Sizes that were printed and measured at one stage, outside any pour (handbook 03, "Calibration"). */
export const sizeSeriesSchema = z.strictObject({
  resinId: idSchema,
  printerId: idSchema.nullable(),
  profileId: idSchema.nullable(),
  alloyId: idSchema.nullable(),
  powderId: idSchema.nullable(),
  route: z.enum(ROUTES),
  moldMaterial: z.enum(MOLD_MATERIAL_NAMES).nullable(),
  /** Flask at the pour, for sizes of metal. */
  flaskC: quantitySchema('Flask at the pour', 'degC', [20, 1300]).nullable(),
  stage: z.enum(SIZE_STAGES),
  measuredAt: momentSchema,
  /** Bottle or lot, for finding drift. */
  lot: z.string().max(60),
  pairs: z
    .array(
      z.strictObject({
        key: keySchema,
        axis: z.enum(SIZE_AXES),
        /** As it was in the file that was printed, scale included. */
        printMm: quantitySchema('In the printed file', 'mm', [0.05, 400], { digits: 3 }),
        readingsMm: z.array(positiveSchema.max(400)).max(20),
        /** Kept in sight but not counted. */
        leftOut: z.boolean(),
      }),
    )
    .max(200),
  note: noteSchema,
});
