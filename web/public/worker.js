/**
 * Keeps the application for when the server is away: its files as they were last built, and the last answers to what was
 * looked at. While the server answers, its answers are used and nothing else.
 */
const FILES = 'files';
const ANSWERS = 'answers';

/** Answers that are of use without the server; a build itself is kept by the page, which knows its newest state. */
const kept =
  /^\/api\/(builds|wearers|stock|printers|kept-parts|builds\/[^/]+\/(pins|log|lessons|revisions)|pictures\/[^/]+)$/;

self.addEventListener('install', (event) => {
  event.waitUntil(
    (async () => {
      const list = await (await fetch('/offline.json')).json();
      const files = await caches.open(FILES);
      const have = new Set((await files.keys()).map((r) => new URL(r.url).pathname));
      await files.addAll(list.filter((path) => path === '/' || !have.has(path)));
      // What is no longer part of the application goes.
      for (const request of await files.keys())
        if (!list.includes(new URL(request.url).pathname)) await files.delete(request);
      await self.skipWaiting();
    })(),
  );
});

self.addEventListener('activate', (event) => event.waitUntil(self.clients.claim()));

async function newest(request, store, key) {
  const cache = await caches.open(store);
  try {
    const answer = await fetch(request);
    if (answer.ok) await cache.put(key, answer.clone());
    return answer;
  } catch (error) {
    const known = await cache.match(key);
    if (known) return known;
    throw error;
  }
}

self.addEventListener('fetch', (event) => {
  const { request } = event;
  const url = new URL(request.url);
  if (request.method !== 'GET' || url.origin !== location.origin || url.pathname === '/pair') return;
  // A page of the application is the same file whatever its address.
  if (request.mode === 'navigate') event.respondWith(newest(request, FILES, '/'));
  else if (kept.test(url.pathname)) event.respondWith(newest(request, ANSWERS, request));
  else if (!url.pathname.startsWith('/api/'))
    event.respondWith(caches.match(request).then((known) => known ?? fetch(request)));
});
