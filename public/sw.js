/* What opens without a connection: pages that were opened here once, and the program. Pages come from the server while it answers. */
'use strict';

const PAGES = 'solenix-pages-1';
const PROGRAM = 'solenix-program-1';
/** Files of the program, as it was built; written beside them. */
const FILES = '/_next/static/files.json';

const isProgram = (path) =>
  path.startsWith('/_next/static/') || path.startsWith('/fonts/') || path === '/icon.svg' || path === '/manifest.webmanifest';
const isPage = (path) => path === '/' || path.startsWith('/boats/') || path.startsWith('/guide/');

self.addEventListener('install', () => self.skipWaiting());
self.addEventListener('activate', (event) =>
  event.waitUntil(
    (async () => {
      for (const name of await caches.keys())
        if (name.startsWith('solenix-') && name !== PAGES && name !== PROGRAM) await caches.delete(name);
      await self.clients.claim();
    })(),
  ),
);

/**
 * Of the program a file never changes under its name. What is answered has no address of its own: a worker then keeps the one it was asked by,
 * with what stands behind it.
 */
async function fromProgram(request) {
  const cache = await caches.open(PROGRAM);
  const { pathname } = new URL(request.url);
  const kept = await cache.match(pathname);
  if (kept) return new Response(kept.body, { status: kept.status, headers: kept.headers });
  const answer = await fetch(request);
  if (answer.ok) await cache.put(pathname, answer.clone());
  return answer;
}

/** A page is the server's while it answers; what it no longer lets in is forgotten here too. */
async function page(request) {
  const { pathname } = new URL(request.url);
  const cache = await caches.open(PAGES);
  try {
    const answer = await fetch(request);
    if (answer.ok && !answer.redirected) await cache.put(pathname, answer.clone());
    else await cache.delete(pathname);
    return answer;
  } catch {
    const kept = await cache.match(pathname);
    return (
      kept ??
      new Response(
        '<!doctype html><html lang="en"><meta charset="utf-8"><title>Solenix</title><body><h1>No connection</h1><p>This page was never opened on this device: it opens once the server answers. Pages that were opened here open without it.</p>',
        { status: 503, headers: { 'content-type': 'text/html; charset=utf-8' } },
      )
    );
  }
}

self.addEventListener('fetch', (event) => {
  const { request } = event;
  const url = new URL(request.url);
  if (request.method !== 'GET' || url.origin !== self.location.origin) return;
  if (isProgram(url.pathname)) event.respondWith(fromProgram(request));
  else if (request.mode === 'navigate' && isPage(url.pathname)) event.respondWith(page(request));
});

/** Keeps pages and the whole program for when there is no connection; forgets what the program no longer has. */
async function keep(paths) {
  const pages = await caches.open(PAGES);
  for (const path of paths) {
    const answer = await fetch(path, { headers: { accept: 'text/html' } }).catch(() => null);
    if (answer?.ok && !answer.redirected) await pages.put(path, answer);
  }
  const list = await fetch(FILES, { cache: 'no-store' }).catch(() => null);
  if (!list?.ok) return false;
  const files = await list.json();
  const program = await caches.open(PROGRAM);
  const wanted = new Set(files);
  for (const { url } of await program.keys()) {
    const { pathname } = new URL(url);
    if (pathname.startsWith('/_next/static/') && !wanted.has(pathname)) await program.delete(url);
  }
  for (const path of files) if (!(await program.match(path))) await program.add(path).catch(() => undefined);
  return true;
}

self.addEventListener('message', (event) => {
  const { type, paths } = event.data ?? {};
  if (type === 'keep' && Array.isArray(paths))
    event.waitUntil(keep(paths.filter((p) => typeof p === 'string' && isPage(p))).then((done) => event.ports[0]?.postMessage({ done })));
  if (type === 'forget') event.waitUntil(Promise.all([caches.delete(PAGES)]).then(() => event.ports[0]?.postMessage({ done: true })));
});
