import { MESH_FORMATS, PART_CLASSES, type PatternMeasure } from '@zero-pour/core';
import { z } from 'zod';
import {
  atLeastZeroSchema,
  hashSchema,
  idSchema,
  momentSchema,
  nameSchema,
  noteSchema,
  positiveSchema,
} from './parts';

/** xyz triples. Checked in one plain loop: parsing thousands of numbers one by one held up the first page. */
const pointsSchema = z.custom<number[]>(
  (value) =>
    Array.isArray(value) &&
    value.length >= 3 &&
    value.length <= 3000 &&
    value.length % 3 === 0 &&
    value.every(Number.isFinite),
  'not a list of points',
);
const wholeSchema = z.number().int().nonnegative();

/** Core's measure of a pattern file, as it is sent and kept. */
export const patternMeasureSchema = z.strictObject({
  format: z.enum(MESH_FORMATS),
  unitMm: positiveSchema,
  triangles: wholeSchema.positive(),
  vertices: wholeSchema.positive(),
  closed: z.boolean(),
  openEdges: wholeSchema,
  crowdedEdges: wholeSchema,
  turnedEdges: wholeSchema,
  degenerate: wholeSchema,
  shells: wholeSchema.positive(),
  inwardShells: wholeSchema,
  reversed: z.boolean(),
  sizeMm: z.tuple([atLeastZeroSchema, atLeastZeroSchema, atLeastZeroSchema]).readonly(),
  areaMm2: positiveSchema,
  volumeMm3: atLeastZeroSchema,
  volumePlusMinusMm3: atLeastZeroSchema,
  bodySumMm3: z.number(),
  overlapMm3: atLeastZeroSchema,
  supportPointsMm: pointsSchema,
}) satisfies z.ZodType<PatternMeasure>;

/** A pattern to be kept; its bytes are kept already under `fileHash`. */
export const newPatternSchema = z.strictObject({
  id: idSchema,
  name: nameSchema,
  fileName: z.string().min(1).max(255),
  fileHash: hashSchema,
  measure: patternMeasureSchema,
  note: noteSchema,
  /** The version that this one follows; null for the first. */
  formerId: idSchema.nullable(),
  /** The shop's own class, over the one that the thickness gives. */
  classOverride: z.enum(PART_CLASSES).nullable(),
});
export type NewPattern = z.infer<typeof newPatternSchema>;

export const patternSchema = newPatternSchema.extend({ createdAt: momentSchema });
export type Pattern = z.infer<typeof patternSchema>;

export const patternChangeSchema = newPatternSchema.pick({ name: true, note: true, classOverride: true });
export type PatternChange = z.infer<typeof patternChangeSchema>;
