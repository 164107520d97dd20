import { FLAW_KINDS } from '@zero-pour/core';
import { z } from 'zod';
import { idSchema, momentSchema } from './parts';
import { whySaidSchema } from './pour/why';

/** What was said of the causes of one flaw, and by how many pours. */
export const toldCauseSchema = z.strictObject({
  flaw: z.enum(FLAW_KINDS),
  said: whySaidSchema,
  times: z.number().int().positive().max(100_000),
});
export type ToldCause = z.infer<typeof toldCauseSchema>;

/** What another shop found behind flaws of its castings: this shop's odds begin with it instead of with the book's alone. */
export const causeTableSchema = z.strictObject({
  /** The other shop's id: its newer table takes the place of an older one. */
  key: idSchema,
  from: z.string().trim().min(1).max(120),
  at: momentSchema,
  told: z.array(toldCauseSchema).max(5000),
});
export type CauseTable = z.infer<typeof causeTableSchema>;
