import { FLAW_KINDS, OUTCOMES } from '@zero-pour/core';
import { z } from 'zod';
import { hashSchema, momentSchema, noteSchema, positiveSchema, tempCSchema } from '../parts';
import { readingSchema } from '../reading';
import { stepsSchema } from './making';
import { castingSizesSchema } from './sizes';

export const pourStageSchema = z.strictObject({
  /** Chosen temperatures; absent means by alloy and class. */
  flaskTempC: tempCSchema.optional(),
  metalTempC: tempCSchema.optional(),
  flaskRead: readingSchema.optional(),
  metalRead: readingSchema.optional(),
  chargeRead: readingSchema.optional(),
  vacuumKpa: readingSchema.optional(),
  quenchAfterMin: readingSchema.optional(),
  pouredAt: momentSchema.optional(),
  spilled: z.boolean().optional(),
  /** Timed steps at the furnace. */
  steps: stepsSchema.optional(),
  note: noteSchema.optional(),
});

export const flawSchema = z.strictObject({
  kind: z.enum(FLAW_KINDS),
  place: z.string().max(120),
  sizeMm: positiveSchema.max(400).optional(),
});
export type Flaw = z.infer<typeof flawSchema>;

export const castingSchema = z.strictObject({
  outcome: z.enum(OUTCOMES).optional(),
  flaws: z.array(flawSchema).max(30),
  weightG: readingSchema.optional(),
  /** By the brief's sizes. */
  sizes: castingSizesSchema.optional(),
  photos: z.array(z.strictObject({ hash: hashSchema, name: z.string().max(255) })).max(30),
  note: z.string().max(1000).optional(),
});
export type Casting = z.infer<typeof castingSchema>;

export const resultStageSchema = z.strictObject({
  /** By casting number from 1, in the order of the brief's patterns. */
  castings: z.record(z.string().regex(/^\d{1,3}$/), castingSchema),
  buttonBackG: readingSchema.optional(),
  doneAt: momentSchema.optional(),
  note: noteSchema.optional(),
});
