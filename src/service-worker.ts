/// <reference types="@sveltejs/kit" />
/// <reference no-default-lib="true"/>
/// <reference lib="esnext" />
/// <reference lib="webworker" />
import { base, build, files, version } from '$service-worker';

const self = globalThis.self as unknown as ServiceWorkerGlobalScope;
/** Each build keeps its own files; those of an older one go once no tab needs them any more. */
const CACHE = `vecino-${version}`;
const SHELL = `${base}/`;
/** What was shared to Vecino waits here until a wine is chosen for it. */
const SHARED = 'vecino-shared';
/** A server that has not answered by then is as good as none, ms. */
const PATIENCE = 3000;

self.addEventListener('install', (event) => {
  event.waitUntil(caches.open(CACHE).then((cache) => cache.addAll([SHELL, ...build, ...files])));
});

// It takes over when the last tab of the build before is closed, or when somebody takes it: then every tab begins anew.
// Until then those are served their own files.
self.addEventListener('message', (event) => {
  if (event.data === 'take') void self.skipWaiting();
});
// What a notification speaks of is opened by it.
self.addEventListener('notificationclick', (event) => {
  event.notification.close();
  const { page } = (event.notification.data ?? {}) as { page?: string };
  event.waitUntil(
    self.clients
      .matchAll({ type: 'window' })
      .then(([open]) => (open ? open.focus() : self.clients.openWindow(`${base}${page ?? '/'}`)))
  );
});

self.addEventListener('activate', (event) => {
  event.waitUntil(
    caches
      .keys()
      .then((keys) =>
        Promise.all(keys.filter((k) => k !== CACHE && k !== SHARED).map((k) => caches.delete(k)))
      )
      .then(() => self.clients.claim())
  );
});

const shell = async (): Promise<Response> =>
  (await (await caches.open(CACHE)).match(SHELL)) ?? Response.error();

/** A page from the server; the shell, which draws every page, when it is slow, away, or only a proxy answers. */
async function page(request: Request): Promise<Response> {
  const late = new AbortController();
  const timer = setTimeout(() => late.abort(), PATIENCE);
  try {
    const answer = await fetch(request, { signal: late.signal });
    return answer.status >= 500 ? await shell() : answer;
  } catch {
    return shell();
  } finally {
    clearTimeout(timer);
  }
}

/** A picture that was shared is kept for the page that asks of which wine it is; a text goes into the quick line. */
async function shared(request: Request): Promise<Response> {
  const form = await request.formData();
  const photo = form.get('photo');
  const text = ['title', 'text', 'url'].flatMap((k) => form.get(k) ?? []).join(' ');
  if (!(photo instanceof File) || photo.size === 0)
    return Response.redirect(`${SHELL}?say=${encodeURIComponent(text.trim())}`, 303);
  const cache = await caches.open(SHARED);
  await cache.put(
    `${base}/shared-photo`,
    new Response(photo, {
      headers: { 'content-type': photo.type, 'x-caption': encodeURIComponent(text.trim()) }
    })
  );
  return Response.redirect(`${base}/shared`, 303);
}

/** Built files never change: from the cache. */
self.addEventListener('fetch', (event) => {
  const url = new URL(event.request.url);
  if (event.request.method === 'POST' && url.pathname === `${base}/shared`)
    return event.respondWith(shared(event.request));
  if (
    event.request.method !== 'GET' ||
    url.origin !== self.location.origin ||
    url.pathname.startsWith('/api/')
  )
    return;
  if (event.request.mode === 'navigate') return event.respondWith(page(event.request));
  event.respondWith(
    caches
      .open(CACHE)
      .then((cache) => cache.match(event.request))
      .then((hit) => hit ?? fetch(event.request))
  );
});
