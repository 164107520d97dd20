import { FINISHES, FINISHING_KINDS, FITS, JOINED_BY } from '@zero-pour/core';
import { z } from 'zod';
import { idSchema, keySchema, momentSchema } from '../parts';
import { quantitySchema, readingSchema } from '../quantities';
import { lineKeySchema, pieceKeySchema } from './pieces';

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

/** A side or face, how it is finished, and what that takes off it. */
export const plannedSideSchema = z.strictObject({
  key: keySchema,
  where: z.string().max(80),
  finish: z.enum(FINISHES),
  allowanceMm: quantitySchema('Allowance', 'mm', [0, 5], { digits: 2 }).optional(),
  recessMm: quantitySchema('Recess after polishing', 'mm', [0, 20], { digits: 2 }).optional(),
});
export type PlannedSideOf = z.infer<typeof plannedSideSchema>;

/** A cut that is planned on the model: it may be laid through a flaw. */
export const plannedCutSchema = z.strictObject({
  key: keySchema,
  lineKey: lineKeySchema,
  what: z.string().max(120),
  /** In the mm of the file that it was shown on. */
  placeMm: z.tuple([z.number(), z.number(), z.number()]).optional(),
  patternId: idSchema.optional(),
});
export type PlannedCut = z.infer<typeof plannedCutSchema>;

/** Castings that become one piece, and how they went together. */
export const assemblySchema = z.strictObject({
  key: keySchema,
  pieces: z.array(pieceKeySchema).max(20),
  by: z.enum(JOINED_BY),
  fit: z.enum(FITS).optional(),
  note: z.string().max(200).optional(),
});
export type Assembly = z.infer<typeof assemblySchema>;

/** What is planned of finishing beside its steps. */
export const finishPlanSchema = z.strictObject({
  sides: z.array(plannedSideSchema).max(20).optional(),
  cuts: z.array(plannedCutSchema).max(40).optional(),
  joined: z.array(assemblySchema).max(40).optional(),
});
export type FinishPlan = z.infer<typeof finishPlanSchema>;
