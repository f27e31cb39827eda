// Answers for a class, or a person's own day, that was opened on this device when there is no network. What it may answer with is put into the
// cache by the page itself (src/ui/device.ts); signing out empties it.
const CACHE = 'oaken-class';

self.addEventListener('install', () => self.skipWaiting());
self.addEventListener('activate', (event) => event.waitUntil(self.clients.claim()));

self.addEventListener('fetch', (event) => {
  const url = new URL(event.request.url);
  if (event.request.method !== 'GET' || url.origin !== self.location.origin) return;
  if (event.request.mode === 'navigate' && ['/teach/', '/day/'].some((place) => url.pathname.startsWith(place))) {
    event.respondWith(fetch(event.request).catch(() => kept(url.pathname)));
  } else if (url.pathname.startsWith('/_next/static/')) {
    event.respondWith(fetch(event.request).catch(() => kept(url.pathname + url.search)));
  }
});

async function kept(path) {
  const found = await (await caches.open(CACHE)).match(path);
  // A fresh response: workers are configured in the fragment of their URL, which a cached one has lost.
  return found ? new Response(await found.blob(), { status: found.status, headers: found.headers }) : Response.error();
}
