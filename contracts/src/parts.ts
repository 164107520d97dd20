import { z } from 'zod';

export const idSchema = z.uuid();
/** SHA-256 in lower-case hex: the name of stored bytes. */
export const hashSchema = z.string().regex(/^[0-9a-f]{64}$/);
/** UTC, so that moments sort as text; in years that a clock or a typed date can mean. */
export const momentSchema = z.iso.datetime().refine((moment) => /^(19|20|21)\d\d-/.test(moment), {
  message: 'a year from 1900 to 2199',
});
/** Names an entry of a list inside a record. */
export const keySchema = z.string().min(1).max(40);
export const nameSchema = z.string().trim().min(1).max(120);
export const noteSchema = z.string().max(4000);
export const positiveSchema = z.number().positive();
export const atLeastZeroSchema = z.number().nonnegative();
/** Positive whole number of pieces. */
export const countSchema = z.number().int().positive().max(500);
/** Kiln and furnace temperatures, °C. */
export const tempCSchema = z.number().min(0).max(1300);
