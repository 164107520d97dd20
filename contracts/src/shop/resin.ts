import { CLEAN_KINDS, CLEAN_MEDIA, CLEAN_MOTIONS } from '@zero-pour/core';
import { z } from 'zod';
import {
  atLeastZeroSchema,
  hashSchema,
  idSchema,
  keySchema,
  momentSchema,
  nameSchema,
  noteSchema,
  positiveSchema,
  tempCSchema,
} from '../parts';

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
  minMinutes: atLeastZeroSchema,
  maxMinutes: atLeastZeroSchema,
  medium: z.enum(CLEAN_MEDIA).nullable(),
  tempC: tempCSchema.max(90).nullable(),
  motion: z.enum(CLEAN_MOTIONS).nullable(),
  times: z.number().int().min(1).max(5),
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
  wavelengthNm: positiveSchema.min(300).max(500),
  irradianceMwPerCm2: positiveSchema.max(1000).nullable(),
  layerMm: positiveSchema.max(1),
  exposureS: positiveSchema.max(600),
  baseExposureS: positiveSchema.max(1200).nullable(),
  baseLayers: z.number().int().nonnegative().max(200).nullable(),
  vatC: tempCSchema.nullable(),
});

/** An opened bottle. */
export const bottleSchema = z.strictObject({
  key: keySchema,
  openedAt: momentSchema.nullable(),
  mlLeft: atLeastZeroSchema.max(100_000),
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
const lifeDaysSchema = positiveSchema.max(5000).nullable();

/** A resin of the shop (handbook 02, "Resin record"). `null`: not known. */
export const resinSchema = z.strictObject({
  name: nameSchema,
  family: z.enum(RESIN_FAMILIES),
  /** Ordinary, mold and master resins are stopped from burnout. */
  forBurnout: z.boolean(),
  densityGPerMl: positiveSchema.max(5),
  pricePerKg: atLeastZeroSchema,
  bottleG: positiveSchema,
  colour: z.string().max(60),
  /** Printed to cured, percent, negative shrinks. */
  curePercent: z.number().min(-10).max(10),
  /** … along Z, where it differs. */
  cureZPercent: z.number().min(-10).max(10).nullable(),
  supportsPercent: atLeastZeroSchema.max(500),
  /** Hours the core should spend above 650 °C. */
  cleanOutH: atLeastZeroSchema.max(48),
  /** Steepest climb from 150 to 400 °C. */
  rampMaxCPerH: positiveSchema.max(2000),
  /** Finest feature that it holds, and the thickest part that burns out without harm. */
  finestMm: positiveSchema.max(5),
  thickestMm: positiveSchema.max(100),
  fastAllowed: z.boolean(),
  /** It prints between these, and sets in the vat below. */
  printFromC: tempCSchema.max(90),
  printToC: tempCSchema.max(90),
  solidBelowC: tempCSchema.max(90).nullable(),
  shakeMin: atLeastZeroSchema.max(120),
  filter: z.boolean(),
  primingCoats: z.number().int().nonnegative().max(10),
  raftMm: positiveSchema.max(10),
  reported: z.array(reportedSettingSchema).max(60),
  bottles: z.array(bottleSchema).max(60),
  vats: z.array(vatSchema).max(20),
  bottleLifeDays: lifeDaysSchema,
  vatLifeDays: lifeDaysSchema,
  uncuredLifeDays: lifeDaysSchema,
  curedLifeDays: lifeDaysSchema,
  leadDays: atLeastZeroSchema.max(400).nullable(),
  /** A mix is a resin of its own; percents of what it is mixed from. */
  blendOf: z.array(z.strictObject({ resinId: idSchema, percent: positiveSchema.max(100) })).max(4),
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
  survivesC: tempCSchema.max(400).nullable(),
  protocol: z.array(cleanStepSchema).max(40),
  /** The school it began from, or a name of its own; each change is a new version. */
  protocolName: z.string().max(120),
  protocolVersion: z.number().int().positive(),
  retired: z.boolean(),
  note: noteSchema,
});
