import { CLEAN_KINDS } from '@zero-pour/core';
import { z } from 'zod';
import { atLeastZeroSchema, nameSchema, noteSchema, positiveSchema, tempCSchema } from '../parts';

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
  note: noteSchema,
});

/** A resin of the shop (handbook 02, "Resin record"; the figures that this version uses). */
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
  supportsPercent: atLeastZeroSchema.max(500),
  /** Hours the core should spend above 650 °C. */
  cleanOutH: atLeastZeroSchema.max(48),
  /** Steepest climb from 150 to 400 °C. */
  rampMaxCPerH: positiveSchema.max(2000),
  /** Finest feature that it holds, and the thickest part that burns out without harm. */
  finestMm: positiveSchema.max(5),
  thickestMm: positiveSchema.max(100),
  fastAllowed: z.boolean(),
  printFromC: tempCSchema,
  skin: z.string().max(200),
  protocol: z.array(cleanStepSchema).max(40),
  note: noteSchema,
});
