/*
 * Keeps the bench readable without the desk: the pages and their files, and those answers a page asks to be kept (header
 * X-Offline-Copy), served from here when nobody answers. Entries wait in the page's own store and are sent by the page.
 */
const CACHE = 'keen-bench-2';
const ASKED_FOR = 'X-Offline-Copy';

self.addEventListener('install', () => self.skipWaiting());
self.addEventListener('activate', (event) =>
  event.waitUntil(
    caches
      .keys()
      .then((names) => Promise.all(names.filter((name) => name !== CACHE).map((name) => caches.delete(name))))
      .then(() => self.clients.claim()),
  ),
);

self.addEventListener('fetch', (event) => {
  const { request } = event;
  const url = new URL(request.url);
  if (request.method !== 'GET' || url.origin !== self.location.origin) return;
  if (url.pathname.startsWith('/assets/')) return event.respondWith(fromCache(request));
  if (request.mode === 'navigate') return event.respondWith(fromNetwork(request, '/'));
  if (url.pathname.startsWith('/api/') && request.headers.has(ASKED_FOR)) event.respondWith(fromNetwork(request, url.pathname + url.search));
});

/** Files with a hash in their name never change. */
async function fromCache(request) {
  const cache = await caches.open(CACHE);
  const known = await cache.match(request);
  if (known) return known;
  const answer = await fetch(request);
  if (answer.ok) await cache.put(request, answer.clone());
  return answer;
}

async function fromNetwork(request, name) {
  const cache = await caches.open(CACHE);
  try {
    const answer = await fetch(request);
    if (answer.ok) await cache.put(name, answer.clone());
    // A device that was removed keeps nothing of the desk.
    if (answer.status === 401) await caches.delete(CACHE);
    return answer;
  } catch (error) {
    const known = await cache.match(name);
    if (known) return known;
    throw error;
  }
}
