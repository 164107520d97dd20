import { BORIC_SCHOOLS, CLEAN_KINDS, CLEAN_MEDIA, CLEAN_MOTIONS } from '@zero-pour/core';
import { z } from 'zod';
import {
  BASE_EXPOSURE_S,
  EXPOSURE_S,
  hashSchema,
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
import { makerProgrammeSchema } from './casting';

export const RESIN_FAMILIES = [
  'wax-rich',
  'low-wax',
  'wax-free',
  'heat-resistant master',
  'flexible mold',
] as const;

export const cleanStepSchema = z.strictObject({
  key: z.string().min(1).max(40),
  kind: z.enum(CLEAN_KINDS),
  name: nameSchema,
  minMinutes: quantitySchema('Least', 'min', [0, 1440], { digits: 1 }),
  maxMinutes: quantitySchema('Most', 'min', [0, 2880], { digits: 1 }),
  medium: z.enum(CLEAN_MEDIA).nullable(),
  tempC: quantitySchema('At', 'degC', VAT_C).nullable(),
  motion: z.enum(CLEAN_MOTIONS).nullable(),
  times: quantitySchema('Times', 'count', [1, 5], { whole: true }),
  everyMinutes: quantitySchema('Remind every', 'min', [0.5, 600], { digits: 1 }).nullable().optional(),
  note: noteSchema,
});

/** Whose figure it is: the maker's, or another user's for the same printer. */
export const FIGURE_FROM = ['maker', 'another user'] as const;

/** An exposure from a sheet or from somebody, for one printer or for any of that light. */
export const reportedSettingSchema = z.strictObject({
  key: keySchema,
  from: z.enum(FIGURE_FROM),
  /** The printer of the shop that it is for; null when only its light is known. */
  printerId: idSchema.nullable(),
  wavelengthNm: quantitySchema('Wavelength', 'nm', LIGHT_NM),
  irradianceMwPerCm2: quantitySchema('Light', 'mWPerCm2', [0.01, 1000], { digits: 2 }).nullable(),
  layerMm: quantitySchema('Layer height', 'mm', LAYER_MM, { digits: 3 }),
  exposureS: quantitySchema('Exposure', 's', EXPOSURE_S, { digits: 2 }),
  baseExposureS: quantitySchema('Base exposure', 's', BASE_EXPOSURE_S).nullable(),
  baseLayers: quantitySchema('Base layers', 'count', LAYERS, { whole: true }).nullable(),
  vatC: quantitySchema('Vat', 'degC', VAT_C).nullable(),
});

/** An opened bottle. */
export const bottleSchema = z.strictObject({
  key: keySchema,
  openedAt: momentSchema.nullable(),
  mlLeft: quantitySchema('Left', 'ml', [0, 100_000]),
  /** Whose money it was: ours, or a maker's who sent it to be tried. Absent: nobody said. */
  paidBy: z.string().max(120).optional(),
  note: z.string().max(200),
});

/** Resin standing in a printer's vat. */
export const vatSchema = z.strictObject({
  key: keySchema,
  printerId: idSchema,
  filledAt: momentSchema,
  note: z.string().max(200),
});

export const attachmentSchema = z.strictObject({
  hash: hashSchema,
  name: z.string().max(255),
  mediaType: z.string().max(100),
});

export const KNOWN = ['yes', 'no', 'not known'] as const;
const knownSchema = z.enum(KNOWN);
const wordsSchema = z.string().max(200);
const lifeDaysSchema = (label: string) =>
  quantitySchema(label, 'days', [0.5, 5000], { digits: 0 }).nullable();

/** A resin of the shop (handbook 02, "Resin record"). `null`: not known. */
export const resinSchema = z.strictObject({
  name: nameSchema,
  family: z.enum(RESIN_FAMILIES),
  /** Ordinary, mold and master resins are stopped from burnout. */
  forBurnout: z.boolean(),
  /** In bottle and vat; patterns on the balance are cured and denser. */
  densityGPerMl: quantitySchema('Density, liquid', 'gPerCm3', [0.5, 5]),
  curedGPerMl: quantitySchema('Density, cured', 'gPerCm3', [0.5, 5], {
    hint: 'empty: 6.5 % over the liquid',
  })
    .nullable()
    .optional(),
  pricePerKg: quantitySchema('Price a kilogram', 'money', PRICE),
  bottleG: quantitySchema('Bottle', 'g', [1, 1e6]),
  colour: z.string().max(60),
  /** Printed to cured, percent, negative shrinks. */
  curePercent: quantitySchema('Size change on cure', 'percent', [-10, 10], { hint: 'minus shrinks' }),
  /** … along Z, where it differs. */
  cureZPercent: quantitySchema('… upwards, along Z', 'percent', [-10, 10], {
    hint: 'empty: as across the plate',
  }).nullable(),
  supportsPercent: quantitySchema('Supports, of the part', 'percent', [0, 500], { digits: 0 }),
  /** Hours the core should spend above 650 °C. */
  cleanOutH: quantitySchema('Core above 650 °C', 'h', [0, 48]),
  /** Steepest climb from 150 to 400 °C. */
  rampMaxCPerH: quantitySchema('Steepest climb, 150 to 400 °C', 'degCPerH', [1, 2000]),
  /** Finest feature that it holds, and the thickest part that burns out without harm. */
  finestMm: quantitySchema('Finest feature it holds', 'mm', [0.05, 5], { digits: 2 }),
  thickestMm: quantitySchema('Thickest it burns out', 'mm', [0.5, 100], { digits: 1 }),
  fastAllowed: z.boolean(),
  makerProgramme: makerProgrammeSchema.nullish(),
  /** Boric acid that its maker asks for in the mix, and of what it is a percent; null: nobody knows. */
  boricSchool: z.enum(BORIC_SCHOOLS).nullish(),
  boricPercent: quantitySchema('Boric acid, percent', 'percent', [0, 20], {
    digits: 1,
    hint: 'empty: not known',
  }).nullish(),
  /** It prints between these, and sets in the vat below. */
  printFromC: quantitySchema('Prints from', 'degC', VAT_C),
  printToC: quantitySchema('Prints up to', 'degC', VAT_C),
  solidBelowC: quantitySchema('Sets below', 'degC', VAT_C, { hint: 'empty: stays liquid' }).nullable(),
  shakeMin: quantitySchema('Shake', 'min', [0, 120], { digits: 0 }),
  filter: z.boolean(),
  primingCoats: quantitySchema('Priming coats on the plate', 'count', [0, 10], { whole: true }),
  raftMm: quantitySchema('Raft', 'mm', RAFT_MM, { digits: 2 }),
  reported: z.array(reportedSettingSchema).max(60),
  bottles: z.array(bottleSchema).max(60),
  vats: z.array(vatSchema).max(20),
  bottleLifeDays: lifeDaysSchema('Opened bottle keeps'),
  vatLifeDays: lifeDaysSchema('In the vat'),
  uncuredLifeDays: lifeDaysSchema('Uncured print'),
  curedLifeDays: lifeDaysSchema('Cured print'),
  leadDays: quantitySchema('Takes to arrive', 'days', [0, 400], { digits: 0 }).nullable(),
  /** A mix is a resin of its own; percents of what it is mixed from. */
  blendOf: z
    .array(
      z.strictObject({
        resinId: idSchema,
        percent: quantitySchema('Share', 'percent', [1, 100], { digits: 0 }),
      }),
    )
    .max(4),
  attachments: z.array(attachmentSchema).max(30),
  skin: wordsSchema,
  colourCured: wordsSchema,
  feelUncured: wordsSchema,
  feelCured: wordsSchema,
  cutsAndSands: wordsSchema,
  viscosity: wordsSchema,
  odour: wordsSchema,
  climate: wordsSchema,
  sticksToWax: knownSchema,
  floatsInGlycerin: knownSchema,
  alcoholAttacks: knownSchema,
  curesSilicone: knownSchema,
  /** It bears the vulcaniser up to here. */
  survivesC: quantitySchema('Bears the vulcaniser to', 'degC', [0, 400]).nullable(),
  protocol: z.array(cleanStepSchema).max(40),
  /** The school it began from, or a name of its own; each change is a new version. */
  protocolName: z.string().max(120),
  protocolVersion: z.number().int().positive(),
  retired: z.boolean(),
  note: noteSchema,
});
