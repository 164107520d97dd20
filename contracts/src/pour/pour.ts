import { z } from 'zod';
import { idSchema, keySchema, momentSchema } from '../parts';
import { SHOP_ITEM_SCHEMAS } from '../shop/kinds';
import { pourDocSchema } from './pourDoc';
import { upgradePour, upgradePourRow } from './upgrade/upgradePour';

/**
 * What a pour was made with, as it stood at the moment of the pour: later edits of a resin or an alloy
 * do not rewrite the record. Patterns need no copy: their file and measure never change.
 */
export const usedItemsSchema = z.strictObject({
  resin: SHOP_ITEM_SCHEMAS.resin.optional(),
  printer: SHOP_ITEM_SCHEMAS.printer.optional(),
  profile: SHOP_ITEM_SCHEMAS.profile.optional(),
  powder: SHOP_ITEM_SCHEMAS.powder.optional(),
  /** By the key of the pour's flask. */
  flasks: z.record(keySchema, SHOP_ITEM_SCHEMAS.flask).optional(),
  kiln: SHOP_ITEM_SCHEMAS.kiln.optional(),
  alloy: SHOP_ITEM_SCHEMAS.alloy.optional(),
  programme: SHOP_ITEM_SCHEMAS.programme.optional(),
});
export type UsedItems = z.infer<typeof usedItemsSchema>;

const storedPourSchema = z.strictObject({
  id: idSchema,
  number: z.number().int().positive(),
  createdAt: momentSchema,
  changedAt: momentSchema,
  discarded: z.boolean(),
  doc: pourDocSchema,
  /** Present once poured. */
  used: usedItemsSchema.optional(),
});
export type Pour = z.infer<typeof storedPourSchema>;

/** A pour wherever it comes from: what is stored, sent, imported or cached of an earlier version is upgraded first. */
export const pourSchema = z.preprocess(upgradePourRow, storedPourSchema);

/** A page that was opened before an update may still send a document of the version before. */
export const newPourSchema = z.strictObject({
  id: idSchema,
  doc: z.preprocess((json) => upgradePour(json), pourDocSchema),
});
export const discardSchema = z.strictObject({ discarded: z.boolean() });
