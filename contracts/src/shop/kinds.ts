import { z } from 'zod';
import { idSchema } from '../parts';
import { alloySchema, flaskSchema, powderSchema, programmeSchema } from './casting';
import { kilnSchema, printerSchema, profileSchema } from './machines';
import { resinSchema } from './resin';

/** What every thing may have: the one that it was begun as, "same again, but …". */
const AGAIN = { againOfId: idSchema.nullish() } as const;

/** What the shop owns, by kind: the schema of each. */
export const SHOP_SCHEMAS = {
  resin: resinSchema.safeExtend(AGAIN),
  printer: printerSchema.safeExtend(AGAIN),
  profile: profileSchema.safeExtend(AGAIN),
  powder: powderSchema.safeExtend(AGAIN),
  flask: flaskSchema.safeExtend(AGAIN),
  kiln: kilnSchema.safeExtend(AGAIN),
  alloy: alloySchema.safeExtend(AGAIN),
  programme: programmeSchema.safeExtend(AGAIN),
} as const;
export type ShopKind = keyof typeof SHOP_SCHEMAS;
export const SHOP_KINDS = Object.keys(SHOP_SCHEMAS) as ShopKind[];
export const shopKindSchema = z.enum(SHOP_KINDS as [ShopKind, ...ShopKind[]]);

/** Fields of a kind, without its id. */
export type ShopFields<K extends ShopKind> = z.infer<(typeof SHOP_SCHEMAS)[K]>;
/** A kept item. */
export type ShopItem<K extends ShopKind> = ShopFields<K> & { id: string };
export type Resin = ShopItem<'resin'>;
export type Printer = ShopItem<'printer'>;
export type Profile = ShopItem<'profile'>;
export type Powder = ShopItem<'powder'>;
export type Flask = ShopItem<'flask'>;
export type Kiln = ShopItem<'kiln'>;
export type Alloy = ShopItem<'alloy'>;
export type Programme = ShopItem<'programme'>;

const kept = <K extends ShopKind>(kind: K) =>
  SHOP_SCHEMAS[kind].safeExtend({ id: idSchema }) as unknown as z.ZodType<ShopItem<K>>;

/** Schemas of kept items, with their id. */
export const SHOP_ITEM_SCHEMAS: { [K in ShopKind]: z.ZodType<ShopItem<K>> } = {
  resin: kept('resin'),
  printer: kept('printer'),
  profile: kept('profile'),
  powder: kept('powder'),
  flask: kept('flask'),
  kiln: kept('kiln'),
  alloy: kept('alloy'),
  programme: kept('programme'),
};

/** Lists of all kinds, as the page holds them. */
export type ShopLists = { [K in ShopKind]: ShopItem<K>[] };
export const shopListsSchema = z.strictObject(
  Object.fromEntries(SHOP_KINDS.map((kind) => [kind, z.array(SHOP_ITEM_SCHEMAS[kind])])),
) as unknown as z.ZodType<ShopLists>;

export const emptyShopLists = (): ShopLists => ({
  resin: [],
  printer: [],
  profile: [],
  powder: [],
  flask: [],
  kiln: [],
  alloy: [],
  programme: [],
});
