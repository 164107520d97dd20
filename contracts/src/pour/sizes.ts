import { MOLD_MATERIALS, RING_SYSTEMS, SIZE_STEPS, type MoldMaterial } from '@zero-pour/core';
import { z } from 'zod';
import { keySchema, momentSchema, tempCSchema } from '../parts';
import { quantitySchema, readingSchema } from '../quantities';
import { lineKeySchema } from './pieces';

/** What is measured: over metal (outside, wall) or across a hole (bore, hole). */
export const SIZE_KINDS = ['outside', 'bore', 'wall', 'hole'] as const;
export type SizeKind = (typeof SIZE_KINDS)[number];
/** Readings at which stages a pour's own piece takes on the way, and its castings at the end. */
export const ON_THE_WAY = ['printed', 'cured', 'wax'] as const;
export const AT_THE_END = ['cast', 'finished'] as const;

/** Sizes of jewelry, mm. */
const SIZE_MM = [0.05, 400] as const;
const sizeReadSchema = readingSchema('As measured', 'mm', [0, 400], { digits: 3 });
const pointSchema = z.tuple([z.number(), z.number(), z.number()]);

/** A size that is wanted of the finished piece. */
export const sizeTargetSchema = z.strictObject({
  key: keySchema,
  name: z.string().max(60),
  /** The line of the brief that it is a size of; null while there is only one. */
  lineKey: lineKeySchema.nullable(),
  of: z.enum(SIZE_KINDS),
  /** As it is in the file; absent: as it is wanted. */
  drawnMm: quantitySchema('In the file', 'mm', SIZE_MM, { digits: 3 }).optional(),
  finishedMm: quantitySchema('Finished', 'mm', SIZE_MM, { digits: 3 }),
  toleranceMm: quantitySchema('Tolerance ±', 'mm', [0.005, 10], { digits: 3 }).optional(),
  /** Whether it must hold; the others follow. */
  holds: z.boolean(),
  /** The ring size it was given as, and what a wide band is opened by. */
  ring: z.strictObject({ system: z.enum(RING_SYSTEMS), size: z.string().max(12) }).optional(),
  wideBandMm: quantitySchema('Opened for a wide band', 'mm', [0, 1]).optional(),
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

const percentChangeSchema = quantitySchema('Percent', 'percent', [-20, 20], { digits: 3 });
const PRINTED_PERCENT = [50, 200] as const;
const percentSchema = quantitySchema('Printed at', 'percent', PRINTED_PERCENT, { digits: 2 });

export const MOLD_MATERIAL_NAMES = Object.keys(MOLD_MATERIALS) as [MoldMaterial, ...MoldMaterial[]];

export const scaleStageSchema = z.strictObject({
  way: z.enum(['percent', 'chain']),
  /** Quick way: percent to print at. */
  percent: quantitySchema('Print at', 'percent', PRINTED_PERCENT, {
    digits: 3,
    hint: '101.23 means 1.23 % larger',
  }).optional(),
  /** Own values in place of the book's and the shop's, by step. */
  own: z.partialRecord(z.enum(SIZE_STEPS), percentChangeSchema),
  moldMaterial: z.enum(MOLD_MATERIAL_NAMES).optional(),
  skinMm: quantitySchema('Skin removed by finishing, a surface', 'mm', [0, 2], { digits: 3 }).optional(),
  printAddsMm: quantitySchema('Printing adds, each size', 'mm', [-1, 1], { digits: 3 }).optional(),
  /** What coating (adds) and sanding (takes) does to each size of a master. */
  masterAddsMm: quantitySchema('Coating and sanding of the master add', 'mm', [-1, 1], {
    digits: 3,
  }).optional(),
  /** Own percent along each axis of the print, where that helps. */
  apart: z.boolean().optional(),
  /** Readings of this pour's own print, cured print and first wax, by size. */
  measured: z.record(keySchema, z.partialRecord(z.enum(ON_THE_WAY), sizeReadSchema)).optional(),
  /** What it was printed at: fixed when the print is started, so that later measurements do not rewrite it. */
  printedAs: z
    .strictObject({
      at: momentSchema,
      percents: z.tuple([percentSchema, percentSchema, percentSchema]),
      flaskC: tempCSchema.optional(),
      /** Sizes as the printed file had them, where the file was asked. */
      drawn: z
        .record(
          keySchema,
          z.strictObject({ mm: z.number().positive().max(400), along: pointSchema.optional() }),
        )
        .optional(),
    })
    .optional(),
});
export type ScaleStage = z.infer<typeof scaleStageSchema>;

/** Sizes of one casting, by the brief's sizes. */
export const castingSizesSchema = z.record(keySchema, z.partialRecord(z.enum(AT_THE_END), sizeReadSchema));
export type CastingSizes = z.infer<typeof castingSizesSchema>;
