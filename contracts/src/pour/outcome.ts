import { FLAW_KINDS, OUTCOMES } from '@zero-pour/core';
import { z } from 'zod';
import { keySchema, momentSchema, noteSchema, photosSchema } from '../parts';
import { quantitySchema, readingSchema } from '../quantities';
import { pieceKeySchema } from './pieces';
import { castingSizesSchema } from './sizes';

export const flawSchema = z.strictObject({
  kind: z.enum(FLAW_KINDS),
  /** In words; and where it is on the model, in the file's mm, if that was shown. */
  place: z.string().max(120),
  placeMm: z.tuple([z.number(), z.number(), z.number()]).optional(),
  sizeMm: quantitySchema('Size', 'mm', [0.01, 400]).optional(),
});
export type Flaw = z.infer<typeof flawSchema>;

export const castingSchema = z.strictObject({
  outcome: z.enum(OUTCOMES).optional(),
  flaws: z.array(flawSchema).max(30),
  weightG: readingSchema('Weight', 'g', [0, 1e5], { digits: 2 }).optional(),
  /** By the brief's sizes. */
  sizes: castingSizesSchema.optional(),
  photos: photosSchema.max(30),
  note: z.string().max(1000).optional(),
});
export type Casting = z.infer<typeof castingSchema>;

export const resultStageSchema = z.strictObject({
  /** By the piece's name. */
  castings: z.record(pieceKeySchema, castingSchema),
  buttonBackG: readingSchema('Metal back as button and sprues', 'g', [0, 1e5]).optional(),
  doneAt: momentSchema.optional(),
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
