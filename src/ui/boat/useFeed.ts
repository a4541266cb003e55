'use client';
import { useEffect, useState } from 'react';
import { useStore } from './context';

/** What is heard of one moment, as the server passes it on. */
export interface Heard {
  readonly at: number;
  readonly volts: number | null;
  readonly amps: number | null;
  readonly soc: number | null;
}

/** Kept of what was heard: the newest. */
const MOST_KEPT = 2000;

export interface Feed {
  readonly heard: readonly Heard[];
  /** '' while it runs or nobody has asked. */
  readonly ended: string;
}

/** Readings of a meter while it is listened to. @param asked null: nobody listens. */
export function useFeed(asked: string | null): Feed {
  const store = useStore();
  const [heard, setHeard] = useState<readonly Heard[]>([]);
  const [ended, setEnded] = useState('');
  useEffect(() => {
    if (asked === null) return;
    const source = new EventSource(`/api/boats/${store.boatId}/meter?${asked}`);
    let waiting: Heard[] = [];
    // Drawn ten times a second at the most, however fast they come.
    const timer = setInterval(() => {
      if (waiting.length === 0) return;
      const more = waiting;
      waiting = [];
      setHeard((had) => [...had, ...more].slice(-MOST_KEPT));
    }, 100);
    const begin = setTimeout(() => {
      setHeard([]);
      setEnded('');
    }, 0);
    source.addEventListener('reading', (e: MessageEvent<string>) => waiting.push(JSON.parse(e.data) as Heard));
    const end = (why: string) => {
      setEnded(why);
      source.close();
    };
    source.addEventListener('ended', (e: MessageEvent<string>) => end((JSON.parse(e.data) as { why: string }).why));
    source.onerror = () => end('the server does not pass it on');
    return () => {
      clearTimeout(begin);
      clearInterval(timer);
      source.close();
    };
  }, [asked, store.boatId]);
  return { heard, ended };
}

/** Meters that may be listened to; null while they are asked for. */
export function useMeters(): readonly { readonly name: string; readonly simulated: boolean }[] | null {
  const store = useStore();
  const [meters, setMeters] = useState<readonly { readonly name: string; readonly simulated: boolean }[] | null>(null);
  useEffect(() => {
    let live = true;
    fetch(`/api/boats/${store.boatId}/meter`)
      .then(async (r) => (r.ok ? ((await r.json()) as { meters: readonly { name: string; simulated: boolean }[] }).meters : []))
      .catch(() => [])
      .then((list) => {
        if (live) setMeters(list);
      });
    return () => {
      live = false;
    };
  }, [store.boatId]);
  return meters;
}
