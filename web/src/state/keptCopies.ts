import type { Pour } from '@zero-pour/contracts';
import { cacheOf } from '../../offline/answerApi';
import { knownShop } from './shopKeys';

/**
 * Puts a pour as the server now has it where the service worker looks while the server is away: what was ticked since
 * the pour was last read would be missing there. Without a service worker nothing asks for it.
 */
export async function keepCopy(pour: Pour): Promise<void> {
  if (!('caches' in globalThis)) return;
  const cache = await caches.open(cacheOf(knownShop()));
  await cache.put(`/api/pours/${pour.id}`, Response.json(pour));
}

/** Forgets what this browser keeps of shops to show while the server is away. */
export async function forgetCopies(): Promise<void> {
  if (!('caches' in globalThis)) return;
  const names = (await caches.keys()).filter((name) => name.startsWith(cacheOf('')));
  await Promise.all(names.map((name) => caches.delete(name)));
}
