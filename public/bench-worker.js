// Keeps the bench's pages, its unit types and the files of this build on the device, for a pit without network. A page comes from
// the network while there is one; what was last seen stands in for it when there is none. What a job holds is kept by the page
// itself, and captures have a queue of their own: no answer about a job ever comes from here.

const BUILD = new URL(self.location.href).searchParams.get('build') ?? '';
const KEPT = `stereotome-bench ${BUILD}`;
const JOB_PAGE = /^\/jobs\/\d+$/;
const REVISION = /^\/api\/v1\/unit-types\/[^/]+\/revisions\/\d+$/;
const KEPT_JOBS = 'stereotome-jobs';
/** A mark: somebody has signed out here, and the shop's computer doesn't know it yet. */
const LEFT = 'stereotome-left';
const LEFT_PAGE =
  '<!doctype html><html lang="en"><meta name="viewport" content="width=device-width"><title>Signed out</title><h1>Signed out</h1><p>The shop’s computer can’t be reached. What was captured waits on this device; sign in when the network is back.</p></html>';
const SESSION = /^\/api\/v1\/session(\/switch)?$/;

self.addEventListener('install', () => self.skipWaiting());
self.addEventListener('activate', (event) => event.waitUntil(takeOver()));
self.addEventListener('message', (event) => {
  if (!Array.isArray(event.data?.keep)) return;
  event.waitUntil(
    keepAll(event.data.keep).then((all) => event.ports[0]?.postMessage(all ? 'kept' : 'not all')),
  );
});
self.addEventListener('fetch', (event) => {
  const { request } = event;
  const { origin, pathname } = new URL(request.url);
  if (origin !== self.location.origin) return;
  if (SESSION.test(pathname) && request.method !== 'GET') return event.respondWith(forgetAfter(request));
  if (request.method !== 'GET') return;
  if (pathname.startsWith('/_next/static/') || REVISION.test(pathname))
    return event.respondWith(keptFirst(request));
  if (request.mode === 'navigate')
    event.respondWith(
      afterLeaving(request, JOB_PAGE.test(pathname) ? networkFirst : (asked) => fetch(asked)),
    );
});

/** What an earlier build kept no longer fits together. */
async function takeOver() {
  const names = await caches.keys();
  await Promise.all(
    names.filter((name) => name !== KEPT && name !== LEFT).map((name) => caches.delete(name)),
  );
  await self.clients.claim();
}

/** The page that has just come to life tells what it is made of; it was loaded before this worker watched. Answers whether all is here. */
async function keepAll(addresses) {
  const kept = await caches.open(KEPT);
  const here = await Promise.all(
    addresses.map(async (address) => {
      // A file of this build never changes; a page does.
      if (!JOB_PAGE.test(new URL(address, self.location.origin).pathname) && (await kept.match(address)))
        return true;
      const response = await fetch(address, { credentials: 'same-origin' }).catch(() => undefined);
      if (!response?.ok || response.redirected) return false;
      await kept.put(keyOf(address), response);
      return true;
    }),
  );
  return here.every(Boolean);
}

/** Pages are the same whatever stands behind the question mark: the bench reads that itself. */
const keyOf = (address) => {
  const url = new URL(address, self.location.origin);
  return JOB_PAGE.test(url.pathname) ? `${url.origin}${url.pathname}` : url.href;
};

async function keptFirst(request) {
  const kept = await caches.open(KEPT);
  const found = await kept.match(request, { ignoreVary: true });
  if (found) return found;
  const response = await fetch(request);
  if (response.ok) await kept.put(request, response.clone());
  return response;
}

async function networkFirst(request) {
  const kept = await caches.open(KEPT);
  try {
    const response = await fetch(request);
    if (response.ok && !response.redirected) await kept.put(keyOf(request.url), response.clone());
    return response;
  } catch (error) {
    const found = await kept.match(keyOf(request.url), { ignoreVary: true });
    if (found) return found;
    throw error;
  }
}

/** Whoever signs in or out next has no business with what the last one looked at. Who signs out without network has left all the same. */
async function forgetAfter(request) {
  const leaving = request.method === 'DELETE';
  const response = await fetch(request).catch(() => undefined);
  if (response?.ok || leaving) {
    await caches.delete(KEPT);
    self.indexedDB.deleteDatabase(KEPT_JOBS);
  }
  if (leaving && !response) await caches.open(LEFT);
  else if (response?.ok) await caches.delete(LEFT);
  return response ?? Response.error();
}

/**
 * Somebody left while the shop's computer couldn't hear it: its session is ended before anything else is asked for, and until then
 * no page opens here.
 */
async function afterLeaving(request, work) {
  if (!(await caches.has(LEFT))) return work(request);
  const heard = await fetch('/api/v1/session', { method: 'DELETE', credentials: 'same-origin' }).catch(
    () => undefined,
  );
  if (!heard?.ok)
    return new Response(LEFT_PAGE, { status: 503, headers: { 'content-type': 'text/html; charset=utf-8' } });
  await caches.delete(LEFT);
  return fetch(request);
}
