import { CAST_CLASSES, FINISHES, RING_SYSTEMS, ROUTES } from '@zero-pour/core';
import { z } from 'zod';
import { atLeastZeroSchema, countSchema, idSchema, momentSchema, noteSchema, positiveSchema } from '../parts';

export const briefSchema = z.strictObject({
  patterns: z.array(z.strictObject({ patternId: idSchema, count: countSchema })).max(40),
  alloyId: idSchema.optional(),
  castClass: z.enum(CAST_CLASSES),
  /** Size that must hold in the finished piece. */
  holdSize: z
    .strictObject({
      mm: positiveSchema.max(400),
      surface: z.enum(['outer', 'inner']),
      toleranceMm: positiveSchema.max(10).optional(),
      /** The ring size it was given as. */
      ring: z.strictObject({ system: z.enum(RING_SYSTEMS), size: z.string().max(12) }).optional(),
    })
    .optional(),
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

export const wayUpSchema = z.strictObject({
  /** By pattern id. */
  rotations: z.record(idSchema, rotationSchema),
  gates: z.record(idSchema, gatesSchema),
});

const percentChangeSchema = z.number().min(-20).max(20);
export const scaleStageSchema = z.strictObject({
  way: z.enum(['percent', 'chain']),
  /** Quick way: percent to print at. */
  percent: positiveSchema.min(50).max(200).optional(),
  /** Own values in place of the book's; absent means book. */
  resinPercent: percentChangeSchema.optional(),
  investmentPercent: percentChangeSchema.optional(),
  metalPercent: percentChangeSchema.optional(),
  skinMm: atLeastZeroSchema.max(2).optional(),
  printAddsMm: z.number().min(-1).max(1).optional(),
});
