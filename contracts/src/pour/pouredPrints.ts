import { CAST_CLASSES, OUTCOMES, ROUTES } from '@zero-pour/core';
import { z } from 'zod';
import { idSchema, momentSchema } from '../parts';
import { cleanStageSchema, printStageSchema } from './making';
import { lineKeySchema, pieceKeySchema } from './pieces';
import { briefLineSchema, gateSchema } from './planning';

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
    hoursRight: true,
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
  lines: z.array(briefLineSchema.pick({ key: true, patternId: true, count: true })),
  /** Gates with a place, by the line's key. */
  gates: z.record(lineKeySchema, z.array(gateSchema).max(40)).optional(),
  spares: z.number().int().nonnegative(),
  /** By the piece's name. */
  outcomes: z.record(pieceKeySchema, z.enum(OUTCOMES)),
});
export type PouredPrint = z.infer<typeof pouredPrintSchema>;
export const pouredPrintsSchema = z.array(pouredPrintSchema);
