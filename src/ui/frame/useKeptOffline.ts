'use client';
import { useEffect, useRef, useState } from 'react';

/** After the page has settled, and after edits have. */
const FIRST_MS = 4000;
const AFTER_EDITS_MS = 60_000;

/** Asks the service worker, and waits for its answer; null: there is none. */
async function ask(message: object): Promise<boolean | null> {
  const { active } = await navigator.serviceWorker.ready;
  if (!active) return null;
  return new Promise((resolve) => {
    const { port1, port2 } = new MessageChannel();
    port1.onmessage = ({ data }: MessageEvent<{ done?: boolean }>) => resolve(data.done === true);
    active.postMessage(message, [port2]);
  });
}

/** Keeps a boat's stations on this device, anew as she changes. @param changed her revision: saved edits. @returns whether she opens here without a connection. */
export function useKeptOffline(paths: readonly string[], changed: number): boolean {
  const [kept, setKept] = useState(false);
  const first = useRef(true);
  const all = paths.join(' ');
  useEffect(() => {
    if (!('serviceWorker' in navigator) || !window.isSecureContext) return;
    const timer = setTimeout(
      () => {
        void (async () => {
          await navigator.serviceWorker.register('/sw.js');
          if (await ask({ type: 'keep', paths: all.split(' ') })) setKept(true);
          // The server is away: what is kept stays as it was.
        })().catch(() => undefined);
      },
      first.current ? FIRST_MS : AFTER_EDITS_MS,
    );
    first.current = false;
    return () => clearTimeout(timer);
  }, [all, changed]);
  return kept;
}

/** Forgets every page kept on this device: on signing out. */
export async function forgetOffline(): Promise<void> {
  if ('caches' in window) for (const name of await caches.keys()) if (name.startsWith('solenix-pages')) await caches.delete(name);
}
