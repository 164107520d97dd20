import { addRoute, cleanupOutdatedCaches, matchPrecache, precache } from 'workbox-precaching';
import { NavigationRoute, registerRoute } from 'workbox-routing';
import { answerApi, CACHED_READS, firstReads, forgetOldCache } from './answerApi';

/** The page's files with their hashes, put in when it is built. */
declare const PAGE_FILES: { url: string; revision: string | null }[];
declare const self: ServiceWorkerGlobalScope;

// Once loaded, the page opens without Zero Pour: its files are all here, and what was last read of the shop too.
precache(PAGE_FILES);
cleanupOutdatedCaches();

// The newest page while Zero Pour answers: asked before what is kept, so that an upgrade shows at the next look.
registerRoute(
  new NavigationRoute(async ({ request }) => {
    try {
      return await fetch(request);
    } catch {
      return (await matchPrecache('/index.html')) ?? Response.error();
    }
  }),
);
// After the pages, or the kept one would be taken for every address that ends in a slash.
addRoute();
registerRoute(({ url }) => CACHED_READS.test(url.pathname), ({ request }) => answerApi(request)); // prettier-ignore

// Whoever hears that it is ready can do without Zero Pour from then on: the shop was read before.
self.addEventListener('install', (event) => {
  void self.skipWaiting();
  event.waitUntil(firstReads());
});
self.addEventListener('activate', (event) => {
  event.waitUntil(self.clients.claim().then(forgetOldCache));
});
