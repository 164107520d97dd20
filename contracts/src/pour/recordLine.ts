import { FLAW_KINDS } from '@zero-pour/core';
import { z } from 'zod';
import { idSchema, momentSchema } from '../parts';
import { unreadSchema } from '../unread';
import { FACT_NAMES } from './recordFacts';
import { scrapSchema } from './scrap';

/** One pour as the record lists it, without its document: what it is, its numbers, and what came of it. */
export const recordLineSchema = z.strictObject({
  id: idSchema,
  number: z.number().int().positive(),
  createdAt: momentSchema,
  /** Its patterns with counts, or what it was called. */
  title: z.string(),
  /** As it was used, else as it is called now; null: none chosen, or gone. */
  alloy: z.string().nullable(),
  resin: z.string().nullable(),
  /** When its last flask was poured; null while one is not. */
  pouredAt: momentSchema.nullable(),
  anyPoured: z.boolean(),
  zeroAt: momentSchema.nullable(),
  /** Of an old record: how sure its day is. */
  scrap: scrapSchema.pick({ days: true }).nullable(),
  isDone: z.boolean(),
  /** Castings that were judged, of all that are cast. */
  castings: z.strictObject({ judged: z.int().nonnegative(), sellable: z.int().nonnegative(), total: z.int().nonnegative() }), // prettier-ignore
  flaws: z.array(z.enum(FLAW_KINDS)),
  /** Numbers that are known. */
  facts: z.partialRecord(z.enum(FACT_NAMES), z.number()),
  /** How the first flask felt, where nobody read it. */
  felt: z.string().nullable(),
  /** What it does otherwise than the pour it repeats. */
  change: z.strictObject({ againOf: z.number().int().nullable(), stated: z.string() }).nullable(),
});
export type RecordLine = z.infer<typeof recordLineSchema>;

export const recordLinesSchema = z.strictObject({
  lines: z.array(recordLineSchema),
  total: z.number().int().nonnegative(),
  unread: z.array(unreadSchema),
});
export type RecordLines = z.infer<typeof recordLinesSchema>;
