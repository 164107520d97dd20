import type { ShopState } from '@zero-pour/contracts';
import type { Queryable } from '../db/database';
import { identifyShop } from '../db/identityStore';
import { listFirstPatterns } from '../db/patternStore';
import { listOpenPours } from '../db/pourStore';
import { listRevisions } from '../db/revisions';
import { readSettings } from '../db/settingsStore';
import { listShop } from '../db/shopStore';

/** Everything that a page needs to begin. What does not read is named, and stops nothing else. */
export async function readShopState(db: Queryable): Promise<ShopState> {
  const settings = await readSettings(db);
  const shop = await listShop(db);
  const patterns = await listFirstPatterns(db);
  const pours = await listOpenPours(db);
  return {
    shopId: await identifyShop(db),
    settings: settings.settings,
    lists: shop.lists,
    patterns: patterns.read,
    morePatterns: patterns.more,
    openPours: pours.read,
    revisions: await listRevisions(
      db,
      patterns.read.map(({ id }) => id),
    ),
    unread: [...settings.unread, ...shop.unread, ...patterns.unread, ...pours.unread],
  };
}
