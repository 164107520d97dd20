import { BORIC_SCHOOLS, PRINT_FAULT_KEYS } from '@zero-pour/core';
import { z } from 'zod';
import {
  atLeastZeroSchema,
  idSchema,
  keySchema,
  momentSchema,
  noteSchema,
  positiveSchema,
  tempCSchema,
} from '../parts';
import { readingSchema } from '../reading';
import { segmentSchema } from '../shop/casting';

export const PIECE_OUTCOMES = ['good', 'flawed', 'lost'] as const;

export const printStageSchema = z.strictObject({
  /** Printed above the wanted count, so that enough come out. */
  spares: z.number().int().nonnegative().max(500),
  /** What the preparing program says; overrides the estimate. */
  hoursTyped: positiveSchema.max(500).optional(),
  resinMlTyped: positiveSchema.max(10000).optional(),
  startedAt: momentSchema.optional(),
  finishedAt: momentSchema.optional(),
  /** By piece number from 1, in the order of the brief's patterns. */
  pieces: z.record(
    z.string().regex(/^\d{1,3}$/),
    z.strictObject({
      outcome: z.enum(PIECE_OUTCOMES),
      note: z.string().max(400),
      /** What is wrong with it, where known, and how high from the plate. */
      fault: z.enum(PRINT_FAULT_KEYS).optional(),
      heightMm: atLeastZeroSchema.max(1000).optional(),
    }),
  ),
  /** Pauses and knocks, by height: each may leave a ridge. */
  pausesMm: z.array(atLeastZeroSchema.max(1000)).max(40).optional(),
  /** What the shop found to be the cause, or not, by fault; once a pour. */
  why: z
    .partialRecord(
      z.enum(PRINT_FAULT_KEYS),
      z.strictObject({ confirmed: keySchema.optional(), ruledOut: z.array(keySchema).max(20) }),
    )
    .optional(),
  note: noteSchema.optional(),
});

/** When a timed step was begun and over, or that it was left out: evidence later. */
export const stepRecordSchema = z.strictObject({
  startedAt: momentSchema.optional(),
  doneAt: momentSchema.optional(),
  skipped: z.boolean().optional(),
});
export type StepRecord = z.infer<typeof stepRecordSchema>;
const stepsSchema = z.record(z.string().max(40), stepRecordSchema);

export const cleanStageSchema = z.strictObject({ steps: stepsSchema, note: noteSchema.optional() });

/** Which way of the part runs along its gate: as it was printed, or an axis of the file. */
export const HANGS = ['as printed', 'x', 'y', 'z'] as const;

export const sprueStageSchema = z.strictObject({
  hangs: z.enum(HANGS).optional(),
  flaskId: idSchema.optional(),
  arrangement: z.enum(['straight', 'rings']),
  tiltDeg: z.number().min(0).max(80),
  mainSprueDiameterMm: positiveSchema.max(40),
  mainSprueLengthMm: atLeastZeroSchema.max(300),
  weighBy: z.enum(['volume', 'weight']),
  /** All patterns of the tree on the balance, without sprues. */
  weighedPatternsG: readingSchema.optional(),
  newPercent: z.number().min(0).max(100).optional(),
  doneAt: momentSchema.optional(),
  note: noteSchema.optional(),
});

export const investStageSchema = z.strictObject({
  powderId: idSchema.optional(),
  ratio: positiveSchema.min(0.2).max(1).optional(),
  boric: z.strictObject({ school: z.enum(BORIC_SCHOOLS), percent: atLeastZeroSchema.max(20) }),
  waterTempC: readingSchema.optional(),
  powderInAt: momentSchema.optional(),
  steps: stepsSchema,
  doneAt: momentSchema.optional(),
  note: noteSchema.optional(),
});

export const burnoutStageSchema = z.strictObject({
  kilnId: idSchema.optional(),
  programmeId: idSchema.optional(),
  /** The pour's own edit of the programme; absent means as the programme stands. */
  segments: z.array(segmentSchema).min(1).max(30).optional(),
  /** Kiln temperature at loading; absent means cold. */
  loadedAtC: tempCSchema.optional(),
  startedAt: momentSchema.optional(),
  /** Hands-on moments ticked off, by their number in the programme. */
  hands: z.record(z.string().regex(/^\d{1,3}$/), momentSchema),
  note: noteSchema.optional(),
});
