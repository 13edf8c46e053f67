import { cleanupOutdatedCaches, precacheAndRoute, type PrecacheEntry } from 'workbox-precaching';
import { NavigationRoute, registerRoute } from 'workbox-routing';
import { NetworkFirst } from 'workbox-strategies';

declare const self: ServiceWorkerGlobalScope & {
  /** What the screens are made of, as they were built. */
  readonly __WB_MANIFEST: readonly PrecacheEntry[];
};

/** How long the server is waited for before the page that is kept is shown, s. */
const PATIENCE_S = 4;
/** Every address shows the same page; it is kept once, with the headers it came with. */
const PAGE = '/';

// At once: what a page needs with the server away has to be of the build that the page is of.
self.addEventListener('install', () => void self.skipWaiting());
self.addEventListener('activate', (event) => event.waitUntil(self.clients.claim()));

cleanupOutdatedCaches();
precacheAndRoute([...self.__WB_MANIFEST]);
registerRoute(
  new NavigationRoute(
    new NetworkFirst({
      cacheName: 'page',
      networkTimeoutSeconds: PATIENCE_S,
      plugins: [{ cacheKeyWillBeUsed: () => Promise.resolve(PAGE) }],
    }),
    { denylist: [/^\/api\//] },
  ),
);
