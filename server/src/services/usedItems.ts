import type { PourDoc, ShopItem, ShopKind, UsedItems } from '@zero-pour/contracts';
import type { Queryable } from '../db/database';
import { findItem } from '../db/shopStore';

/** The shop's items that a pour names, as they stand now: kept with the pour when the metal is poured. */
export async function snapshotUsed(db: Queryable, doc: PourDoc): Promise<UsedItems> {
  const take = async <K extends ShopKind>(
    kind: K,
    id: string | undefined,
  ): Promise<{ [P in K]?: ShopItem<K> }> => {
    const item = id === undefined ? undefined : await findItem(db, kind, id);
    return (item ? { [kind]: item } : {}) as { [P in K]?: ShopItem<K> };
  };
  const flasks: NonNullable<UsedItems['flasks']> = {};
  for (const { key, sprue } of doc.flasks) {
    const { flask } = await take('flask', sprue.flaskId);
    if (flask) flasks[key] = flask;
  }
  return {
    ...(Object.keys(flasks).length > 0 ? { flasks } : {}),
    ...(await take('resin', doc.resin.resinId)),
    ...(await take('printer', doc.resin.printerId)),
    ...(await take('profile', doc.resin.profileId)),
    ...(await take('powder', doc.invest.powderId)),
    ...(await take('kiln', doc.burnout.kilnId)),
    ...(await take('alloy', doc.brief.alloyId)),
    ...(await take('programme', doc.burnout.programmeId)),
  };
}
