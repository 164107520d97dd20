import { z } from 'zod';
import { quantitySchema } from './quantities';

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
/** Prices and amounts, in the shop's own currency. */
export const PRICE = [0, 1e6] as const;
/** What resins, printers, profiles, coupons and test plates have in common. */
export const LIGHT_NM = [300, 500] as const;
export const LAYER_MM = [0.005, 1] as const;
export const EXPOSURE_S = [0.1, 600] as const;
export const BASE_EXPOSURE_S = [0.1, 1200] as const;
export const LAYERS = [0, 200] as const;
/** Pictures kept beside something, by the hash of their bytes. */
export const photosSchema = z.array(z.strictObject({ hash: hashSchema, name: z.string().max(255) }));

export const RAFT_MM = [0.1, 10] as const;
export const VAT_C = [0, 90] as const;
/** As a thermometer reads air and resin: a room may be cold. */
export const ROOM_C = [-30, 60] as const;
export const VAT_READ_C = [-10, 90] as const;
export const newMetalSchema = quantitySchema('New metal', 'percent', [0, 100], { digits: 0 });
