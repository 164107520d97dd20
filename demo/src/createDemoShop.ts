import {
  SHOP_FILE_FORMAT,
  SHOP_FILE_VERSION,
  shopFileSchema,
  usualPouring,
  type Settings,
  type ShopFile,
} from '@zero-pour/contracts';
import { DEMO_CURE } from './cure';
import { datedLists } from './exposure/dated';
import { demoRecords, demoTestSet } from './exposure/records';
import { demoKilnRuns } from './kilnRuns';
import { createDemoPatterns } from './patterns';
import { demoSlips } from './slips';
import { demoRecipes } from './recipes';
import { createDemoPours } from './pours/createPours';
import { DEMO_LISTS } from './shop';

const day = (open: boolean) => ({ open, fromMin: 8 * 60, toMin: 18 * 60 });

const SETTINGS: Settings = {
  shopName: 'Gannet Yard Casting Room',
  currency: '',
  /** Its mornings are mornings where it is started. */
  timeZone: new Intl.DateTimeFormat().resolvedOptions().timeZone,
  people: [
    { key: 'print', name: 'Print bench', does: ['print', 'clean', 'mold', 'sprue', 'finish'] },
    { key: 'cast', name: 'Casting bench', does: ['clean', 'sprue', 'invest', 'burnout', 'pour', 'finish'] },
  ],
  benchHours: [day(false), day(true), day(true), day(true), day(true), day(true), day(true)],
  newMetalPercent: 50,
  testSet: [],
  cure: DEMO_CURE,
  baths: [],
  pouring: usualPouring('vacuum'),
  costs: { perKwh: 0.28, furnaceKw: 1.5, film: 12, filmLayers: 30_000, bathFill: 9, eachPour: 1.2 },
};

const DAY_MS = 24 * 3_600_000;
/** The dirty bath is due; the clean one was filled last week. */
const demoBaths = (now: Date): Settings['baths'] =>
  ([['Dirty bath', 40, 60], ['Clean bath', 8, 40]] as const).map(([name, days, partsMost]) => ({
    key: name,
    name,
    medium: 'alcohol' as const,
    changedAt: new Date(now.getTime() - days * DAY_MS).toISOString(),
    partsMost,
  })); // prettier-ignore

/** The whole demo shop, its dates counted from `now`, with the bytes of its mesh files. */
export async function createDemoShop(now: Date): Promise<{ file: ShopFile; bytes: Map<string, Uint8Array> }> {
  const weeksAgo = new Date(now.getTime() - 80 * 24 * 3_600_000).toISOString();
  const { patterns, bytes } = await createDemoPatterns(weeksAgo);
  const { recipes, pours } = demoRecipes(createDemoPours(patterns, now));
  const file = shopFileSchema.parse({
    format: SHOP_FILE_FORMAT,
    version: SHOP_FILE_VERSION,
    settings: { ...SETTINGS, testSet: demoTestSet(patterns), baths: demoBaths(now) },
    lists: datedLists(DEMO_LISTS, now),
    patterns,
    pours,
    kilnRuns: demoKilnRuns(pours),
    records: { ...demoRecords(patterns, now), recipe: recipes, slip: demoSlips(pours, now) },
  });
  return { file, bytes };
}
