// Answers for the week and its classes, or a person's own day, that were opened on this device when there is no network. What it may
// answer with is put into the caches by the pages themselves (src/ui/device/offline.ts). Classes are theirs who are signed in: signing
// out empties their cache, and so does whatever shows that nobody is signed in any more.
const [CLASS, DAY, PARTS] = ['oaken-class', 'oaken-day', 'oaken-parts'];
const UNTIL = '/oaken-until';

self.addEventListener('install', () => self.skipWaiting());
self.addEventListener('activate', (event) => event.waitUntil(self.clients.claim()));

self.addEventListener('fetch', (event) => {
  const url = new URL(event.request.url);
  if (event.request.method !== 'GET' || url.origin !== self.location.origin) return;
  if (event.request.mode === 'navigate') {
    if (/^\/teach(\/|$)/.test(url.pathname)) event.respondWith(seen(event.request).catch(() => keptClass(url.pathname)));
    else if (url.pathname.startsWith('/day/')) event.respondWith(fetch(event.request).catch(() => kept(DAY, url.pathname)));
    else if (url.pathname.startsWith('/sign-in')) event.respondWith(seen(event.request));
  } else if (url.pathname.startsWith('/_next/static/')) {
    event.respondWith(fetch(event.request).catch(() => kept(PARTS, url.pathname + url.search)));
  }
});

// A page from the studio. The page to sign in means that nobody is.
async function seen(request) {
  const response = await fetch(request);
  const opaque = response.type === 'opaqueredirect';
  const where = new URL(opaque ? request.url : response.url).pathname;
  if (where.startsWith('/sign-in') && response.ok) await caches.delete(CLASS);
  return response;
}

async function keptClass(path) {
  const until = await (await caches.open(CLASS)).match(UNTIL);
  if (!until || Number(await until.text()) < Date.now()) {
    await caches.delete(CLASS);
    return said(
      'Your last sign-in on this device is over, so nothing of a class is kept here. It opens again once you have signed in with a network.',
    );
  }
  return kept(CLASS, path);
}

async function kept(cache, path) {
  const found = await (await caches.open(cache)).match(path);
  // A fresh response: workers are configured in the fragment of their URL, which a cached one has lost.
  if (found) return new Response(await found.blob(), { status: found.status, headers: found.headers });
  return cache === PARTS ? Response.error() : said('There is no network, and this page was not opened on this device before.');
}

function said(text) {
  const page = `<!doctype html><html lang="en"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width"><title>No network</title></head><body><main><h1>No network</h1><p>${text}</p></main></body></html>`;
  return new Response(page, { status: 503, headers: { 'content-type': 'text/html; charset=utf-8' } });
}
