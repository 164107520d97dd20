import { SHEET_KINDS } from '@zero-pour/core';
import { z } from 'zod';
import { idSchema, keySchema } from '../parts';

const daySchema = z.iso.date();

/** Where a pour of an old record comes from, and what of it is not sure. */
export const scrapSchema = z.strictObject({
  /** The taking-in that brought it; that can be taken back whole. */
  batchId: idSchema,
  /** Line of the file, from 1. */
  line: z.number().int().positive(),
  /** As the old record numbers it. */
  number: z.string().max(60).optional(),
  /** Days between which it was poured, both counted; absent: nobody wrote one. */
  days: z.strictObject({ from: daySchema, to: daySchema, vague: z.boolean() }).optional(),
  /** What was cast, as it was called. */
  what: z.string().max(200).optional(),
  /** Cells that could not be read, as they stood. */
  unread: z.array(z.strictObject({ heading: z.string().max(120), text: z.string().max(300) })).max(40),
});
export type Scrap = z.infer<typeof scrapSchema>;

/** One taking-in of old records. */
export const scrapBatchSchema = z.strictObject({
  name: z.string().trim().min(1).max(255),
  takenAt: z.iso.datetime(),
  /** Of the table's text, so that the same one is not taken in twice. */
  hash: z.string().regex(/^[0-9a-f]{64}$/),
  pours: z.number().int().nonnegative(),
  /** Of a sheet that is no pours: its kind, the records it became, and figures that went to resins. */
  sheet: z.enum(SHEET_KINDS).optional(),
  records: z.array(z.strictObject({ kind: z.enum(['trial', 'sizeSeries']), id: idSchema })).max(6000).optional(), // prettier-ignore
  figures: z
    .array(z.strictObject({ resinId: idSchema, key: keySchema }))
    .max(1000)
    .optional(),
  /** Things of the shop that were made for it. */
  made: z.array(z.strictObject({ kind: z.enum(['alloy', 'resin']), id: idSchema, name: z.string().max(120) })).max(200), // prettier-ignore
});
export type ScrapBatchDoc = z.infer<typeof scrapBatchSchema>;
