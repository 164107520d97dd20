import {
  MESH_FORMATS,
  PART_CLASSES,
  type PatternMeasure,
  type SprueMark,
  type SprueSection,
} from '@zero-pour/core';
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

const placeSchema = z.tuple([z.number(), z.number(), z.number()]);

/** Sprues that a pattern's file holds, as they were marked; the piece without them is kept as bytes of its own (STL, mm). */
export const fileSpruesSchema = z.strictObject({
  marks: z
    .array(
      z.strictObject({
        by: z.enum(['body', 'cut']),
        at: placeSchema,
        shiftMm: z.number().min(-50).max(50),
        greater: z.boolean().optional(),
      }) satisfies z.ZodType<SprueMark>,
    )
    .min(1)
    .max(40),
  /** What each mark took away, in the marks' order. */
  sections: z
    .array(
      z.strictObject({
        at: placeSchema,
        axis: placeSchema,
        diameterMm: positiveSchema,
        volumeMm3: atLeastZeroSchema,
      }) satisfies z.ZodType<SprueSection>,
    )
    .min(1)
    .max(40),
  pieceHash: hashSchema,
  piece: patternMeasureSchema,
});
export type FileSprues = z.infer<typeof fileSpruesSchema>;

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
  sprues: fileSpruesSchema.nullish(),
});
export type NewPattern = z.infer<typeof newPatternSchema>;

export const patternSchema = newPatternSchema.extend({ createdAt: momentSchema });
export type Pattern = z.infer<typeof patternSchema>;

/** A measure as lists have it: without the outermost points, which are nineteen twentieths of its bytes. */
const listedMeasureSchema = patternMeasureSchema.omit({ supportPointsMm: true });

/** A pattern as lists have it: what is said of it, not what is planned or drawn from. */
export const listedPatternSchema = patternSchema.extend({
  measure: listedMeasureSchema,
  sprues: fileSpruesSchema.extend({ piece: listedMeasureSchema }).nullish(),
});
export type ListedPattern = z.infer<typeof listedPatternSchema>;

/** Whether a pattern is here with all that plans are made from. */
export const isWholePattern = (pattern: ListedPattern): pattern is Pattern =>
  'supportPointsMm' in pattern.measure;

export const patternChangeSchema = newPatternSchema.pick({
  name: true,
  note: true,
  classOverride: true,
  sprues: true,
});
export type PatternChange = z.infer<typeof patternChangeSchema>;

/** The measure of what is sold: of the file without the sprues in it. Print, flask and charge go by the whole file's. */
export const pieceMeasure = <M>({
  measure,
  sprues,
}: {
  measure: M;
  sprues?: { piece: M } | null | undefined;
}): M => sprues?.piece ?? measure;
