import { CAST_GRADES, PRINT_FAULT_KEYS, PRINT_GRADES, TUNED_CLASSES, VERDICTS } from '@zero-pour/core';
import { z } from 'zod';
import {
  EXPOSURE_S,
  idSchema,
  keySchema,
  LAYER_MM,
  momentSchema,
  nameSchema,
  noteSchema,
  photosSchema,
} from '../parts';
import { quantitySchema } from '../quantities';

const verdictSchema = z.strictObject({ says: z.enum(VERDICTS).nullable(), keepFor: z.string().max(200) });

/** One printing (and casting) of the shop's test set in one resin (handbook 02, "Qualifying a resin"). */
export const testSetRunSchema = z.strictObject({
  resinId: idSchema,
  printerId: idSchema,
  profileId: idSchema.nullable(),
  printedAt: momentSchema,
  layerMm: quantitySchema('Layer height', 'mm', LAYER_MM, { digits: 3 }),
  exposureS: quantitySchema('Exposure', 's', EXPOSURE_S, { digits: 2 }),
  pieces: z
    .array(
      z.strictObject({
        key: keySchema,
        patternId: idSchema.nullable(),
        name: nameSchema,
        castClass: z.enum(TUNED_CLASSES),
        thinnestMm: quantitySchema('Thinnest', 'mm', [0.05, 50], { digits: 2 }).nullable(),
        print: z.enum(PRINT_GRADES).nullable(),
        cast: z.enum(CAST_GRADES).nullable(),
        /** What went wrong with its print. */
        faults: z.array(z.enum(PRINT_FAULT_KEYS)).max(6).optional(),
        photos: photosSchema.max(10),
        note: z.string().max(400),
      }),
    )
    .max(200),
  /** The alloy that all were cast in, by the shop's baseline recipe, so that the resin is the only unknown. */
  castAlloyId: idSchema.nullable(),
  castAt: momentSchema.nullable(),
  handsH: quantitySchema('Hands-on hours', 'h', [0, 1000]).nullable(),
  resinG: quantitySchema('Resin', 'g', [0, 100_000]).nullable(),
  spent: quantitySchema('Spent', 'money', [0, 1e7]).nullable(),
  verdicts: z.partialRecord(
    z.enum(TUNED_CLASSES),
    z.strictObject({ prints: verdictSchema, casts: verdictSchema }),
  ),
  note: noteSchema,
});
