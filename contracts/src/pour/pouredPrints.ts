import { CAST_CLASSES, OUTCOMES, ROUTES } from '@zero-pour/core';
import { z } from 'zod';
import { idSchema, momentSchema } from '../parts';
import { cleanStageSchema, printStageSchema } from './making';

/** What a pour tells of its print: started, how it went, how it was cleaned, and what its castings came to. */
export const pouredPrintSchema = z.strictObject({
  pourId: idSchema,
  number: z.number().int().positive(),
  startedAt: momentSchema,
  resinId: idSchema.nullable(),
  castClass: z.enum(CAST_CLASSES),
  route: z.enum(ROUTES),
  print: printStageSchema.pick({
    plate: true,
    finishedAt: true,
    hoursTyped: true,
    resinMlTyped: true,
    resinUsedMl: true,
    pausesMm: true,
    pieces: true,
    why: true,
  }),
  /** When the last bath was over. */
  washedAt: momentSchema.nullable(),
  verdicts: cleanStageSchema.shape.pieces,
  patterns: z.array(z.strictObject({ patternId: idSchema, count: z.number().int().positive() })),
  spares: z.number().int().nonnegative(),
  outcomes: z.record(z.string(), z.enum(OUTCOMES)),
});
export type PouredPrint = z.infer<typeof pouredPrintSchema>;
export const pouredPrintsSchema = z.array(pouredPrintSchema);
