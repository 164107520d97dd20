import { CAST_CLASSES, FINISHES, ROUTES } from '@zero-pour/core';
import { z } from 'zod';
import { atLeastZeroSchema, countSchema, idSchema, momentSchema, noteSchema, positiveSchema } from '../parts';
import { sizeTargetSchema } from './sizes';

export const briefSchema = z.strictObject({
  patterns: z.array(z.strictObject({ patternId: idSchema, count: countSchema })).max(40),
  alloyId: idSchema.optional(),
  castClass: z.enum(CAST_CLASSES),
  /** Sizes that are wanted of the finished piece, the first of the brief first. */
  sizes: z.array(sizeTargetSchema).max(20),
  finish: z.enum(FINISHES),
  dueAt: momentSchema.optional(),
  /** Wanted moment of the pour. */
  zeroAt: momentSchema.optional(),
  route: z.enum(ROUTES),
  /** What is done differently from the pour this one repeats. */
  statedChange: z.string().max(400).optional(),
  againOf: z.number().int().positive().optional(),
  note: noteSchema.optional(),
});

export const resinStageSchema = z.strictObject({
  resinId: idSchema.optional(),
  printerId: idSchema.optional(),
  profileId: idSchema.optional(),
});

export const gatesSchema = z.strictObject({
  count: z.number().int().nonnegative().max(40),
  diameterMm: positiveSchema.max(30),
  lengthMm: atLeastZeroSchema.max(100),
});
const angleSchema = z.number().min(-360).max(360);
export const rotationSchema = z.strictObject({ xDeg: angleSchema, yDeg: angleSchema, zDeg: angleSchema });

/** What the layers of a part say when it stands so: kept, since cutting takes a while. Sizes as in the file. */
export const standingCutSchema = z.strictObject({
  rotation: rotationSchema,
  islands: z.number().int().nonnegative(),
  cups: z.number().int().nonnegative(),
  overhangMm2: atLeastZeroSchema,
  areaMm2: atLeastZeroSchema,
  peakMm2: atLeastZeroSchema,
  firstMm2: atLeastZeroSchema,
  supportPoints: z.number().int().nonnegative(),
});
export type StandingCut = z.infer<typeof standingCutSchema>;

export const wayUpSchema = z.strictObject({
  /** By pattern id. */
  rotations: z.record(idSchema, rotationSchema),
  gates: z.record(idSchema, gatesSchema),
  /** Points picked on the faces that must stay clean, in the file's mm; by pattern id. */
  clean: z.record(idSchema, z.array(z.tuple([z.number(), z.number(), z.number()])).max(20)).optional(),
  /** Patterns whose file already carries its supports: they print as they lie. */
  supported: z.array(idSchema).max(40).optional(),
  /** By pattern id. */
  cut: z.record(idSchema, standingCutSchema).optional(),
});
