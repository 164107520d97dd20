import { z } from 'zod';
import { idSchema } from './parts';
import { listedPatternSchema, patternSchema } from './pattern';
import { fieldChangeSchema } from './pour/change';
import { pourSchema } from './pour/pour';
import { RECORD_KINDS, recordListsSchema } from './record/kinds';
import { settingsSchema } from './settings';
import { SHOP_KINDS, shopListsSchema } from './shop/kinds';
import { unreadSchema } from './unread';

/**
 * On every answer of the API: which shop answers, and which build of the page goes with it. A page names its shop in
 * what it asks, and another one refuses it.
 */
export const SHOP_HEADER = 'Zero-Pour-Shop';
export const BUILD_HEADER = 'Zero-Pour-Build';

/** The window that asks, so that it is not told of what it did itself. */
export const WINDOW_HEADER = 'Zero-Pour-Window';

/** How many changes were kept since the server began, and the last of them: where, and by which window. */
export const toldChangeSchema = z.strictObject({
  start: z.string(),
  count: z.number().int().nonnegative(),
  at: z.string().optional(),
  by: z.string().optional(),
});
export type ToldChange = z.infer<typeof toldChangeSchema>;

const revisionsSchema = z.record(z.string(), z.number().int().positive());
export type Revisions = z.infer<typeof revisionsSchema>;

/** Everything the page needs to begin: what the shop owns, patterns, and the pours not yet in the record. */
export const shopStateSchema = z.strictObject({
  /** What this browser keeps of the shop goes by it. */
  shopId: idSchema,
  settings: settingsSchema,
  lists: shopListsSchema,
  /** All patterns of a small shop; of a large one those that its pours in work name. */
  patterns: z.array(patternSchema),
  /** How many patterns are not among these: they are asked for by name, or page by page. */
  morePatterns: z.number().int().nonnegative(),
  openPours: z.array(pourSchema),
  /** By the address that a whole thing is kept at: which state of it this is. */
  revisions: revisionsSchema,
  /** Kept things that do not read; everything else stands without them. */
  unread: z.array(unreadSchema),
});
export type ShopState = z.infer<typeof shopStateSchema>;

/** Patterns that were asked for by name, whole; those that are there. */
export const namedPatternsSchema = z.strictObject({
  read: z.array(patternSchema),
  unread: z.array(unreadSchema),
  revisions: revisionsSchema,
});

/** A page of the list of patterns, the newest first. */
export const patternPageSchema = namedPatternsSchema.extend({
  read: z.array(listedPatternSchema),
  /** Where to go on; null: these were the last. */
  next: idSchema.nullable(),
});

export const pourListSchema = z.strictObject({
  pours: z.array(pourSchema),
  total: z.number().int().nonnegative(),
  unread: z.array(unreadSchema),
});
export type PourList = z.infer<typeof pourListSchema>;

/** The pour of a number. */
export const pourIdSchema = z.strictObject({ id: idSchema });

/** Records of the bench. */
export const recordsSchema = z.strictObject({
  lists: recordListsSchema,
  revisions: revisionsSchema,
  unread: z.array(unreadSchema),
});
export type Records = z.infer<typeof recordsSchema>;

/** A change that was not kept, and why; the others of the same sending were. */
export const refusedChangeSchema = z.strictObject({
  change: fieldChangeSchema,
  code: z.string(),
  sentence: z.string(),
  /** What stands there instead, where somebody else changed it meanwhile. */
  stored: z.json().optional(),
});
export type RefusedChange = z.infer<typeof refusedChangeSchema>;

/** A pour after its changes were judged one by one. */
export const changedPourSchema = z.strictObject({ pour: pourSchema, refused: z.array(refusedChangeSchema) });
export type ChangedPour = z.infer<typeof changedPourSchema>;

export const findHitSchema = z.strictObject({
  kind: z.enum(['pour', 'pattern', ...SHOP_KINDS, ...RECORD_KINDS]),
  id: z.string(),
  title: z.string(),
  line: z.string(),
});
export type FindHit = z.infer<typeof findHitSchema>;
export const findHitsSchema = z.strictObject({
  hits: z.array(findHitSchema),
  /** The words that were taken instead, where nothing has those that were typed. */
  instead: z.string().nullable(),
});

/** What is known of a reading that was asked for. */
export const readingAnswerSchema = z.discriminatedUnion('status', [
  z.strictObject({ status: z.literal('known'), output: z.json() }),
  z.strictObject({ status: z.literal('working'), share: z.number() }),
  z.strictObject({ status: z.literal('failed'), sentence: z.string() }),
]);
export type ReadingAnswer = z.infer<typeof readingAnswerSchema>;
/** A kept reading under its key; null where there is none. */
export const keptReadingSchema = z.strictObject({ output: z.json().nullable() });

export const blobSchema = z.strictObject({ hash: z.string(), bytes: z.number().int() });

export const healthSchema = z.strictObject({
  status: z.literal('ok'),
  version: z.string(),
  migrations: z.number().int(),
});
