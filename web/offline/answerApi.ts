/** Shared with the page, which puts pours here as it changes them. One cache a shop: two may take turns on one port. */
export const cacheOf = (shopId: string): string => `zero-pour-api.${shopId}`;
/** Says which shop answered last: the one that is shown while nobody answers. */
const LAST_SHOP = 'zero-pour-last-shop';
const SHOP = 'Zero-Pour-Shop';
/** On an answer that is not Zero Pour's own of this moment. */
export const FROM_CACHE = 'Zero-Pour-From-Cache';

/** What is read to show the board, a pour or the bench. */
export const CACHED_READS = /^\/api\/(shop|sizes|prints|records|yields|pours\/[0-9a-f-]{36})$/;
const AT_START = ['/api/shop', '/api/sizes', '/api/prints', '/api/records', '/api/yields'];

interface KeptPour {
  id: string;
  changedAt: string;
}
interface KeptShop {
  openPours: KeptPour[];
}

const pourAddress = (id: string): string => `/api/pours/${id}`;

async function keepAnswer(shopId: string, address: string, answer: Response): Promise<void> {
  await (await caches.open(cacheOf(shopId))).put(address, answer);
  await (await caches.open(LAST_SHOP)).put('/', new Response(shopId));
}

/** The cache of the shop that answered last, and its id. */
async function lastShop(): Promise<{ shopId: string; cache: Cache } | undefined> {
  const shopId = await (await (await caches.open(LAST_SHOP)).match('/'))?.text();
  return shopId === undefined ? undefined : { shopId, cache: await caches.open(cacheOf(shopId)) };
}

/**
 * As Zero Pour answers; while it does not, or something else does, as it was last read, pours as they were last
 * changed.
 */
export async function answerApi(request: Request): Promise<Response> {
  const address = new URL(request.url).pathname;
  try {
    const answer = await fetch(request);
    const shopId = answer.headers.get(SHOP);
    if (shopId === null) return (await lastRead(address)) ?? answer;
    if (answer.ok) await keepAnswer(shopId, address, answer.clone());
    return answer;
  } catch {
    return (await lastRead(address)) ?? Response.error();
  }
}

async function lastRead(address: string): Promise<Response | undefined> {
  const last = await lastShop();
  if (!last) return undefined;
  const body = await bodyOf(last.cache, address);
  if (body === undefined) return undefined;
  return Response.json(body, { headers: { [SHOP]: last.shopId, [FROM_CACHE]: 'yes' } });
}

async function bodyOf(cache: Cache, address: string): Promise<unknown> {
  if (address === '/api/shop') return shopWithNewestPours(cache);
  const kept = await (await cache.match(address))?.json();
  if (kept !== undefined || !address.startsWith('/api/pours/')) return kept;
  return (await keptShop(cache))?.openPours.find(({ id }) => address === pourAddress(id));
}

const keptShop = async (cache: Cache): Promise<KeptShop | undefined> =>
  (await cache.match('/api/shop'))?.json() as Promise<KeptShop> | undefined;

/** The shop was read before its pours were changed. */
async function shopWithNewestPours(cache: Cache): Promise<KeptShop | undefined> {
  const shop = await keptShop(cache);
  if (!shop) return undefined;
  const openPours = await Promise.all(
    shop.openPours.map(async (pour) => {
      const own = (await (await cache.match(pourAddress(pour.id)))?.json()) as KeptPour | undefined;
      return own && own.changedAt > pour.changedAt ? own : pour;
    }),
  );
  return { ...shop, openPours };
}

/** The page read these before there was anybody to keep them. */
export async function firstReads(): Promise<void> {
  await Promise.all(AT_START.map((address) => answerApi(new Request(address)).catch(() => undefined)));
}

/** Kept by an earlier Zero Pour, for no shop in particular. */
export const forgetOldCache = (): Promise<boolean> => caches.delete('zero-pour-api');
