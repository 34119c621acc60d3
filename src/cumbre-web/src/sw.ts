/// <reference lib="webworker" />
import { cleanupOutdatedCaches, precacheAndRoute } from "workbox-precaching";
import { NavigationRoute, registerRoute } from "workbox-routing";
import { NetworkFirst } from "workbox-strategies";

declare const self: ServiceWorkerGlobalScope & { __WB_MANIFEST: { url: string; revision: string | null }[] };

const pages = "page";
const start = "/";
const patience = 3;

// What the page is made of lies on the device; a new version takes over at once, so that page and parts fit each other.
precacheAndRoute(self.__WB_MANIFEST);
cleanupOutdatedCaches();
self.addEventListener("install", (event) => {
  event.waitUntil(caches.open(pages).then((cache) => cache.add(start)));
  void self.skipWaiting();
});
self.addEventListener("activate", (event) => event.waitUntil(self.clients.claim()));

// Every address is the same page; it is asked for anew, as it holds a secret of its own for the style engine, and kept for
// when nobody answers.
registerRoute(
  new NavigationRoute(
    new NetworkFirst({
      cacheName: pages,
      networkTimeoutSeconds: patience,
      plugins: [
        {
          cacheKeyWillBeUsed: () => Promise.resolve(start),
          // What is no page of this app is never kept in its place.
          cacheWillUpdate: ({ response }) => Promise.resolve(response.status === 200 ? response : null),
        },
      ],
    }),
    { denylist: [/^\/api\//, /^\/health/] },
  ),
);

// The figures are of the catalogue, not of anybody: they are shown at the bar without a signal too.
registerRoute(
  ({ url }) => /^\/api\/figures(\/|$)/.test(url.pathname),
  new NetworkFirst({ cacheName: "figures", networkTimeoutSeconds: patience }),
);
