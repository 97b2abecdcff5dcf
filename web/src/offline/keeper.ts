/// <reference lib="webworker" />
/**
 * Keeps what the bench card needs where a browser finds it without the server: the page itself, and what one run shows.
 * It answers nothing that the server can answer, save files whose names say what is in them, and keeps nothing of what
 * is typed: presses are kept by the page. Built by itself, with the list of files that it keeps.
 */
declare const FILES: readonly string[];
declare const BUILD: string;
declare const self: ServiceWorkerGlobalScope;

/** Files of one build; those of another go as this one takes over. */
const PAGE = `zippy-page-${BUILD}`;
/** What runs show; each is put in by the page that shows it. */
const RUNS = 'zippy-runs';
const SHELL = '/';

export type ToKeeper = { readonly kind: 'keep'; readonly urls: readonly string[] };
export type FromKeeper = { readonly kind: 'kept'; readonly failed: number };

self.addEventListener('install', (event) => {
  event.waitUntil(
    (async () => {
      const page = await caches.open(PAGE);
      await page.addAll([SHELL, ...FILES].map((url) => new Request(url, { cache: 'no-cache' })));
      await self.skipWaiting();
    })(),
  );
});

self.addEventListener('activate', (event) => {
  event.waitUntil(
    (async () => {
      const old = (await caches.keys()).filter((name) => name.startsWith('zippy-page-') && name !== PAGE);
      await Promise.all(old.map((name) => caches.delete(name)));
      await self.clients.claim();
    })(),
  );
});

self.addEventListener('message', (event) => {
  const { kind, urls } = event.data as ToKeeper;
  if (kind !== 'keep') return;
  event.waitUntil(
    keepAll(urls).then((failed) => event.source?.postMessage({ kind: 'kept', failed } satisfies FromKeeper)),
  );
});

/** @returns how many could not be had */
async function keepAll(urls: readonly string[]): Promise<number> {
  const runs = await caches.open(RUNS);
  const tries = await Promise.allSettled(urls.map((url) => runs.add(new Request(url, { cache: 'no-cache' }))));
  return tries.filter(({ status }) => status === 'rejected').length;
}

self.addEventListener('fetch', (event) => {
  const { request } = event;
  const url = new URL(request.url);
  if (request.method !== 'GET' || url.origin !== self.location.origin) return;
  if (request.mode === 'navigate') event.respondWith(fromServer(request, SHELL));
  // Their names carry what is in them, so a kept one is never old.
  else if (url.pathname.startsWith('/assets/')) event.respondWith(fromStore(request));
  else if (url.pathname.startsWith('/api/') || FILES.includes(url.pathname))
    event.respondWith(fromServer(request, request));
});

async function fromStore(request: Request): Promise<Response> {
  return (await caches.match(request, { ignoreVary: true })) ?? fetch(request);
}

/** What the server says; without it, what is kept under a name. What is kept is renewed as it is asked for. */
async function fromServer(request: Request, kept: Request | string): Promise<Response> {
  try {
    const response = await fetch(request);
    if (response.ok && request.mode !== 'navigate') await renew(request, response);
    return response;
  } catch (problem) {
    const found = await caches.match(kept, { ignoreVary: true });
    if (found) return found;
    throw problem;
  }
}

async function renew(request: Request, response: Response): Promise<void> {
  const runs = await caches.open(RUNS);
  if (await runs.match(request, { ignoreVary: true })) await runs.put(request, response.clone());
}
