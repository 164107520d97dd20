import type { Pour } from '@zero-pour/contracts';
import { knowPrints, knowSizes, type Shop } from '@zero-pour/plan';
import type { Queryable } from '../db/database';
import { listPouredPrints, listPouredSizes } from '../db/tellsStore';
import { listRecords } from '../db/recordStore';
import { readShopState } from './readShopState';

/** The shop as plans see it, and its pours in work: what a page reads, without what long computations said. */
export async function readPlanningShop(db: Queryable): Promise<{ shop: Shop; openPours: Pour[] }> {
  const { settings, lists, patterns, openPours } = await readShopState(db);
  const { lists: records } = await listRecords(db);
  return {
    openPours,
    shop: {
      settings,
      lists,
      // What is planned here names only these.
      patterns,
      sizes: knowSizes(lists, records.sizeSeries, await listPouredSizes(db)),
      prints: knowPrints(lists, await listPouredPrints(db)),
      lots: records.metalLot,
      molds: records.mold,
    },
  };
}
