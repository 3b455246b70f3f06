/*
 * Keeps the bench readable without the desk: pages and what they are made of from here when nobody answers, the last project,
 * record and workshop that were read as they were. What is entered is none of this worker's business: it waits in the page's own
 * store and is sent by the page.
 */
const CACHE = 'keen-bench-1';
const KEPT = /^\/api\/(projects\/[\w-]+(\/record|\/revisions)?|workshop)$/;

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
  if (KEPT.test(url.pathname) && url.search === '') event.respondWith(fromNetwork(request, null));
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

async function fromNetwork(request, page) {
  const cache = await caches.open(CACHE);
  try {
    const answer = await fetch(request);
    if (answer.ok) await cache.put(page ?? request, answer.clone());
    return answer;
  } catch (error) {
    const known = await cache.match(page ?? request);
    if (known) return known;
    throw error;
  }
}
