/** Shared with the page, which puts pours here as it changes them. */
export const API_CACHE = 'zero-pour-api';

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

const open = (): Promise<Cache> => caches.open(API_CACHE);
const pourAddress = (id: string): string => `/api/pours/${id}`;

/** As Zero Pour answers; while it does not, as it was last read, pours as they were last changed. */
export async function answerApi(request: Request): Promise<Response> {
  const address = new URL(request.url).pathname;
  try {
    const answer = await fetch(request);
    if (answer.ok) await (await open()).put(address, answer.clone());
    return answer;
  } catch {
    return (await lastRead(address)) ?? Response.error();
  }
}

async function lastRead(address: string): Promise<Response | undefined> {
  const cache = await open();
  if (address === '/api/shop') return shopWithNewestPours(cache);
  const kept = await cache.match(address);
  if (kept || !address.startsWith('/api/pours/')) return kept;
  const shop = await keptShop(cache);
  const pour = shop?.openPours.find(({ id }) => address === pourAddress(id));
  return pour && Response.json(pour);
}

const keptShop = async (cache: Cache): Promise<KeptShop | undefined> =>
  (await cache.match('/api/shop'))?.json() as Promise<KeptShop> | undefined;

/** The shop was read before its pours were changed. */
async function shopWithNewestPours(cache: Cache): Promise<Response | undefined> {
  const shop = await keptShop(cache);
  if (!shop) return undefined;
  const openPours = await Promise.all(
    shop.openPours.map(async (pour) => {
      const own = (await (await cache.match(pourAddress(pour.id)))?.json()) as KeptPour | undefined;
      return own && own.changedAt > pour.changedAt ? own : pour;
    }),
  );
  return Response.json({ ...shop, openPours });
}

/** The page read these before there was anybody to keep them. */
export async function firstReads(): Promise<void> {
  await Promise.all(AT_START.map((address) => answerApi(new Request(address)).catch(() => undefined)));
}
