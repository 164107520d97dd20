import { ELEMENT_DENSITIES, type Element } from '@zero-pour/core';
import { z } from 'zod';
import { atLeastZeroSchema, nameSchema, noteSchema, positiveSchema, tempCSchema } from '../parts';

export const powderSchema = z
  .strictObject({
    name: nameSchema,
    grade: z.enum(['standard', 'resin']),
    /** Water ÷ powder by weight. */
    ratioLeast: positiveSchema.min(0.2).max(1),
    ratioUsual: positiveSchema.min(0.2).max(1),
    ratioMost: positiveSchema.min(0.2).max(1),
    workingMinAt22C: positiveSchema.max(60),
    setH: positiveSchema.max(72),
    ceilingC: tempCSchema,
    pricePerKg: atLeastZeroSchema,
    note: noteSchema,
  })
  .refine((p) => p.ratioLeast <= p.ratioUsual && p.ratioUsual <= p.ratioMost, {
    path: ['ratioUsual'],
    message: 'the usual ratio lies between the least and the most',
  });

export const flaskSchema = z.strictObject({
  name: nameSchema,
  innerDiameterMm: positiveSchema.max(400),
  heightMm: positiveSchema.max(600),
  /** Sprue base cone: the button. */
  coneDiameterMm: positiveSchema.max(400),
  coneHeightMm: positiveSchema.max(200),
  perforated: z.boolean(),
  note: noteSchema,
});

const rangeSchema = z.strictObject({ lowC: tempCSchema, highC: tempCSchema });
const byClassSchema = z.strictObject({ filigree: rangeSchema, standard: rangeSchema, heavy: rangeSchema });

const ELEMENTS = Object.keys(ELEMENT_DENSITIES) as [Element, ...Element[]];

export const alloySchema = z.strictObject({
  name: nameSchema,
  composition: z.partialRecord(z.enum(ELEMENTS), z.number().min(0).max(1)),
  densityGPerCm3: positiveSchema.max(25),
  liquidusC: tempCSchema,
  solidusC: tempCSchema,
  flask: byClassSchema,
  metal: byClassSchema,
  shrinkPercent: z.number().min(-10).max(10),
  lossPercent: atLeastZeroSchema.max(50),
  divest: z.enum(['quench', 'break out']),
  quenchWaitMin: z.strictObject({ least: atLeastZeroSchema, most: atLeastZeroSchema }),
  pricePerG: atLeastZeroSchema,
  caution: noteSchema,
  note: noteSchema,
});

export const segmentSchema = z.strictObject({
  name: nameSchema,
  rampCPerH: positiveSchema.max(5000).nullable(),
  targetC: z.number().min(30).max(1100).nullable(),
  holdH: atLeastZeroSchema.max(72),
  flaskWay: z.enum(['button down', 'button up']),
  hands: z.array(z.strictObject({ afterH: atLeastZeroSchema.max(100), what: nameSchema })).max(20),
  note: noteSchema,
});

export const programmeSchema = z.strictObject({
  name: nameSchema,
  suits: z.string().max(200),
  flaskMaxMm: positiveSchema,
  segments: z.array(segmentSchema).min(1).max(30),
  note: noteSchema,
});
