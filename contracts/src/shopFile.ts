import { z } from 'zod';
import { newKilnRunSchema } from './kilnRun';
import { idSchema } from './parts';
import { patternSchema } from './pattern';
import { pourSchema } from './pour/pour';
import { recordListsSchema } from './record/kinds';
import { settingsSchema } from './settings';
import { shopListsSchema } from './shop/kinds';

export const SHOP_FILE_FORMAT = 'zero-pour/shop';
export const SHOP_FILE_VERSION = 1;

/** A whole shop as one JSON document (pattern bytes travel beside it, by their hash). */
export const shopFileSchema = z.strictObject({
  format: z.literal(SHOP_FILE_FORMAT),
  version: z.literal(SHOP_FILE_VERSION),
  settings: settingsSchema,
  lists: shopListsSchema,
  patterns: z.array(patternSchema),
  pours: z.array(pourSchema),
  records: recordListsSchema,
  // Files written before these were kept have none.
  kilnRuns: z.array(z.strictObject({ id: idSchema, log: newKilnRunSchema })).default([]),
});
export type ShopFile = z.infer<typeof shopFileSchema>;
