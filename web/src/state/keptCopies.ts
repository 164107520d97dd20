import type { Pour } from '@zero-pour/contracts';
import { API_CACHE } from '../../offline/answerApi';

/**
 * Puts a pour as the server now has it where the service worker looks while the server is away: what was ticked since
 * the pour was last read would be missing there. Without a service worker nothing asks for it.
 */
export async function keepCopy(pour: Pour): Promise<void> {
  if (!('caches' in globalThis)) return;
  const cache = await caches.open(API_CACHE);
  await cache.put(`/api/pours/${pour.id}`, Response.json(pour));
}
