import { POUR_WAYS, type Drive, type FillReading, type PouredHeat } from '@zero-pour/core';
import { z } from 'zod';
import { fieldInput, placeSchema } from './feed';
import { defineJob, typed } from './job';

const positive = z.number().positive();
const heatSchema = z.strictObject({
  densityKgPerM3: positive,
  latentJPerKg: positive,
  heatJPerKgK: positive,
  surfaceNPerM: positive,
  liquidusC: z.number(),
  metalC: z.number(),
  flaskC: z.number(),
}) satisfies z.ZodType<PouredHeat>;

const headMm = z.number().nonnegative();
const [gravity, vacuum, centrifuge] = POUR_WAYS;
const driveSchema = z.discriminatedUnion('way', [
  z.strictObject({ way: z.literal(gravity), headMm }),
  z.strictObject({ way: z.literal(vacuum), headMm, vacuumKpa: positive }),
  z.strictObject({ way: z.literal(centrifuge), headMm, armMm: positive, turnsPerMin: positive }),
]) satisfies z.ZodType<Drive>;

const inputFields = {
  ...fieldInput,
  gates: z
    .array(z.strictObject({ at: placeSchema, diameterMm: positive, lengthMm: z.number().nonnegative() }))
    .max(40),
  heat: heatSchema,
  drive: driveSchema,
};
const fillInputSchema = z.strictObject({
  ...inputFields,
  /** What is offered at most, °C. */
  hottest: z.strictObject({ flaskC: z.number(), metalC: z.number() }),
});
export type FillInput = z.infer<typeof fillInputSchema>;

const margin = z.number().nonnegative();
const fillReadingSchema = z.strictObject({
  last: z.strictObject({
    at: placeSchema,
    widthMm: positive,
    modulusMm: positive,
    margin,
    because: z.enum(['late', 'narrow', 'no way']),
  }),
  offers: z
    .strictObject({
      flaskC: z.number().nullable(),
      metalC: z.number().nullable(),
      gate: z.strictObject({ at: placeSchema, normal: placeSchema, diameterMm: positive, margin }).nullable(),
    })
    .nullable(),
}) satisfies z.ZodType<FillReading>;

/** Whether a part fills by its gates; null where the grid found no way in it at all. */
export const fillJob = defineJob({
  name: 'fill',
  version: 2,
  input: fillInputSchema,
  output: fillReadingSchema.nullable(),
});

/** Margins at places of a surface; NaN where none is known. */
export const fillMarginsJob = defineJob({
  name: 'fill margins',
  version: 1,
  /** `places`: name of bytes that hold x, y, z by turns as 32-bit floats, in the file's mm. */
  input: z.strictObject({ ...inputFields, places: z.string() }),
  output: typed<Float32Array>(),
});
