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
  atLeastZeroSchema,
  hashSchema,
  idSchema,
  momentSchema,
  noteSchema,
  positiveSchema,
  tempCSchema,
} from '../parts';
import { readingSchema } from '../reading';

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

/** One coupon printed at one set of settings, with what was seen (handbook 02, "Tuning by trials"). */
export const trialSchema = z
  .strictObject({
    resinId: idSchema,
    printerId: idSchema,
    printedAt: momentSchema,
    layerMm: positiveSchema.max(1),
    exposureS: positiveSchema.max(600),
    baseExposureS: positiveSchema.max(1200),
    baseLayers: z.number().int().nonnegative().max(200),
    vatC: readingSchema,
    roomC: readingSchema,
    raftMm: positiveSchema.max(10).nullable(),
    primingCoats: z.number().int().nonnegative().max(10).nullable(),
    coupon: couponSpecSchema,
    counts: z.partialRecord(z.enum(TUNED_CLASSES), z.strictObject({ struts: seenSchema, slots: seenSchema })),
    base: z.enum(BASE_RESULTS).nullable(),
    flaws: z.array(z.enum(COUPON_FLAWS)).max(COUPON_FLAWS.length),
    widths: z
      .array(
        z.strictObject({
          kind: z.enum(WIDTH_KINDS),
          drawnMm: positiveSchema.max(50),
          measuredMm: atLeastZeroSchema.max(50),
        }),
      )
      .max(60),
    photos: z.array(z.strictObject({ hash: hashSchema, name: z.string().max(255) })).max(30),
    note: noteSchema,
  })
  .superRefine((trial, context) => {
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
  wavelengthNm: positiveSchema.min(300).max(500),
  discs: z
    .array(z.strictObject({ energyMjPerCm2: positiveSchema.max(1e5), depthMm: positiveSchema.max(20) }))
    .max(200),
  vatC: tempCSchema.nullable(),
  note: noteSchema,
});
