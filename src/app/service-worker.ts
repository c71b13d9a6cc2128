/**
 * Opens the application where its server is stopped. What was built together is kept together and served together: a
 * new version is fetched whole, waits, and takes over when no window shows the old one any more, or when the user says
 * so. Models, runtimes and demo clips are kept once they were needed.
 */
import { clientsClaim } from 'workbox-core';
import {
  cleanupOutdatedCaches,
  createHandlerBoundToURL,
  precacheAndRoute,
  type PrecacheEntry,
} from 'workbox-precaching';
import { RangeRequestsPlugin } from 'workbox-range-requests';
import { NavigationRoute, registerRoute } from 'workbox-routing';
import { CacheFirst } from 'workbox-strategies';
import { CacheableResponsePlugin } from 'workbox-cacheable-response';

/** Put in by the build. */
declare const BUILT_FILES: readonly PrecacheEntry[];
/** First part of an address -> the version of what lies under it. */
declare const KEPT_WHEN_NEEDED: Readonly<Record<string, string>>;

/** What a service worker has beyond a window; the library of its types would clash with that of the page. */
interface WorkerScope {
  addEventListener(kind: 'activate', on: (event: { waitUntil(done: Promise<unknown>): void }) => void): void;
  addEventListener(kind: 'message', on: (event: MessageEvent<{ readonly type?: string }>) => void): void;
  skipWaiting(): Promise<void>;
}
const scope = globalThis as unknown as WorkerScope;

const PREFIX = 'kept-when-needed';
const cacheName = (place: string): string => `${PREFIX}${place}${KEPT_WHEN_NEEDED[place]}`;

// The first version serves the window that brought it; later ones come to windows only as described above.
clientsClaim();
precacheAndRoute([...BUILT_FILES], { directoryIndex: '', cleanURLs: false });
cleanupOutdatedCaches();
registerRoute(
  new NavigationRoute(createHandlerBoundToURL('/index.html'), { denylist: [/^\/conversions/, /\.[^/]*$/] }),
);
for (const place of Object.keys(KEPT_WHEN_NEEDED))
  registerRoute(
    ({ url }) => url.pathname.startsWith(place),
    new CacheFirst({
      cacheName: cacheName(place),
      plugins: [new CacheableResponsePlugin({ statuses: [200] }), new RangeRequestsPlugin()],
    }),
  );

/** What an older version kept and this one would not serve. */
async function removeOutdated(): Promise<void> {
  const own = new Set(Object.keys(KEPT_WHEN_NEEDED).map(cacheName));
  const outdated = (await caches.keys()).filter((name) => name.startsWith(PREFIX) && !own.has(name));
  await Promise.all(outdated.map((name) => caches.delete(name)));
}

scope.addEventListener('activate', (event) => event.waitUntil(removeOutdated()));
scope.addEventListener('message', ({ data }) => {
  if (data?.type === 'SKIP_WAITING') void scope.skipWaiting();
});
