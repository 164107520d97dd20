import { CAST_GRADES, PRINT_GRADES, TUNED_CLASSES, VERDICTS } from '@zero-pour/core';
import { z } from 'zod';
import {
  atLeastZeroSchema,
  hashSchema,
  idSchema,
  keySchema,
  momentSchema,
  nameSchema,
  noteSchema,
  positiveSchema,
} from '../parts';

const photosSchema = z.array(z.strictObject({ hash: hashSchema, name: z.string().max(255) })).max(10);
const verdictSchema = z.strictObject({ says: z.enum(VERDICTS).nullable(), keepFor: z.string().max(200) });

/** One printing (and casting) of the shop's test set in one resin (handbook 02, "Qualifying a resin"). */
export const testSetRunSchema = z.strictObject({
  resinId: idSchema,
  printerId: idSchema,
  profileId: idSchema.nullable(),
  printedAt: momentSchema,
  layerMm: positiveSchema.max(1),
  exposureS: positiveSchema.max(600),
  pieces: z
    .array(
      z.strictObject({
        key: keySchema,
        patternId: idSchema.nullable(),
        name: nameSchema,
        castClass: z.enum(TUNED_CLASSES),
        thinnestMm: positiveSchema.max(50).nullable(),
        print: z.enum(PRINT_GRADES).nullable(),
        cast: z.enum(CAST_GRADES).nullable(),
        photos: photosSchema,
        note: z.string().max(400),
      }),
    )
    .max(200),
  /** The alloy that all were cast in, by the shop's baseline recipe, so that the resin is the only unknown. */
  castAlloyId: idSchema.nullable(),
  castAt: momentSchema.nullable(),
  handsH: atLeastZeroSchema.max(1000).nullable(),
  resinG: atLeastZeroSchema.max(100_000).nullable(),
  spent: atLeastZeroSchema.max(1e7).nullable(),
  verdicts: z.partialRecord(
    z.enum(TUNED_CLASSES),
    z.strictObject({ prints: verdictSchema, casts: verdictSchema }),
  ),
  note: noteSchema,
});
