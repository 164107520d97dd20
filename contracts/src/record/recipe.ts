import { CAST_CLASSES } from '@zero-pour/core';
import { z } from 'zod';
import { idSchema, momentSchema, nameSchema, noteSchema } from '../parts';
import { recipeSaysSchema } from '../pour/recipe';

/** One version of a recipe. It stays as it was made: what is done otherwise is the next version. */
export const recipeSchema = z.strictObject({
  name: nameSchema,
  version: z.number().int().positive(),
  /** The version that this one came after; null: the first. */
  formerId: idSchema.nullable(),
  madeAt: momentSchema,
  /** The pour that it was kept from. */
  fromNumber: z.number().int().positive().nullable(),
  castClass: z.enum(CAST_CLASSES),
  /** Null: for any metal. */
  alloyId: idSchema.nullable(),
  says: recipeSaysSchema,
  /** What is otherwise than in the version before. */
  change: z.string().max(400),
  /** No longer used for new pours. */
  retired: z.boolean(),
  note: noteSchema,
});
