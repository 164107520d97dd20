import { PART_CLASSES, type PatternAnalysis } from '@zero-pour/core';
import { z } from 'zod';
import { patternMeasureSchema } from './pattern';
import { atLeastZeroSchema, hashSchema, idSchema, positiveSchema } from './parts';

const placeSchema = z.tuple([z.number(), z.number(), z.number()]);
const spotSchema = z.strictObject({
  at: placeSchema,
  sizeMm: atLeastZeroSchema,
  depthMm: atLeastZeroSchema.optional(),
});
const sectionSchema = z.strictObject({
  at: placeSchema,
  widthMm: atLeastZeroSchema,
  modulusMm: atLeastZeroSchema,
});
const rotationSchema = z.strictObject({ xDeg: z.number(), yDeg: z.number(), zDeg: z.number() });

/** Core's analysis of a pattern, as it is sent and kept. */
const patternAnalysisSchema = z.strictObject({
  resolution: z.strictObject({ fineMm: positiveSchema, midMm: positiveSchema, coarseMm: positiveSchema }),
  estimate: z.boolean(),
  exactMm3: atLeastZeroSchema.nullable(),
  thickness: z.strictObject({
    p1Mm: atLeastZeroSchema,
    p10Mm: atLeastZeroSchema,
    p50Mm: atLeastZeroSchema,
    p90Mm: atLeastZeroSchema,
    thinnestMm: atLeastZeroSchema.nullable(),
    thickestMm: atLeastZeroSchema,
    histogramMm3: z.array(atLeastZeroSchema).max(2000),
  }),
  thin: z.array(spotSchema).max(5000),
  thick: z.array(spotSchema).max(5000),
  gaps: z.array(spotSchema).max(5000),
  gapAreaMm2: z.array(atLeastZeroSchema).max(200),
  gapPlaces: z.array(placeSchema.nullable()).max(200),
  hotSpots: z
    .array(
      sectionSchema.extend({
        parent: z.number().int().min(-1),
        neck: sectionSchema.nullable(),
        feedRatio: atLeastZeroSchema,
      }),
    )
    .max(100),
  feed: z.array(atLeastZeroSchema).max(100),
  genus: z.number().int().nonnegative().nullable(),
  holes: z
    .array(z.strictObject({ at: placeSchema, widthMm: atLeastZeroSchema, axis: placeSchema }))
    .max(2000),
  chambers: z
    .array(
      z.strictObject({
        at: placeSchema,
        widthMm: atLeastZeroSchema,
        entranceAt: placeSchema,
        entranceMm: atLeastZeroSchema,
      }),
    )
    .max(100),
  bore: z
    .strictObject({
      diameterMm: positiveSchema,
      at: placeSchema,
      axis: placeSchema,
      residualMm: atLeastZeroSchema,
    })
    .nullable(),
  voids: z.array(z.strictObject({ volumeMm3: atLeastZeroSchema, at: placeSchema })).max(5000),
  hangs: z
    .array(
      z.strictObject({
        rotation: rotationSchema,
        pockets: z
          .array(
            z.strictObject({ volumeMm3: atLeastZeroSchema, depthMm: atLeastZeroSchema, at: placeSchema }),
          )
          .max(200),
      }),
    )
    .max(20),
}) satisfies z.ZodType<PatternAnalysis>;

/** What is read of a pattern file: its analysis, and the painted shape that goes with it. */
export const patternReadingSchema = z.strictObject({
  /** Read again with it: patterns kept by an older reading take these numbers. */
  measure: patternMeasureSchema,
  result: z.discriminatedUnion('status', [
    z.strictObject({ status: z.literal('analysed'), analysis: patternAnalysisSchema, shapeHash: hashSchema }),
    z.strictObject({ status: z.literal('too open'), openShare: atLeastZeroSchema }),
  ]),
});

/** An analysed pattern with its thinnest place, its class by thickness, and what became of its castings. */
export const knownPartSchema = z.strictObject({
  patternId: idSchema,
  thinnestMm: atLeastZeroSchema,
  partClass: z.enum(PART_CLASSES),
  castings: z.number().int().nonnegative(),
  /** Came out with detail broken away or not filled. */
  broke: z.number().int().nonnegative(),
  clean: z.number().int().nonnegative(),
});
export type KnownPart = z.infer<typeof knownPartSchema>;
export const knownPartsSchema = z.strictObject({ parts: z.array(knownPartSchema) });
