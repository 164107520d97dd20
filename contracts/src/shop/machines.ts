import { z } from 'zod';
import { atLeastZeroSchema, idSchema, nameSchema, noteSchema, positiveSchema, tempCSchema } from '../parts';
import { CAST_CLASSES } from '@zero-pour/core';

export const printerSchema = z.strictObject({
  name: nameSchema,
  light: z.enum(['screen', 'projector']),
  wavelengthNm: positiveSchema.min(300).max(500),
  pixelUm: positiveSchema.max(500),
  plateXMm: positiveSchema.max(2000),
  plateYMm: positiveSchema.max(2000),
  plateZMm: positiveSchema.max(2000),
  heatedVat: z.boolean(),
  /** Peel, lift and rest a layer, s. */
  motionS: atLeastZeroSchema.max(120),
  costPerH: atLeastZeroSchema,
  note: noteSchema,
});

/** Settings of one resin on one printer for one class of part. */
export const profileSchema = z.strictObject({
  name: nameSchema,
  resinId: idSchema,
  printerId: idSchema,
  castClass: z.enum(CAST_CLASSES),
  layerMm: positiveSchema.max(1),
  exposureS: positiveSchema.max(600),
  baseExposureS: positiveSchema.max(1200),
  baseLayers: z.number().int().nonnegative().max(200),
  transitionLayers: z.number().int().nonnegative().max(200),
  raftMl: atLeastZeroSchema,
  tested: z.boolean(),
  /** Where the figures come from: "4 coupons, 3 Mar, 28 °C", "maker's sheet". */
  provenance: z.string().max(200),
  note: noteSchema,
});

export const kilnSchema = z.strictObject({
  name: nameSchema,
  litres: positiveSchema,
  maxC: tempCSchema,
  maxRampCPerH: positiveSchema.max(5000),
  /** Time constant of cooling with the door shut, h. */
  coolTauH: positiveSchema.max(100),
  costPerH: atLeastZeroSchema,
  note: noteSchema,
});
