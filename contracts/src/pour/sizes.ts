import { MOLD_MATERIALS, RING_SYSTEMS, SIZE_STEPS, type MoldMaterial } from '@zero-pour/core';
import { z } from 'zod';
import { atLeastZeroSchema, keySchema, momentSchema, positiveSchema, tempCSchema } from '../parts';
import { readingSchema } from '../reading';
import { lineKeySchema } from './pieces';

/** What is measured: over metal (outside, wall) or across a hole (bore, hole). */
export const SIZE_KINDS = ['outside', 'bore', 'wall', 'hole'] as const;
export type SizeKind = (typeof SIZE_KINDS)[number];
/** Readings at which stages a pour's own piece takes on the way, and its castings at the end. */
export const ON_THE_WAY = ['printed', 'cured', 'wax'] as const;
export const AT_THE_END = ['cast', 'finished'] as const;

const pointSchema = z.tuple([z.number(), z.number(), z.number()]);

/** A size that is wanted of the finished piece. */
export const sizeTargetSchema = z.strictObject({
  key: keySchema,
  name: z.string().max(60),
  /** The line of the brief that it is a size of; null while there is only one. */
  lineKey: lineKeySchema.nullable(),
  of: z.enum(SIZE_KINDS),
  /** As it is in the file; absent: as it is wanted. */
  drawnMm: positiveSchema.max(400).optional(),
  finishedMm: positiveSchema.max(400),
  toleranceMm: positiveSchema.max(10).optional(),
  /** Whether it must hold; the others follow. */
  holds: z.boolean(),
  /** The ring size it was given as, and what a wide band is opened by. */
  ring: z.strictObject({ system: z.enum(RING_SYSTEMS), size: z.string().max(12) }).optional(),
  wideBandMm: atLeastZeroSchema.max(1).optional(),
  /** Direction of the size in the file's axes, or the axis of the hole; absent: flat on the plate. */
  along: pointSchema.optional(),
});
export type SizeTarget = z.infer<typeof sizeTargetSchema>;

/** Key of the size that the brief asks for first. */
export const FIRST_SIZE = 'held';

/** What the finished size is to measure. */
export const wantedMm = ({ finishedMm, wideBandMm = 0 }: SizeTarget): number => finishedMm + wideBandMm;
export const surfaceOf = ({ of }: Pick<SizeTarget, 'of'>): 'outer' | 'inner' =>
  of === 'bore' || of === 'hole' ? 'inner' : 'outer';

const percentChangeSchema = z.number().min(-20).max(20);
const percentSchema = positiveSchema.min(50).max(200);

export const MOLD_MATERIAL_NAMES = Object.keys(MOLD_MATERIALS) as [MoldMaterial, ...MoldMaterial[]];

export const scaleStageSchema = z.strictObject({
  way: z.enum(['percent', 'chain']),
  /** Quick way: percent to print at. */
  percent: percentSchema.optional(),
  /** Own values in place of the book's and the shop's, by step. */
  own: z.partialRecord(z.enum(SIZE_STEPS), percentChangeSchema),
  moldMaterial: z.enum(MOLD_MATERIAL_NAMES).optional(),
  skinMm: atLeastZeroSchema.max(2).optional(),
  printAddsMm: z.number().min(-1).max(1).optional(),
  /** What coating (adds) and sanding (takes) does to each size of a master. */
  masterAddsMm: z.number().min(-1).max(1).optional(),
  /** Own percent along each axis of the print, where that helps. */
  apart: z.boolean().optional(),
  /** Readings of this pour's own print, cured print and first wax, by size. */
  measured: z.record(keySchema, z.partialRecord(z.enum(ON_THE_WAY), readingSchema)).optional(),
  /** What it was printed at: fixed when the print is started, so that later measurements do not rewrite it. */
  printedAs: z
    .strictObject({
      at: momentSchema,
      percents: z.tuple([percentSchema, percentSchema, percentSchema]),
      flaskC: tempCSchema.optional(),
    })
    .optional(),
});
export type ScaleStage = z.infer<typeof scaleStageSchema>;

/** Sizes of one casting, by the brief's sizes. */
export const castingSizesSchema = z.record(keySchema, z.partialRecord(z.enum(AT_THE_END), readingSchema));
export type CastingSizes = z.infer<typeof castingSizesSchema>;
