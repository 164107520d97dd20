import { z } from 'zod';
import { idSchema, momentSchema, photosSchema } from '../parts';

/** What a slip can be about. */
export const SLIP_SUBJECTS = ['pour', 'pattern', 'resin', 'mold'] as const;
export const slipSubjectSchema = z.strictObject({ kind: z.enum(SLIP_SUBJECTS), id: idSchema });
export type SlipSubject = z.infer<typeof slipSubjectSchema>;

/** Something noted at the bench in ten seconds: a line, photos, or both. It lies in the inbox until somebody sorts it. */
export const slipSchema = z.strictObject({
  at: momentSchema,
  text: z.string().max(2000),
  photos: photosSchema.max(20),
  /** Null: nobody knows, or it is about nothing in particular. */
  about: slipSubjectSchema.nullable(),
  /** Somebody looked at it and said what it is about; null: by guess so far. */
  sortedAt: momentSchema.nullable(),
});
