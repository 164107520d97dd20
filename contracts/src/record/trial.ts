import {
  BASE_RESULTS,
  COUPON_EXTRAS,
  COUPON_LIMITS,
  COUNT_WORDS,
  TUNED_CLASSES,
  type CountWord,
} from '@zero-pour/core';
import { z } from 'zod';
import {
  BASE_EXPOSURE_S,
  EXPOSURE_S,
  idSchema,
  LAYER_MM,
  LAYERS,
  LIGHT_NM,
  momentSchema,
  nameSchema,
  noteSchema,
  photosSchema,
  RAFT_MM,
  ROOM_C,
  VAT_C,
  VAT_READ_C,
} from '../parts';
import { quantitySchema, readingSchema } from '../quantities';

/** Copies of a part on one plate. */
const PARTS: [number, number] = [0, 500];
const featureCountSchema = z.number().int().min(0).max(COUPON_LIMITS.features[1]);

/** What stands on a coupon: recorded with the trial, so that its counts mean something. */
export const couponSpecSchema = z.strictObject({
  label: z.string().max(COUPON_LIMITS.labelLength),
  classes: z
    .array(
      z.strictObject({
        castClass: z.enum(TUNED_CLASSES),
        featureMm: z.number().min(COUPON_LIMITS.featureMm[0]).max(COUPON_LIMITS.featureMm[1]),
        struts: featureCountSchema.min(1),
        slots: featureCountSchema.min(1),
      }),
    )
    .max(TUNED_CLASSES.length),
  extras: z.array(z.enum(COUPON_EXTRAS)).max(COUPON_EXTRAS.length),
  raftMm: z.number().min(COUPON_LIMITS.raftMm[0]).max(COUPON_LIMITS.raftMm[1]),
});

/** A count, a word for it, or null when nobody looked. */
export const seenSchema = z
  .union([
    z.strictObject({ good: featureCountSchema }),
    z.strictObject({ word: z.enum(Object.keys(COUNT_WORDS) as [CountWord, ...CountWord[]]) }),
  ])
  .nullable();

export const COUPON_FLAWS = [
  'struts missing',
  'struts bent',
  'slots webbed',
  'layers split',
  'came off its raft',
  'underside bowed',
  'stripes',
  'pits',
  'soft or tacky',
] as const;

export const WIDTH_KINDS = ['strut', 'pin', 'wall', 'slot', 'hole'] as const;

/** One coupon, or copies of a part, printed at one set of settings, with what was seen (handbook 02, "Tuning by trials"). */
export const trialSchema = z
  .strictObject({
    resinId: idSchema,
    printerId: idSchema,
    printedAt: momentSchema,
    layerMm: quantitySchema('Layer height', 'mm', LAYER_MM, { digits: 3 }),
    exposureS: quantitySchema('Exposure', 's', EXPOSURE_S, { digits: 2 }),
    baseExposureS: quantitySchema('Base exposure', 's', BASE_EXPOSURE_S),
    baseLayers: quantitySchema('Base layers', 'count', LAYERS, { whole: true }),
    vatC: readingSchema('Vat', 'degC', VAT_READ_C),
    roomC: readingSchema('Room', 'degC', ROOM_C),
    raftMm: quantitySchema('Raft', 'mm', RAFT_MM, { digits: 2 }).nullable(),
    primingCoats: quantitySchema('Priming coats', 'count', [0, 10], { whole: true }).nullable(),
    coupon: couponSpecSchema,
    /** Copies of a part in place of a coupon: how many stood. */
    part: z
      .strictObject({
        patternId: idSchema.nullable(),
        name: nameSchema,
        castClass: z.enum(TUNED_CLASSES),
        thinnestMm: quantitySchema('Thinnest', 'mm', [0.05, 50], { digits: 2 }).nullable(),
        good: quantitySchema('Stood', 'count', PARTS, { whole: true }),
        of: quantitySchema('Of', 'count', PARTS, { whole: true }),
      })
      .optional(),
    counts: z.partialRecord(z.enum(TUNED_CLASSES), z.strictObject({ struts: seenSchema, slots: seenSchema })),
    base: z.enum(BASE_RESULTS).nullable(),
    flaws: z.array(z.enum(COUPON_FLAWS)).max(COUPON_FLAWS.length),
    widths: z
      .array(
        z.strictObject({
          kind: z.enum(WIDTH_KINDS),
          drawnMm: quantitySchema('Drawn', 'mm', [0.01, 50], { digits: 3 }),
          measuredMm: quantitySchema('Measured', 'mm', [0, 50], { digits: 3 }),
        }),
      )
      .max(60),
    photos: photosSchema.max(30),
    note: noteSchema,
  })
  .superRefine((trial, context) => {
    if (trial.part && trial.part.good > trial.part.of)
      context.addIssue({ code: 'custom', path: ['part', 'good'], message: `at most ${trial.part.of}` });
    for (const row of trial.coupon.classes) {
      const seen = trial.counts[row.castClass];
      for (const of of ['struts', 'slots'] as const) {
        const count = seen?.[of];
        if (count && 'good' in count && count.good > row[of]) {
          context.addIssue({
            code: 'custom',
            path: ['counts', row.castClass, of],
            message: `at most ${row[of]}`,
          });
        }
      }
    }
  });

/** A cure-depth test: discs of one resin under one light. */
export const cureTestSchema = z.strictObject({
  resinId: idSchema,
  /** The printer it was made on, when it was one of the shop's. */
  printerId: idSchema.nullable(),
  measuredAt: momentSchema,
  wavelengthNm: quantitySchema('Wavelength', 'nm', LIGHT_NM),
  discs: z
    .array(
      z.strictObject({
        energyMjPerCm2: quantitySchema('Energy', 'mJPerCm2', [0.01, 1e5]),
        depthMm: quantitySchema('Depth', 'mm', [0.001, 20], { digits: 3 }),
      }),
    )
    .max(200),
  vatC: quantitySchema('Vat', 'degC', VAT_C).nullable(),
  note: noteSchema,
});
