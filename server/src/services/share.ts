import {
  asShared,
  recipeAsShared,
  Refusal,
  SHARE_FORMAT,
  SHARE_VERSION,
  SHOP_KINDS,
  type Recipe,
  type Share,
  type SharedWhat,
  type ShareTaken,
  type ShopItem,
  type ShopKind,
} from '@zero-pour/contracts';
import { randomUUID } from 'node:crypto';
import { isDeepStrictEqual } from 'node:util';
import type { Database, Queryable } from '../db/database';
import { findRecord, keepRecord, listRecords } from '../db/recordStore';
import { keepSettings, readSettings } from '../db/settingsStore';
import { listToldCauses } from '../db/tellsStore';
import { identifyShop } from '../db/identityStore';
import { findItem, keepItem, listShop } from '../db/shopStore';

/** Kinds in an order in which none comes before one that it names. */
const IN_ORDER: readonly ShopKind[] = [...SHOP_KINDS].sort(
  (a, b) => Number(a === 'profile') - Number(b === 'profile'),
);
/** Ids that things name, by the field's name. */
const NAMES: Record<string, ShopKind> = {
  resinId: 'resin',
  printerId: 'printer',
  profileId: 'profile',
  powderId: 'powder',
  programmeId: 'programme',
  alloyId: 'alloy',
};

/** Ids of other things that a document names in its own fields. */
const namedBy = (doc: object): [ShopKind, string][] =>
  Object.entries(doc).flatMap(([field, id]) => {
    const kind = NAMES[field];
    return kind !== undefined && typeof id === 'string' ? [[kind, id] as [ShopKind, string]] : [];
  });

/** One thing of the shop as a file for another, with everything that it names. */
export async function shareOf(db: Queryable, what: SharedWhat, id: string): Promise<Share> {
  const share = { format: SHARE_FORMAT, version: SHARE_VERSION, what, id } as Share;
  for (const kind of SHOP_KINDS) share[kind] = [] as never;
  share.recipe = [];
  const add = async (kind: ShopKind, wanted: string): Promise<void> => {
    if ((share[kind] as { id: string }[]).some((item) => item.id === wanted)) return;
    const item = await findItem(db, kind, wanted);
    if (!item) return;
    (share[kind] as unknown[]).push(asShared(kind, item));
    for (const [other, otherId] of namedBy(item)) await add(other, otherId);
  };
  if (what === 'recipe') {
    const recipe = await findRecord(db, 'recipe', id);
    if (!recipe) throw new Refusal('NOT_FOUND', { what: 'recipe' });
    share.recipe = [recipeAsShared(recipe)];
    for (const [kind, named] of [...namedBy(recipe), ...namedBy(recipe.says)]) await add(kind, named);
  } else if (what === 'protocol') {
    const resin = await findItem(db, 'resin', id);
    if (!resin) throw new Refusal('NOT_FOUND', { what: 'resin' });
    share.protocol = { name: resin.protocolName, version: resin.protocolVersion, steps: resin.protocol };
  } else if (what === 'causes') {
    const { settings } = await readSettings(db);
    const told = await listToldCauses(db, undefined);
    share.id = await identifyShop(db);
    share.causes = { key: share.id, from: settings.shopName || 'a shop without a name', at: new Date().toISOString(), told }; // prettier-ignore
  } else {
    await add(what, id);
    if ((share[what] as unknown[]).length === 0) throw new Refusal('NOT_FOUND', { what });
  }
  return share;
}

/** A document with other ids for what it names. */
function renamed<T extends object>(doc: T, ids: ReadonlyMap<string, string>): T {
  const fields = Object.entries(doc).map(([field, value]) =>
    NAMES[field] !== undefined && typeof value === 'string'
      ? [field, ids.get(value) ?? value]
      : [field, value],
  );
  return Object.fromEntries(fields) as T;
}
const sameThing = (kind: ShopKind, a: ShopItem<ShopKind>, b: ShopItem<ShopKind>): boolean => {
  const plain = (item: ShopItem<ShopKind>): object => ({ ...JSON.parse(JSON.stringify(asShared(kind, item))), id: '' }) as object; // prettier-ignore
  return isDeepStrictEqual(plain(a), plain(b));
};
function freeName(name: string, taken: ReadonlySet<string>): string {
  let free = name;
  for (let n = 2; taken.has(free); n++) free = `${name.slice(0, 110)} (${n})`;
  return free;
}

/** Puts the shared things into the shop where they are not there yet, and says what it did; ids of what is there take their place. */
async function keepThings(tx: Queryable, share: Share, told: ShareTaken): Promise<Map<string, string>> {
  const ids = new Map<string, string>();
  const { lists } = await listShop(tx);
  for (const kind of IN_ORDER) {
    const own = lists[kind] as ShopItem<ShopKind>[];
    for (const given of share[kind] as ShopItem<ShopKind>[]) {
      const item = renamed(given, ids);
      const here = own.find((one) => sameThing(kind, one, item));
      if (here) {
        ids.set(given.id, here.id);
        told.here.push({ kind, id: here.id, name: here.name });
        continue;
      }
      const name = freeName(item.name, new Set(own.map((one) => one.name)));
      // Another thing may have its id by now, or it is the same with other figures: this one stands beside it.
      const id = own.some((one) => one.id === item.id) ? randomUUID() : item.id;
      ids.set(given.id, id);
      await keepItem(tx, kind, { ...item, id, name }, null);
      own.push({ ...item, id, name });
      told.made.push({ kind, id, name });
    }
  }
  return ids;
}

async function keepRecipe(
  tx: Queryable,
  given: Recipe,
  ids: ReadonlyMap<string, string>,
  told: ShareTaken,
): Promise<void> {
  const { lists } = await listRecords(tx);
  const recipe = { ...renamed(given, ids), says: renamed(given.says, ids) };
  const same = lists.recipe.find((one) => isDeepStrictEqual(plainRecipe(one), plainRecipe(recipe)));
  if (same) return void told.here.push({ kind: 'recipe', id: same.id, name: same.name });
  const id = lists.recipe.some((one) => one.id === recipe.id) ? randomUUID() : recipe.id;
  await keepRecord(tx, 'recipe', { ...recipe, id }, null);
  told.made.push({ kind: 'recipe', id, name: recipe.name });
}
const plainRecipe = ({ name, castClass, alloyId, says }: Recipe): unknown =>
  JSON.parse(JSON.stringify({ name, castClass, alloyId, says }));

/** The steps of a protocol in place of a resin's own, as its next version. */
async function keepProtocol(
  tx: Queryable,
  share: Share,
  into: string | null,
  told: ShareTaken,
): Promise<void> {
  const { protocol } = share;
  const resin = into === null ? undefined : await findItem(tx, 'resin', into);
  if (!resin) throw new Refusal('SHARE_INTO');
  if (!protocol || isDeepStrictEqual(resin.protocol, protocol.steps))
    return void told.here.push({ kind: 'protocol', id: resin.id, name: resin.name });
  const version = resin.protocolVersion + 1;
  await keepItem(tx, 'resin', { ...resin, protocol: protocol.steps, protocolName: protocol.name, protocolVersion: version }, 'any'); // prettier-ignore
  told.made.push({ kind: 'protocol', id: resin.id, name: `${resin.name}: ${protocol.name}` });
}

/** What another shop found behind flaws, in place of what it told before. */
async function keepCauses(tx: Queryable, { causes }: Share, told: ShareTaken): Promise<void> {
  if (!causes) return;
  const { settings } = await readSettings(tx);
  const tables = settings.causeTables ?? [];
  const entry = { kind: 'causes', id: causes.key, name: causes.from };
  const before = tables.find(({ key }) => key === causes.key);
  const isOwn = causes.key === (await identifyShop(tx));
  if (isOwn || causes.told.length === 0 || (before && isDeepStrictEqual(before.told, causes.told)))
    return void told.here.push(entry);
  await keepSettings(tx, { ...settings, causeTables: [...tables.filter((one) => one !== before), causes] }, 'any'); // prettier-ignore
  told.made.push(entry);
}

/** Thrown to take back what was only tried. */
class OnlyTried extends Error {}

/** Takes a shared file in, whole or not at all; or, when it is only tried, says what that would come to. */
export async function takeShare(
  db: Database,
  share: Share,
  { into, only }: { into: string | null; only: 'tried' | 'kept' },
): Promise<ShareTaken> {
  const told: ShareTaken = { made: [], here: [] };
  try {
    await db.transaction(async (tx) => {
      const ids = await keepThings(tx, share, told);
      for (const recipe of share.recipe) await keepRecipe(tx, recipe, ids, told);
      if (share.what === 'causes') await keepCauses(tx, share, told);
      if (share.what === 'protocol') await keepProtocol(tx, share, into, told);
      if (only === 'tried') throw new OnlyTried();
    });
  } catch (error) {
    if (!(error instanceof OnlyTried)) throw error;
  }
  return told;
}
