import { z } from 'zod';
import { CAST_CLASSES } from '@zero-pour/core';
import {
  BASE_EXPOSURE_S,
  EXPOSURE_S,
  idSchema,
  keySchema,
  LAYER_MM,
  LAYERS,
  LIGHT_NM,
  momentSchema,
  nameSchema,
  noteSchema,
  PRICE,
  RAFT_MM,
  VAT_C,
} from '../parts';
import { quantitySchema } from '../quantities';

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
  wavelengthNm: quantitySchema('Wavelength', 'nm', LIGHT_NM),
  pixelUm: quantitySchema('Pixel', 'um', [1, 500], { digits: 1 }),
  plateXMm: quantitySchema('Plate, long side', 'mm', [10, 2000]),
  plateYMm: quantitySchema('Plate, short side', 'mm', [10, 2000]),
  plateZMm: quantitySchema('Tallest print', 'mm', [10, 2000]),
  heatedVat: z.boolean(),
  /** Peel, lift and rest a layer, s. */
  motionS: quantitySchema('Motion, each layer', 's', [0, 120]),
  costPerH: quantitySchema('Cost an hour', 'money', PRICE),
  /** Light at the film, measured, and when; it falls with age. */
  irradianceMwPerCm2: quantitySchema('Light at the film', 'mWPerCm2', [0.01, 1000], {
    digits: 2,
    hint: 'measured; empty when not',
  }).nullable(),
  irradianceAt: momentSchema.nullable(),
  /** Exposures that it can be set to. */
  exposureLeastS: quantitySchema('Shortest exposure', 's', [0.05, 60], { digits: 2 }),
  exposureMostS: quantitySchema('Longest exposure', 's', [1, 1200], { digits: 0 }),
  exposureStepS: quantitySchema('Steps of', 's', [0.01, 10], { digits: 2 }),
  needsLevelling: z.boolean(),
  /** Hours that the screen or lamp was lit, and is rated for; price of a new one. */
  lightHours: quantitySchema('Screen or lamp lit so far', 'h', [0, 1e6], { digits: 0 }),
  lightRatedH: quantitySchema('Rated for', 'h', [1, 1e6], { digits: 0 }).nullable(),
  lightPrice: quantitySchema('Price of a new one', 'money', PRICE),
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
  layerMm: quantitySchema('Layer height', 'mm', LAYER_MM, { digits: 3 }),
  exposureS: quantitySchema('Exposure', 's', EXPOSURE_S, { digits: 2 }),
  baseExposureS: quantitySchema('Base exposure', 's', BASE_EXPOSURE_S),
  baseLayers: quantitySchema('Base layers', 'count', LAYERS, { whole: true }),
  transitionLayers: quantitySchema('Transition layers', 'count', LAYERS, { whole: true }),
  /** Of a whole plate, as weighed; null: by its thickness under all copies. */
  raftMl: quantitySchema('Raft, volume of a plate', 'ml', [0, 200], {
    digits: 1,
    hint: 'empty: by thickness and copies',
  }).nullable(),
  raftMm: quantitySchema('Raft, thick', 'mm', RAFT_MM, { digits: 2 }),
  liftMm: quantitySchema('Lift', 'mm', [0, 50], { digits: 1 }),
  restS: quantitySchema('Rest', 's', [0, 60], { digits: 1 }),
  antiAliasing: quantitySchema('Anti-aliasing, levels', 'count', [1, 16], { whole: true }),
  vatC: quantitySchema('Vat', 'degC', VAT_C).nullable(),
  /** How much wider than drawn solid features come out at this exposure; null when no widths were measured. */
  printAddsMm: quantitySchema('Print adds to widths', 'mm', [-1, 1], {
    digits: 3,
    hint: 'minus: thinner than drawn',
  }).nullable(),
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

/** A rate that a kiln showed near a temperature in a log, with its standard error. */
const rateSchema = z.strictObject({
  tempC: quantitySchema('At', 'degC', [30, 1300]),
  cPerH: quantitySchema('By itself', 'degCPerH', [1, 20_000]),
  offCPerH: quantitySchema('Give or take', 'degCPerH', [0, 20_000]),
});
/** From the coldest to the hottest, each temperature once: what is between two of them is reckoned from both. */
const ratesSchema = z
  .array(rateSchema)
  .max(30)
  .refine((rates) => rates.every(({ tempC }, n) => n === 0 || tempC > rates[n - 1]!.tempC), {
    message: 'from the coldest to the hottest',
  });

export const kilnSchema = z.strictObject({
  name: nameSchema,
  litres: quantitySchema('Litres inside', 'count', [0.1, 1e6], { digits: 1 }),
  maxC: quantitySchema('Hottest', 'degC', [300, 1300]),
  maxRampCPerH: quantitySchema('Fastest climb', 'degCPerH', [10, 5000]),
  /** Time constant of cooling with the door shut, h. */
  coolTauH: quantitySchema('Cooling time constant', 'h', [0.2, 100], {
    hint: 'hours to lose two thirds of its heat, shut',
  }),
  /** … with its vent or door opened; null: nobody has said. */
  openTauH: quantitySchema('Cooling time constant, opened', 'h', [0.02, 100], {
    digits: 2,
    hint: 'empty: not known',
  }).nullish(),
  powerKw: quantitySchema('Power', 'kW', [0.2, 200], { digits: 1, hint: 'empty: not known' }).nullish(),
  /** How many flasks stand in it at once, and the floor they stand on; null: nobody has said. */
  flasksMost: quantitySchema('Flasks at once', 'count', [1, 100], {
    whole: true,
    hint: 'empty: not known',
  }).nullish(),
  floorWideMm: quantitySchema('Floor, wide', 'mm', [30, 5000], {
    digits: 0,
    hint: 'empty: not known',
  }).nullish(),
  floorDeepMm: quantitySchema('Floor, deep', 'mm', [30, 5000], {
    digits: 0,
    hint: 'empty: not known',
  }).nullish(),
  costPerH: quantitySchema('Cost an hour', 'money', PRICE),
  /** What a log of it showed; absent: its two figures above stand for all temperatures. */
  measured: z
    .strictObject({ at: momentSchema, from: z.string().max(255), climbs: ratesSchema, cools: ratesSchema })
    .nullish(),
  /** Where its controller answers as docs/devices.md says; absent: nobody reads it. */
  deviceUrl: z.string().trim().max(300).nullish(),
  note: noteSchema,
});
