import { FLAW_KINDS } from '@zero-pour/core';
import { z } from 'zod';
import { idSchema, keySchema } from '../parts';

/** What the shop said of the causes of one fault or flaw. */
export const whySaidSchema = z.strictObject({
  confirmed: keySchema.optional(),
  ruledOut: z.array(keySchema).max(20),
  /** How likely each cause was by what was found, when it was said. */
  chances: z.record(keySchema, z.number().min(0).max(1)).optional(),
});
export type WhySaid = z.infer<typeof whySaidSchema>;

const chanceSchema = z.number().min(0).max(1);
/** The one change that a pour tries, against a flaw of the pour before. */
export const tryingSchema = z.strictObject({
  flaw: z.enum(FLAW_KINDS),
  /** Key of the change, and the two causes that it tells apart. */
  change: keySchema,
  between: z.tuple([keySchema, keySchema]),
  recursIf: z.tuple([chanceSchema, chanceSchema]),
  fromPourId: idSchema,
  /** Castings of that pour that were looked at, and how many of them had the flaw. */
  had: z.number().int().nonnegative(),
  of: z.number().int().positive(),
});
export type Trying = z.infer<typeof tryingSchema>;
