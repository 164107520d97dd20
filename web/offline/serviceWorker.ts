import { cleanupOutdatedCaches, matchPrecache, precacheAndRoute } from 'workbox-precaching';
import { NavigationRoute, registerRoute } from 'workbox-routing';
import { answerApi, CACHED_READS, firstReads } from './answerApi';

/** The page's files with their hashes, put in when it is built. */
declare const PAGE_FILES: { url: string; revision: string | null }[];
declare const self: ServiceWorkerGlobalScope;

// Once loaded, the page opens without Zero Pour: its files are all here, and what was last read of the shop too.
precacheAndRoute(PAGE_FILES);
cleanupOutdatedCaches();

// The newest page while Zero Pour answers.
registerRoute(
  new NavigationRoute(async ({ request }) => {
    try {
      return await fetch(request);
    } catch {
      return (await matchPrecache('/index.html')) ?? Response.error();
    }
  }),
);
registerRoute(({ url }) => CACHED_READS.test(url.pathname), ({ request }) => answerApi(request)); // prettier-ignore

self.addEventListener('install', () => void self.skipWaiting());
self.addEventListener('activate', (event) => {
  event.waitUntil(self.clients.claim().then(firstReads));
});
