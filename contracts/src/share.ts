import { z } from 'zod';
import { causeTableSchema } from './causeTable';
import { idSchema } from './parts';
import { BENCH_RECORD_SCHEMAS, type Recipe } from './record/kinds';
import { resinSchema } from './shop/resin';
import { SHOP_ITEM_SCHEMAS, type ShopItem, type ShopKind } from './shop/kinds';

/** One thing of a shop as a JSON file for another shop, with the things that it names. See docs/formats.md. */
export const SHARE_FORMAT = 'zero-pour/share';
export const SHARE_VERSION = 1;
export const SHARED_WHATS = ['resin', 'printer', 'profile', 'powder', 'flask', 'kiln', 'alloy', 'programme', 'recipe', 'protocol', 'causes'] as const; // prettier-ignore
export type SharedWhat = (typeof SHARED_WHATS)[number];

const listOf = <K extends ShopKind>(kind: K) => z.array(SHOP_ITEM_SCHEMAS[kind]).max(20).default([]);
export const shareSchema = z.strictObject({
  format: z.literal(SHARE_FORMAT),
  version: z.literal(SHARE_VERSION),
  what: z.enum(SHARED_WHATS),
  /** The id of the shared thing itself; the others are what it names. Of a protocol: its resin's; of causes: the shop's. */
  id: idSchema,
  resin: listOf('resin'),
  printer: listOf('printer'),
  profile: listOf('profile'),
  powder: listOf('powder'),
  flask: listOf('flask'),
  kiln: listOf('kiln'),
  alloy: listOf('alloy'),
  programme: listOf('programme'),
  recipe: z.array(BENCH_RECORD_SCHEMAS.recipe).max(1).default([]),
  protocol: z
    .strictObject({
      name: z.string().max(120),
      version: z.number().int().positive(),
      steps: resinSchema.shape.protocol,
    })
    .optional(),
  causes: causeTableSchema.optional(),
});
export type Share = z.infer<typeof shareSchema>;

/** What taking a shared file in comes to: what is made here, and what is here already. */
export const shareTakenSchema = z.strictObject({
  made: z.array(z.strictObject({ kind: z.string(), id: idSchema, name: z.string() })),
  here: z.array(z.strictObject({ kind: z.string(), id: idSchema, name: z.string() })),
});
export type ShareTaken = z.infer<typeof shareTakenSchema>;

const WITHOUT_SHOP: { [K in ShopKind]?: Partial<ShopItem<K>> } = {
  resin: { bottles: [], vats: [], attachments: [] },
  printer: { events: [] },
  kiln: { deviceUrl: null, measured: null },
  profile: { formerId: null, replaced: false },
};
/** A thing without what is the shop's alone: its stock, its papers, its devices, its versions. */
export const asShared = <K extends ShopKind>(kind: K, item: ShopItem<K>): ShopItem<K> => ({
  ...item,
  againOfId: null,
  ...(WITHOUT_SHOP[kind] as Partial<ShopItem<K>> | undefined),
});
export const recipeAsShared = (recipe: Recipe): Recipe => ({ ...recipe, formerId: null, fromNumber: null });
