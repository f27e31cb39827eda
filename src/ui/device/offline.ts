'use client';

/** Pages that open without a network. */

/** Where the service worker looks: classes, for as long as their teacher is signed in; a person's own day; what pages are made of. */
const CACHES = { class: 'oaken-class', day: 'oaken-day', parts: 'oaken-parts' } as const;
/** Until when what is kept of classes may be opened: as long as a sign-in lasts that nobody uses. */
const UNTIL = '/oaken-until';
const SIGNED_IN_MS = 12 * 3_600_000;
/** What was kept so lately is not fetched again. */
const FRESH_MS = 10 * 60_000;

const able = () => 'caches' in window && 'serviceWorker' in navigator;

/** Keeps pages and everything they are made of. */
async function keepPages(kind: 'class' | 'day', pages: readonly string[], again: boolean): Promise<void> {
  if (!able()) return;
  try {
    await navigator.serviceWorker.register('/sw.js');
    const [cache, parts] = await Promise.all([caches.open(CACHES[kind]), caches.open(CACHES.parts)]);
    const made = performance.getEntriesByType('resource').map(({ name }) => name.split('#')[0]);
    const wanted = new Set(made.filter((name) => name.startsWith(`${location.origin}/_next/static/`)));
    for (const page of pages) {
      const kept = again ? undefined : await cache.match(page);
      if (kept && Date.now() - Date.parse(kept.headers.get('date') ?? '') < FRESH_MS) continue;
      const response = await fetch(page, { headers: { accept: 'text/html' } });
      // Whoever is signed out is sent elsewhere: that is not the page.
      if (!response.ok || response.redirected) continue;
      const text = await response.clone().text();
      for (const [part] of text.matchAll(/\/_next\/static\/[\w./~-]+\.(?:js|css|woff2)/g)) wanted.add(new URL(part, location.origin).href);
      await cache.put(page, response);
    }
    for (const part of wanted) if (!(await parts.match(part))) await parts.add(part).catch(() => undefined);
  } catch {
    // Without a cache the open page still runs to its end; only a reload needs the network.
  }
}

/** Keeps this class. */
export const keepClassOffline = (): Promise<void> => keepPages('class', [location.pathname], true);

/** Keeps the week, and the classes of the next days. */
export const keepWeekOffline = (classes: readonly string[]): Promise<void> => keepPages('class', ['/teach', ...classes], false);

/** Keeps somebody's own day. */
export const keepDayOffline = (): Promise<void> => keepPages('day', [location.pathname], true);

/** Somebody is signed in here now: what is kept of classes may be opened for a while. */
export async function stillSignedIn(): Promise<void> {
  if (!able()) return;
  const cache = await caches.open(CACHES.class);
  await cache.put(UNTIL, new Response(String(Date.now() + SIGNED_IN_MS)));
}

/** Nobody is signed in here any more: nothing of a class can be opened. What was not sent stays, sealed for whoever wrote it. */
export async function forgetClasses(): Promise<void> {
  if ('caches' in window) await caches.delete(CACHES.class);
}
