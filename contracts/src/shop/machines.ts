import { z } from 'zod';
import {
  atLeastZeroSchema,
  idSchema,
  keySchema,
  momentSchema,
  nameSchema,
  noteSchema,
  positiveSchema,
  tempCSchema,
} from '../parts';
import { CAST_CLASSES } from '@zero-pour/core';

/** What changes a printer's light or level, so that figures found before it want checking. */
export const PRINTER_EVENTS = [
  'screen changed',
  'lamp changed',
  'film changed',
  're-levelled',
  'light measured',
  'other',
] as const;

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
  /** Light at the film, measured, and when; it falls with age. */
  irradianceMwPerCm2: positiveSchema.max(1000).nullable(),
  irradianceAt: momentSchema.nullable(),
  /** Exposures that it can be set to. */
  exposureLeastS: positiveSchema.max(60),
  exposureMostS: positiveSchema.max(1200),
  exposureStepS: positiveSchema.max(10),
  needsLevelling: z.boolean(),
  /** Hours that the screen or lamp was lit, and is rated for; price of a new one. */
  lightHours: atLeastZeroSchema.max(1e6),
  lightRatedH: positiveSchema.max(1e6).nullable(),
  lightPrice: atLeastZeroSchema,
  events: z
    .array(
      z.strictObject({
        key: keySchema,
        at: momentSchema,
        what: z.enum(PRINTER_EVENTS),
        note: z.string().max(200),
      }),
    )
    .max(500),
  retired: z.boolean(),
  note: noteSchema,
});

/** Settings of one resin on one printer for one class of part; a changed figure is a new version. */
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
  raftMm: positiveSchema.max(10),
  liftMm: atLeastZeroSchema.max(50),
  restS: atLeastZeroSchema.max(60),
  antiAliasing: z.number().int().min(1).max(16),
  vatC: tempCSchema.max(90).nullable(),
  /** How much wider than drawn solid features come out at this exposure; null when no widths were measured. */
  printAddsMm: z.number().min(-1).max(1).nullable(),
  version: z.number().int().positive(),
  /** The version it replaces; a replaced one is kept for the pours that used it. */
  formerId: idSchema.nullable(),
  replaced: z.boolean(),
  /** When its exposure was found or written down. */
  foundAt: momentSchema.nullable(),
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
