import { FINISHING_KINDS } from '@zero-pour/core';
import { z } from 'zod';
import { keySchema, momentSchema } from '../parts';
import { quantitySchema, readingSchema } from '../quantities';

/** One step of finishing a piece: what, how long, by whom, and what it weighs after. */
export const finishingStepSchema = z.strictObject({
  key: keySchema,
  kind: z.enum(FINISHING_KINDS),
  minutes: quantitySchema('It took', 'min', [0, 10_000], { digits: 0 }).optional(),
  whoKey: keySchema.optional(),
  weightG: readingSchema('Weight after it', 'g', [0, 1e5], { digits: 2 }).optional(),
  doneAt: momentSchema.optional(),
  note: z.string().max(200).optional(),
});
export type FinishingStep = z.infer<typeof finishingStepSchema>;
