import { z } from 'zod';
import { patternSchema } from './pattern';
import { pourSchema } from './pour/pour';
import { settingsSchema } from './settings';
import { shopListsSchema } from './shop/kinds';

/** Everything the page needs to begin: what the shop owns, its patterns, and the pours not yet in the record. */
export const shopStateSchema = z.strictObject({
  settings: settingsSchema,
  lists: shopListsSchema,
  patterns: z.array(patternSchema),
  openPours: z.array(pourSchema),
});
export type ShopState = z.infer<typeof shopStateSchema>;

export const pourListSchema = z.strictObject({
  pours: z.array(pourSchema),
  total: z.number().int().nonnegative(),
});
export type PourList = z.infer<typeof pourListSchema>;

export const findHitSchema = z.strictObject({
  kind: z.enum([
    'pour',
    'pattern',
    'resin',
    'printer',
    'powder',
    'flask',
    'kiln',
    'alloy',
    'programme',
    'profile',
  ]),
  id: z.string(),
  title: z.string(),
  line: z.string(),
});
export type FindHit = z.infer<typeof findHitSchema>;
export const findHitsSchema = z.strictObject({ hits: z.array(findHitSchema) });

export const blobSchema = z.strictObject({ hash: z.string(), bytes: z.number().int() });

export const healthSchema = z.strictObject({
  status: z.literal('ok'),
  version: z.string(),
  migrations: z.number().int(),
});
