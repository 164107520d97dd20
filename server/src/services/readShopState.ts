import type { ShopState } from '@zero-pour/contracts';
import type { Queryable } from '../db/database';
import { identifyShop } from '../db/identityStore';
import { listPatterns } from '../db/patternStore';
import { listOpenPours } from '../db/pourStore';
import { listRevisions } from '../db/revisions';
import { readSettings } from '../db/settingsStore';
import { listShop } from '../db/shopStore';

/** Everything that a page needs to begin. What does not read is named, and stops nothing else. */
export async function readShopState(db: Queryable): Promise<ShopState> {
  const settings = await readSettings(db);
  const shop = await listShop(db);
  const patterns = await listPatterns(db);
  const pours = await listOpenPours(db);
  return {
    shopId: await identifyShop(db),
    settings: settings.settings,
    lists: shop.lists,
    patterns: patterns.read,
    openPours: pours.read,
    revisions: await listRevisions(db),
    unread: [...settings.unread, ...shop.unread, ...patterns.unread, ...pours.unread],
  };
}
