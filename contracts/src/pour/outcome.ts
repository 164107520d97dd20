import { FLAW_KINDS, FLAW_ZONES, OUTCOMES, SEVERITIES } from '@zero-pour/core';
import { z } from 'zod';
import { idSchema, keySchema, momentSchema, noteSchema, photosSchema } from '../parts';
import { quantitySchema, readingSchema } from '../quantities';
import { finishingStepSchema, finishPlanSchema } from './finishing';
import { pieceKeySchema } from './pieces';
import { castingSizesSchema } from './sizes';
import { whySaidSchema } from './why';

export const flawSchema = z.strictObject({
  kind: z.enum(FLAW_KINDS),
  zone: z.enum(FLAW_ZONES).optional(),
  /** In words. */
  place: z.string().max(120),
  /** Where it is on the model, in the mm of the file that it was shown on: a newer version does not move it. */
  placeMm: z.tuple([z.number(), z.number(), z.number()]).optional(),
  patternId: idSchema.optional(),
  severity: z.enum(SEVERITIES).optional(),
  sizeMm: quantitySchema('Size', 'mm', [0.01, 400]).optional(),
  photos: photosSchema.max(6).optional(),
});
export type Flaw = z.infer<typeof flawSchema>;

export const castingSchema = z.strictObject({
  /** As cast, after the pickle. */
  outcome: z.enum(OUTCOMES).optional(),
  flaws: z.array(flawSchema).max(30),
  weightG: readingSchema('Weight as cast', 'g', [0, 1e5], { digits: 2 }).optional(),
  cutWeightG: readingSchema('Weight after cutting', 'g', [0, 1e5], { digits: 2 }).optional(),
  /** As finished: what became of it in the end. */
  finished: z.enum(OUTCOMES).optional(),
  finishing: z.array(finishingStepSchema).max(40).optional(),
  /** By the brief's sizes. */
  sizes: castingSizesSchema.optional(),
  photos: photosSchema.max(30),
  note: z.string().max(1000).optional(),
});
export type Casting = z.infer<typeof castingSchema>;

/** What became of a casting: as finished, else as cast. */
export const becameOf = (casting: Pick<Casting, 'outcome' | 'finished'> | undefined): Casting['outcome'] =>
  casting?.finished ?? casting?.outcome;

export const resultStageSchema = z.strictObject({
  /** By the piece's name. */
  castings: z.record(pieceKeySchema, castingSchema),
  buttonBackG: readingSchema('Metal back as button and sprues', 'g', [0, 1e5]).optional(),
  /** Sides, cuts and what is joined. */
  plan: finishPlanSchema.optional(),
  filingsBackG: readingSchema('Filings and cut-offs back', 'g', [0, 1e5], { digits: 2 }).optional(),
  doneAt: momentSchema.optional(),
  /** What the shop found to be the cause, or not, by flaw; once a pour. */
  why: z.partialRecord(z.enum(FLAW_KINDS), whySaidSchema).optional(),
  note: noteSchema.optional(),
});

/** What comes between without being planned. */
export const HAPPENINGS = ['power lost', 'door opened', 'something else'] as const;

/** Something that happened to a pour, with its time: evidence later. */
export const happeningSchema = z.strictObject({
  key: keySchema,
  kind: z.enum(HAPPENINGS),
  at: momentSchema,
  until: momentSchema.optional(),
  note: z.string().max(400),
});
export type Happening = z.infer<typeof happeningSchema>;
